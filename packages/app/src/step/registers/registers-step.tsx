import {
  fromCounts,
  intervalFor,
  logDays,
  pilotOf,
  registerOf,
  registersView,
  toCounts,
  type RegisterKey,
  type RegisterState,
  type StepOf,
} from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { CausesButton } from '../parts/causes-sheet';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/desk/use-desk';
import { writeRegister } from '@/device/registers';
import { useKeys } from '@/ui/use-keys';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card, Pill } from '@/ui/card';
import { Field } from '@/ui/field';
import { BigButton, Press, WordButton } from '@/ui/press';
import { useNow } from '@/ui/use-now';
import { Muted, Spoken, Strong, Words } from '@/ui/words';
import { deviceTrouble, readRegisterText, registerWords } from '@/device/device-words';

/** What the unit can hold: a value rounded to its counts. */
const asHeld = (key: RegisterKey, value: number): number => {
  const register = registerOf(key);
  const counts = toCounts(register, value);
  return counts.ok ? fromCounts(register, counts.value) : value;
};

/** What the registers hold, and the two ways of writing them: over the line, or keyed in. */
function useRegisters(step: StepOf<'registers'>) {
  const { run, add, ask, units } = useDesk();
  const now = useNow();
  const [isBusy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const set = (key: RegisterKey, value: number, source: 'typed' | 'linked') =>
    add({ type: 'register_set', step_id: step.id, register: key, value, source });
  const writeAll = async () => {
    if (!ask || isBusy) return;
    setBusy(true);
    setTrouble(undefined);
    for (const { key, wanted } of registersView(run, step, Date.now())) {
      const held = await writeRegister(ask, key, wanted);
      if (!held.ok) {
        setTrouble(deviceTrouble(held.error, units));
        break;
      }
      if (!(await set(key, held.value, 'linked'))) break;
    }
    setBusy(false);
  };
  const keyedIn = async () => {
    for (const { key, wanted } of registersView(run, step, Date.now()))
      if (!(await set(key, asHeld(key, wanted), 'typed'))) return;
  };
  return { rows: registersView(run, step, now), isBusy, trouble, set, writeAll, keyedIn };
}

/** Registers of an electronic pilot: written over its line and read back, or keyed in and read off. */
export function RegistersStep({ step }: { readonly step: StepOf<'registers'> }) {
  const { add, ask } = useDesk();
  const { rows, isBusy, trouble, set, writeAll, keyedIn } = useRegisters(step);
  const [other, setOther] = useState<RegisterState>();
  const isRight = rows.every((row) => row.isRight);
  const done = () => void add({ type: 'step_done', step_id: step.id });
  const act = () => (isRight ? done() : ask ? void writeAll() : void keyedIn());
  useKeys({ n: act });
  const overLine = isBusy
    ? 'Writing'
    : `Write ${rows.length === 1 ? 'it' : `all ${rows.length}`}, read back`;
  const writeWord = ask ? overLine : 'Keyed in, shown as here';
  return (
    <StepFrame
      actions={
        <BigButton
          flex={1}
          kind={isRight ? 'primary' : 'brass'}
          disabled={isBusy}
          onPress={act}
          keyHint="N"
          testID={isRight ? 'confirm-step' : 'write-registers'}
        >
          {isRight ? 'Read back right: next' : writeWord}
        </BigButton>
      }
      more={
        <>
          <CausesButton say="it doesn’t obey" />
          {ask && !isRight ? (
            <WordButton onPress={() => void keyedIn()}>keyed in by hand</WordButton>
          ) : null}
        </>
      }
    >
      {trouble ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">{trouble}</Words>
        </Card>
      ) : null}
      <Card gap="$0">
        {rows.map((row, i) => (
          <RegisterRow
            key={row.key}
            row={row}
            isLast={i === rows.length - 1}
            onOther={() => setOther(row)}
          />
        ))}
      </Card>
      <Reason keys={step.registers} />
      <BottomSheet
        isOpen={other !== undefined}
        title="What does it show?"
        onClose={() => setOther(undefined)}
      >
        {other ? (
          <OtherValue
            row={other}
            onTake={(value) => void set(other.key, value, 'typed').then(() => setOther(undefined))}
          />
        ) : null}
      </BottomSheet>
    </StepFrame>
  );
}

function RegisterRow({
  row: { key, wanted, value, isRight },
  isLast,
  onOther,
}: {
  readonly row: RegisterState;
  readonly isLast: boolean;
  readonly onOther: () => void;
}) {
  const { units } = useDesk();
  const { name, address } = registerOf(key);
  return (
    <Press
      onPress={onOther}
      paddingVertical="$2"
      minHeight="$touch"
      justifyContent="center"
      borderBottomWidth={isLast ? 0 : 1}
      borderColor="$line"
    >
      <XStack justifyContent="space-between" alignItems="center" gap="$3">
        <YStack flexShrink={1}>
          <Words>{name}</Words>
          <Muted fontFamily="$figures">{String(address).padStart(5, '0')}</Muted>
        </YStack>
        <YStack alignItems="flex-end" gap="$1">
          <Spoken>should hold</Spoken>
          <Strong fontSize="$5">{registerWords(key, wanted, units)}</Strong>
          {value === undefined ? (
            <Muted>not written yet</Muted>
          ) : (
            <Pill tone={isRight ? 'good' : 'stop'}>
              {isRight ? 'read back right' : `shows ${registerWords(key, value, units)}`}
            </Pill>
          )}
        </YStack>
      </XStack>
    </Press>
  );
}

/** Why these values: what the trims make good, how long the card lasts. */
function Reason({ keys }: { readonly keys: readonly RegisterKey[] }) {
  const { run } = useDesk();
  const plate = pilotOf(run);
  const months = run.started.house_rules.months_between_visits;
  if (keys.includes('log_interval')) {
    const interval = intervalFor(plate, months);
    const days = Math.floor(logDays({ card_bytes: plate.card_bytes, interval_s: interval }));
    const asked = Math.floor(
      logDays({ card_bytes: plate.card_bytes, interval_s: plate.log_interval_s }),
    );
    return (
      <Words color="$muted" testID="card-lasts">
        {interval > plate.log_interval_s
          ? `At the plate’s ${plate.log_interval_s} s the card is full after ${asked} ` +
            `days, before the next visit. At ${interval} s it lasts ${days}.`
          : `At ${interval} s the card lasts ${days} days; the next visit is due in ${months} months.`}
      </Words>
    );
  }
  if (keys.includes('trim_zero'))
    return (
      <Words color="$muted">
        Worked out from the five points as found: zero is added first, then span multiplies. Read
        again afterwards.
      </Words>
    );
  return null;
}

/** Another value than it should hold, as the unit shows it. */
function OtherValue({
  row,
  onTake,
}: {
  readonly row: RegisterState;
  readonly onTake: (value: number) => void;
}) {
  const { units } = useDesk();
  const [text, setText] = useState('');
  const { codes, name } = registerOf(row.key);
  if (codes)
    return (
      <YStack gap="$2">
        {Object.entries(codes).map(([code, say]) => (
          <BigButton key={code} kind="outline" onPress={() => onTake(Number(code))}>
            {say}
          </BigButton>
        ))}
      </YStack>
    );
  const value = readRegisterText(row.key, text, units);
  return (
    <YStack gap="$3">
      <Muted>{`It should hold ${registerWords(row.key, row.wanted, units)}.`}</Muted>
      <Field
        label={name}
        value={text}
        onChangeText={setText}
        error={
          text === '' || value !== undefined
            ? undefined
            : `Such as ${registerWords(row.key, row.wanted, units)}.`
        }
        maxLength={20}
      />
      <BigButton
        disabled={value === undefined}
        onPress={() => value !== undefined && onTake(asHeld(row.key, value))}
      >
        It shows this
      </BigButton>
    </YStack>
  );
}
