import { adjusterPlate, checkTurn, inTurns, type Run } from '@holvek/core';
import { useForm, useWatch, type Resolver } from 'react-hook-form';
import { XStack, YStack } from '@/ui/kit';
import { useDesk } from '@/desk/use-desk';
import type { Units } from '@/units/use-units';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { BigButton, Press } from '@/ui/press';
import { turnWord } from '@/ui/turn-word';
import { Strong } from '@/ui/words';
import { eventTrouble } from '@/words/trouble';

const EIGHTHS = [1, 2, 3, 4, 5, 6, 7, 8].map((n) => n / 8);

type Texts = { readonly way: 'clockwise' | 'anticlockwise'; readonly turns: string };

/** What speaks against a turn as it was typed; undefined where it may have been made. */
function turnsTrouble(text: string, run: Run, adjuster: string, units: Units): string | undefined {
  const typed = readTurns(text);
  if (Number.isNaN(typed)) return 'Type turns such as 3/8, 1 1/4 or 0.5.';
  const { travel_turns: travel } = adjusterPlate(run.started.plate, adjuster);
  const wrong = checkTurn(inTurns(typed), inTurns(travel));
  return wrong && eventTrouble(wrong, units);
}

/** The turn as it was really made, when it is not the one that was asked for. */
export function OtherAmount({
  adjuster,
  onTurned,
}: {
  readonly adjuster: string;
  readonly onTurned: (turns: number) => void;
}) {
  const { run, units } = useDesk();
  const resolver: Resolver<Texts> = (texts) => {
    const message = turnsTrouble(texts.turns, run, adjuster, units);
    return message === undefined
      ? { values: texts, errors: {} }
      : { values: {}, errors: { turns: { type: 'turns', message } } };
  };
  const { control, handleSubmit, setValue, formState } = useForm<Texts>({
    resolver,
    defaultValues: { way: 'clockwise', turns: '' },
    mode: 'onChange',
  });
  const { way, turns } = useWatch({ control });
  const turned = handleSubmit((texts) =>
    onTurned((texts.way === 'clockwise' ? 1 : -1) * readTurns(texts.turns)),
  );
  return (
    <YStack gap="$3">
      <FormChoice
        control={control}
        name="way"
        label="Which way"
        options={[
          { value: 'clockwise', say: 'clockwise' },
          { value: 'anticlockwise', say: 'anticlockwise' },
        ]}
      />
      <XStack flexWrap="wrap" gap="$2">
        {EIGHTHS.map((part) => (
          <Press
            key={part}
            width="23%"
            minHeight={56}
            alignItems="center"
            justifyContent="center"
            borderRadius="$2"
            backgroundColor="$quiet"
            aria-label={`${turnWord(part)} turn`}
            onPress={() => setValue('turns', turnWord(part), { shouldValidate: true })}
          >
            <Strong fontSize="$5">{turnWord(part)}</Strong>
          </Press>
        ))}
      </XStack>
      <FormField
        control={control}
        name="turns"
        label="Turns"
        maxLength={12}
        hint="Whole turns and a fraction: 1 3/8"
      />
      <BigButton disabled={!formState.isValid} onPress={() => void turned()}>
        {formState.isValid ? `Turned ${turnWord(readTurns(turns ?? ''))} ${way}` : 'Turned'}
      </BigButton>
    </YStack>
  );
}

/** "1 3/8", "3/8", "0.5" or "0,5" as turns; NaN when it is none of these. */
export function readTurns(text: string): number {
  const match = /^\s*(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)\s*$/u.exec(text);
  if (match) return Number(match[1] ?? 0) + Number(match[2]) / Number(match[3]);
  const plain = text.trim().replace(',', '.');
  return /^\d*\.?\d+$/u.test(plain) ? Number(plain) : Number.NaN;
}
