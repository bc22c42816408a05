import { zodResolver } from '@hookform/resolvers/zod';
import { earlyEnds, endReasons, endWord } from '@holvek/core';
import { useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { useDesk } from '@/desk/use-desk';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { BigButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { Words } from '@/ui/words';

const schema = z.object({
  end: z.enum([...earlyEnds, 'out_of_service']),
  why: z.enum(endReasons),
  reason: z.string().trim().min(3).max(400),
});
type Texts = z.infer<typeof schema>;
type End = Texts['end'];

const ends: readonly { readonly value: End; readonly say: string }[] = [
  { value: 'could_not_be_set', say: 'Could not be set' },
  { value: 'left_as_found', say: 'Left as found' },
  { value: 'out_of_service', say: 'Out of service' },
  { value: 'given_up', say: 'Given up for now' },
];
const after: Readonly<Record<End, string>> = {
  could_not_be_set: 'What was measured goes on the sheet; the valve counts as not in order.',
  left_as_found: 'Only for a screw that was not turned, or was turned back to where it stood.',
  out_of_service: 'The valve is not to be used until somebody has set it again.',
  given_up: 'The valve counts as not in order until somebody comes again.',
};
const reasons = endReasons.map((value) => ({ value, say: endWord[value] }));

/** Something is wrong: how the work ends here, and why. Everything goes back, and a sheet is filed. */
export function EndEarly({ onEnded }: { readonly onEnded: () => void }) {
  const { add, view } = useDesk();
  const { control, handleSubmit, formState } = useForm<Texts>({
    resolver: zodResolver(schema),
    defaultValues: { end: 'could_not_be_set', why: 'hunts', reason: '' },
    mode: 'onChange',
  });
  const end = useWatch({ control, name: 'end' });
  const stepId = view.step?.id;
  const finish = useOnce(
    handleSubmit(async ({ end: outcome, why, reason }) => {
      if (stepId === undefined) return;
      const words = { step_id: stepId, reason };
      const entry =
        outcome === 'out_of_service'
          ? ({ type: 'condemned', ...words } as const)
          : ({ type: 'ended', outcome, why, ...words } as const);
      if (await add(entry)) onEnded();
    }),
  );
  if (stepId === undefined) return null;
  return (
    <>
      <FormChoice control={control} name="end" label="It ends as" options={ends} />
      <Words color="$muted">{after[end]}</Words>
      {end === 'out_of_service' ? null : (
        <FormChoice control={control} name="why" label="Because" options={reasons} />
      )}
      <FormField
        control={control}
        name="reason"
        label="What is wrong, in your words"
        maxLength={400}
      />
      <BigButton
        kind="stop"
        disabled={!formState.isValid}
        onPress={() => void finish()}
        testID="end-early"
      >
        End here, put everything back
      </BigButton>
    </>
  );
}
