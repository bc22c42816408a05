import { adjusterPlate, checkTurn, inTurns } from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { useDesk } from '@/desk/use-desk';
import { Choice, Field } from '@/ui/field';
import { BigButton, Press } from '@/ui/press';
import { turnWord } from '@/ui/turn-word';
import { Strong } from '@/ui/words';
import { eventTrouble } from '@/words/trouble';

const EIGHTHS = [1, 2, 3, 4, 5, 6, 7, 8].map((n) => n / 8);

/** The turn as it was really made, when it is not the one that was asked for. */
export function OtherAmount({
  adjuster,
  onTurned,
}: {
  readonly adjuster: string;
  readonly onTurned: (turns: number) => void;
}) {
  const { run, units } = useDesk();
  const [way, setWay] = useState<'clockwise' | 'anticlockwise'>('clockwise');
  const [text, setText] = useState('');
  const typed = readTurns(text);
  const wrong =
    text.trim() === ''
      ? undefined
      : checkTurn(inTurns(typed), inTurns(adjusterPlate(run.started.plate, adjuster).travel_turns));
  const error = wrong
    ? Number.isNaN(typed)
      ? 'Type turns such as 3/8, 1 1/4 or 0.5.'
      : eventTrouble(wrong, units)
    : undefined;
  const sign = way === 'clockwise' ? 1 : -1;
  return (
    <YStack gap="$3">
      <Choice
        label="Which way"
        value={way}
        onChange={setWay}
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
            onPress={() => setText(turnWord(part))}
          >
            <Strong fontSize="$5">{turnWord(part)}</Strong>
          </Press>
        ))}
      </XStack>
      <Field
        label="Turns"
        value={text}
        onChangeText={setText}
        error={error}
        maxLength={12}
        hint="Whole turns and a fraction: 1 3/8"
      />
      <BigButton
        disabled={text.trim() === '' || error !== undefined}
        onPress={() => onTurned(sign * typed)}
      >
        {text.trim() === '' || error ? 'Turned' : `Turned ${turnWord(typed)} ${way}`}
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
