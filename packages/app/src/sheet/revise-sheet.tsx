import { zodResolver } from '@hookform/resolvers/zod';
import { correctionDigest, type Correction, type Sheet, type SignedCorrection } from '@holvek/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { api } from '@/data/api';
import { signHere, signTrouble } from '@/people/sign-here';
import { usePreferences } from '@/prefs/preferences';
import { BottomSheet } from '@/ui/bottom-sheet';
import { FormField } from '@/ui/form-field';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';

const texts = z.object({
  why: z.string().trim().min(3, 'Say why: the record keeps it.').max(2000),
  note: z.string().trim().max(2000),
});
type Texts = z.infer<typeof texts>;

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
  const { control, handleSubmit, formState } = useForm<Texts>({
    resolver: zodResolver(texts),
    defaultValues: { why: '', note: '' },
    mode: 'onChange',
  });
  const { technician: by } = usePreferences();
  const revise = useMutation({
    networkMode: 'always',
    mutationFn: async ({ why, note }: Texts) => {
      const said: Correction = {
        by,
        why,
        notes: [...sheet.body.notes, note].filter(Boolean),
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
  const file = handleSubmit((said) => revise.mutate(said));
  return (
    <BottomSheet isOpen={isOpen} title="New revision" onClose={onClose}>
      <Words>Readings stay as they were signed. Say what the record must add and why.</Words>
      <FormField control={control} name="why" label="Why" />
      <FormField control={control} name="note" label="Note to add" />
      <Muted>{`Signed by ${by}, beside ${sheet.body.technician}, who signed the sheet.`}</Muted>
      {revise.isError ? (
        <Words color="$vermilion" role="alert">
          {signTrouble(revise.error)}
        </Words>
      ) : null}
      <BigButton disabled={!formState.isValid || revise.isPending} onPress={() => void file()}>
        File the revision
      </BigButton>
    </BottomSheet>
  );
}
