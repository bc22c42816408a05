import type { Sheet } from '@holvek/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { api, Refusal } from '@/data/api';
import { preferences } from '@/settings/preferences';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';

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
  const [by, setBy] = useState(preferences().technician);
  const revise = useMutation({
    networkMode: 'always',
    mutationFn: () =>
      api.revise(sheet.id, {
        by: by.trim(),
        why: why.trim(),
        notes: [...sheet.body.notes, note.trim()].filter(Boolean),
      }),
    onSuccess: async (revised) => {
      await client.invalidateQueries();
      onClose();
      router.replace(`/sheets/${revised.id}`);
    },
  });
  const trouble =
    revise.error instanceof Refusal && revise.error.code === 'sheet.already_revised'
      ? 'A later revision of this sheet exists. Correct that one.'
      : 'The server cannot be reached. Nothing was changed.';
  return (
    <BottomSheet isOpen={isOpen} title="New revision" onClose={onClose}>
      <Words>Readings stay as they were signed. Say what the record must add and why.</Words>
      <Field label="Why" value={why} onChangeText={setWhy} maxLength={2000} />
      <Field label="Note to add" value={note} onChangeText={setNote} maxLength={2000} />
      <Field
        label="Your name"
        value={by}
        onChangeText={setBy}
        maxLength={80}
        hint={`It stands beside ${sheet.body.technician}, who signed.`}
      />
      {revise.isError ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <BigButton
        disabled={why.trim().length < 3 || by.trim().length < 2 || revise.isPending}
        onPress={() => revise.mutate()}
      >
        File the revision
      </BigButton>
    </BottomSheet>
  );
}
