import { zodResolver } from '@hookform/resolvers/zod';
import { DIALLED, type StepOf } from '@holvek/core';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { useDesk } from '@/desk/use-desk';
import { FormField } from '@/ui/form-field';
import { XStack, YStack } from '@/ui/kit';
import { numberText } from '@/ui/number-text';
import { plainNumber } from '@/ui/plain-number';
import { BigButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';

const dialTexts = z.object({
  band: numberText('Above nothing.', (value) => value > 0),
  reset: numberText('Above nothing.', (value) => value > 0),
});
type DialTexts = z.infer<typeof dialTexts>;

/** Band and reset as they were dialled: the proposal, unless the hand says otherwise. */
export function DialForm({
  step,
  start,
}: {
  readonly step: StepOf<'tune'>;
  readonly start: { readonly band: number; readonly reset: number | undefined };
}) {
  const { add } = useDesk();
  const { control, handleSubmit, formState } = useForm<DialTexts>({
    resolver: zodResolver(dialTexts),
    defaultValues: {
      band: start.band.toFixed(start.band < 20 ? 1 : 0),
      reset: (start.reset ?? 0).toFixed(2),
    },
    mode: 'onChange',
  });
  const keep = handleSubmit(async ({ band, reset }) => {
    await add({ type: 'observed', key: DIALLED.band, value: plainNumber(band) });
    await add({ type: 'observed', key: DIALLED.reset, value: plainNumber(reset) });
    await add({ type: 'step_done', step_id: step.id });
  });
  const keepOnce = useOnce(keep);
  return (
    <YStack gap="$3">
      <XStack gap="$3">
        <YStack flex={1}>
          <FormField control={control} name="band" label="Proportional band" unit="%" numeric />
        </YStack>
        <YStack flex={1}>
          <FormField control={control} name="reset" label="Reset" unit="min a repeat" numeric />
        </YStack>
      </XStack>
      <BigButton
        disabled={!formState.isValid}
        onPress={() => void keepOnce()}
        testID="confirm-dial"
      >
        Dialled
      </BigButton>
    </YStack>
  );
}
