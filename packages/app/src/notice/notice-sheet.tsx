import { zodResolver } from '@hookform/resolvers/zod';
import type { Notice } from '@holvek/core';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { untilOf } from './notice-words';
import { newId } from '@/data/new-id';
import { useChangeNotice } from '@/data/queries';
import { preferences } from '@/prefs/preferences';
import { BottomSheet } from '@/ui/bottom-sheet';
import { FormField } from '@/ui/form-field';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';

const schema = z.object({
  text: z.string().trim().min(3, 'A few words, please').max(400),
  until: z
    .string()
    .refine((text) => untilOf(text, Date.now()) !== 'unclear', 'An hour such as 15 or 15:30'),
});
type Texts = z.infer<typeof schema>;

/** What is left on the valve now. */
function noticeFrom({ text, until }: Texts, valveId: string): Notice {
  const now = Date.now();
  const at = untilOf(until, now);
  return {
    id: newId(),
    valve_id: valveId,
    text: text.trim(),
    by: preferences().technician,
    at_ms: now,
    ...(typeof at === 'number' ? { until_ms: at } : {}),
  };
}

/** A word for whoever comes next. */
export function NoticeSheet({
  valveId,
  isOpen,
  onClose,
}: {
  readonly valveId: string;
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const change = useChangeNotice();
  const { control, handleSubmit, reset } = useForm<Texts>({
    resolver: zodResolver(schema),
    defaultValues: { text: '', until: '' },
  });
  const keep = handleSubmit((texts) =>
    change.mutate(noticeFrom(texts, valveId), {
      onSuccess: () => {
        reset();
        onClose();
      },
    }),
  );
  return (
    <BottomSheet isOpen={isOpen} title="Leave word on it" onClose={onClose}>
      <FormField
        control={control}
        name="text"
        label="What the next one must know"
        maxLength={400}
      />
      <FormField
        control={control}
        name="until"
        label="Until what hour, if it ends"
        hint="15 or 15:30; without one it hangs until it is taken down."
        maxLength={5}
      />
      {change.isError ? (
        <Words color="$vermilion" role="alert">
          It was not kept. What you wrote is still here.
        </Words>
      ) : null}
      <BigButton disabled={change.isPending} onPress={() => void keep()}>
        Leave it
      </BigButton>
    </BottomSheet>
  );
}
