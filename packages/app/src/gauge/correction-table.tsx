import { useFieldArray, type Control } from 'react-hook-form';
import type { GaugeTexts } from './gauge-form';
import { FormField } from '@/ui/form-field';
import { XStack, YStack } from '@/ui/kit';
import { WordButton } from '@/ui/press';
import { Muted, Strong } from '@/ui/words';

/** The points of a certificate, one under the other: what the gauge showed, and what is to be added. */
export function CorrectionTable({
  control,
  name,
  title,
  say,
  unit,
}: {
  readonly control: Control<GaugeTexts>;
  readonly name: 'corrections' | 'asFound';
  readonly title: string;
  readonly say: string;
  readonly unit: string;
}) {
  const { fields, append, remove } = useFieldArray({ control, name });
  return (
    <YStack gap="$2" role="group" aria-label={title}>
      <Strong>{title}</Strong>
      <Muted>{say}</Muted>
      {fields.map(({ id }, i) => (
        <XStack key={id} gap="$2" alignItems="flex-end">
          <YStack flex={1}>
            <FormField
              control={control}
              name={`${name}.${i}.shown`}
              label={`Shown, point ${i + 1}`}
              unit={unit}
              numeric
            />
          </YStack>
          <YStack flex={1}>
            <FormField
              control={control}
              name={`${name}.${i}.add`}
              label="To be added"
              unit={unit}
              numeric
            />
          </YStack>
          <WordButton onPress={() => remove(i)} label={`Leave out point ${i + 1}`}>
            leave out
          </WordButton>
        </XStack>
      ))}
      <WordButton onPress={() => append({ shown: '', add: '' })}>
        {fields.length === 0 ? 'enter its table' : 'another point'}
      </WordButton>
    </YStack>
  );
}
