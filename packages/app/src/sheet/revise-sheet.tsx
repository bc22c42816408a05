import { correctionDigest, type Correction, type Sheet, type SignedCorrection } from '@holvek/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { api } from '@/data/api';
import { signHere, signTrouble } from '@/people/sign-here';
import { usePreferences } from '@/prefs/preferences';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';

/** What is said, with the signature of this device over it. */
async function signedHere({ hash }: Sheet, said: Correction): Promise<SignedCorrection> {
  const signed = await signHere(correctionDigest(hash, said));
  return { ...said, signed };
}

/** A signed sheet never changes: a correction is a new one that names it and says why. */
export function ReviseSheet({
  sheet,
  isOpen,
  onClose,
}: {
  readonly sheet: Sheet;
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const client = useQueryClient();
  const router = useRouter();
  const [why, setWhy] = useState('');
  const [note, setNote] = useState('');
  const { technician: by } = usePreferences();
  const revise = useMutation({
    networkMode: 'always',
    mutationFn: async () => {
      const said: Correction = {
        by,
        why: why.trim(),
        notes: [...sheet.body.notes, note.trim()].filter(Boolean),
        at_ms: Date.now(),
      };
      return api.revise(sheet.id, await signedHere(sheet, said));
    },
    onSuccess: async (revised) => {
      await client.invalidateQueries();
      onClose();
      router.replace(`/sheets/${revised.id}`);
    },
  });
  return (
    <BottomSheet isOpen={isOpen} title="New revision" onClose={onClose}>
      <Words>Readings stay as they were signed. Say what the record must add and why.</Words>
      <Field label="Why" value={why} onChangeText={setWhy} maxLength={2000} />
      <Field label="Note to add" value={note} onChangeText={setNote} maxLength={2000} />
      <Muted>{`Signed by ${by}, beside ${sheet.body.technician}, who signed the sheet.`}</Muted>
      {revise.isError ? (
        <Words color="$vermilion" role="alert">
          {signTrouble(revise.error)}
        </Words>
      ) : null}
      <BigButton
        disabled={why.trim().length < 3 || revise.isPending}
        onPress={() => revise.mutate()}
      >
        File the revision
      </BigButton>
    </BottomSheet>
  );
}
