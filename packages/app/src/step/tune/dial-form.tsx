import { zodResolver } from '@hookform/resolvers/zod';
import { DIALLED, type StepOf } from '@holvek/core';
import { useRef } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { useDesk } from '@/desk/use-desk';
import { FormField } from '@/ui/form-field';
import { XStack, YStack } from '@/ui/kit';
import { numberText } from '@/ui/number-text';
import { plainNumber } from '@/ui/plain-number';
import { BigButton } from '@/ui/press';

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
  const isBusy = useRef(false);
  // A second press before the form has looked at the first is none.
  const keepOnce = async () => {
    if (isBusy.current) return;
    isBusy.current = true;
    await keep();
    isBusy.current = false;
  };
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
