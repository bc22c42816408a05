import {
  parseReading,
  readingDoubt,
  type FamilyFacts,
  type Gauge,
  type AbsolutePressure,
} from '@holvek/core';
import Delete from 'lucide-react-native/icons/delete';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { useLineFigure } from './use-line-figure';
import type { Eye, TypedValue } from './use-reading';
import { useTapping } from '@/desk/use-tapping';
import { useBarometer } from '@/units/use-barometer';
import { useUnits } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';
import { TextInput } from '@/ui/text-input';
import { BigButton, Press } from '@/ui/press';
import { Figure, Muted, Words } from '@/ui/words';
import { eventTrouble, parseTrouble } from '@/words/trouble';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '−', '0', '.'] as const;
/** Always at hand; beside them the unit of the valve and that on the face of the gauge. */
const UNITS = ['kPa', 'bar', 'psi', 'mbar'] as const;

/** Large keys for a reading of a hand-held gauge; any unit may be typed as well. */
export function ReadingPad({
  gauge,
  hint,
  control,
  onTake,
}: {
  readonly gauge: Gauge;
  readonly hint?: string;
  /** Asked with every reading by which something is set: whether the valve rules the gauge. */
  readonly control?: FamilyFacts['control'];
  readonly onTake: (value: TypedValue, eye: Eye) => void;
}) {
  const units = useUnits();
  const { line, text, isOfLine, setTyped, setText } = usePadText(gauge);
  const [unit, setUnit] = useState<string>(units.pressure);
  const read = readTyped(text, unit, useBarometer());
  const tapping = useTapping(gauge);
  const isRead = read !== undefined && 'si' in read;
  const take = (eye: Eye = 'rules') => {
    if (isRead)
      onTake(
        { si: tapping.at(read.si), entered: read.entered, ...(isOfLine ? { isOfLine } : {}) },
        eye,
      );
  };
  return (
    <YStack gap="$3">
      <TextInput
        aria-label={`Reading of ${gauge.tag}`}
        value={text}
        onChangeText={setTyped}
        onSubmitEditing={() => take()}
        inputMode="decimal"
        maxLength={80}
        autoFocus
        fontFamily="$figuresStrong"
        fontSize="$7"
        height={64}
        textAlign="right"
        placeholder={`${gauge.tag}, ${unit}`}
      />
      {line ? (
        <Muted role="status">
          {line.isSettled ? 'By its line, settled' : 'By its line, still moving: wait'}
        </Muted>
      ) : null}
      <WhatItSays read={read} gauge={gauge} hint={hint} />
      <UnitKeys
        units={[...new Set([...UNITS, units.pressure, gauge.unit])]}
        chosen={unit}
        onChoose={setUnit}
      />
      <FigureKeys onChange={setText} />
      <XStack gap="$2">
        <DeleteKey onPress={() => setText((now) => now.slice(0, -1))} />
        <BigButton flex={control ? 4 : 2} onPress={() => take()} disabled={!isRead}>
          {control ? `Take it: ${control.rules}` : 'Take it'}
        </BigButton>
      </XStack>
      {control ? (
        <XStack gap="$2">
          <BigButton flex={1} kind="outline" onPress={() => take('moving')} disabled={!isRead}>
            still moving
          </BigButton>
          <BigButton flex={1} kind="outline" onPress={() => take('does_not')} disabled={!isRead}>
            {control.doesNot}
          </BigButton>
        </XStack>
      ) : null}
    </YStack>
  );
}

function UnitKeys({
  units,
  chosen,
  onChoose,
}: {
  readonly units: readonly string[];
  readonly chosen: string;
  readonly onChoose: (unit: string) => void;
}) {
  return (
    <XStack gap="$2">
      {units.map((each) => (
        <Press
          key={each}
          flex={1}
          onPress={() => onChoose(each)}
          role="radio"
          aria-checked={chosen === each}
          minHeight={44}
          alignItems="center"
          justifyContent="center"
          borderRadius="$2"
          borderWidth={2}
          borderColor={chosen === each ? '$verdigris' : '$line'}
          backgroundColor={chosen === each ? '$lane' : '$card'}
        >
          <Words color={chosen === each ? '$onLane' : '$color'}>{each}</Words>
        </Press>
      ))}
    </XStack>
  );
}

const turnedSign = (text: string): string => (text.startsWith('-') ? text.slice(1) : `-${text}`);

function FigureKeys({
  onChange,
}: {
  readonly onChange: (change: (now: string) => string) => void;
}) {
  return (
    <XStack flexWrap="wrap" gap="$2">
      {KEYS.map((key) => (
        <Press
          key={key}
          width="31.5%"
          minHeight={56}
          alignItems="center"
          justifyContent="center"
          borderRadius="$2"
          backgroundColor="$quiet"
          aria-label={key === '−' ? 'minus' : key}
          onPress={() => onChange(key === '−' ? turnedSign : (now) => now + key)}
        >
          <Figure fontSize="$6" lineHeight="$6">
            {key}
          </Figure>
        </Press>
      ))}
    </XStack>
  );
}

function DeleteKey({ onPress }: { readonly onPress: () => void }) {
  const ink = useInk();
  return (
    <Press
      flex={1}
      minHeight={56}
      alignItems="center"
      justifyContent="center"
      borderRadius="$2"
      backgroundColor="$quiet"
      aria-label="delete last"
      onPress={onPress}
    >
      <Delete size={24} color={ink.color} />
    </Press>
  );
}

/** What was typed comes to: the figure at its tapping, or why it cannot be taken. */
function WhatItSays({
  read,
  gauge,
  hint = 'What does the needle show?',
}: {
  readonly read: Read;
  readonly gauge: Gauge;
  readonly hint: string | undefined;
}) {
  const units = useUnits();
  const tapping = useTapping(gauge);
  const doubt = read && 'si' in read ? readingDoubt(gauge, read.si) : undefined;
  return (
    <YStack minHeight={42}>
      {read === undefined ? (
        <Muted>{hint}</Muted>
      ) : 'error' in read ? (
        <Words color="$vermilion" role="alert">
          {read.error(units)}
        </Words>
      ) : (
        <Figure color={doubt ? '$vermilion' : '$muted'}>
          {doubt
            ? eventTrouble(doubt, units)
            : tapping.at(read.si) === read.si
              ? `= ${units.withUnit(read.si, gauge.resolution_pa)}`
              : `at its tapping ${units.withUnit(tapping.at(read.si), gauge.resolution_pa)}`}
        </Figure>
      )}
    </YStack>
  );
}

/** What stands in the pad: what the line says, until somebody types. */
function usePadText(gauge: Gauge) {
  const line = useLineFigure(gauge);
  const [typed, setTyped] = useState<string>();
  return {
    line,
    text: typed ?? line?.text ?? '',
    isOfLine: typed === undefined && line !== undefined,
    setTyped,
    setText: (change: (now: string) => string) => setTyped((now) => change(now ?? '')),
  };
}

type Read =
  TypedValue | { readonly error: (units: ReturnType<typeof useUnits>) => string } | undefined;

/** Text to gauge pressure; absolute and vacuum go through the site's barometer. */
function readTyped(text: string, unit: string, barometer: AbsolutePressure): Read {
  if (text.trim() === '' || text === '-') return undefined;
  const parsed = parseReading(text, unit, barometer);
  if (!parsed.ok) return { error: (units) => parseTrouble(parsed.error, units) };
  return { si: parsed.value.si, entered: parsed.value.entered };
}
