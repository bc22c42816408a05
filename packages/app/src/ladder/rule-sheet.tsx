import { parseDifference, parsePressure, ruleSources, type Rule, type System } from '@holvek/core';
import { useState } from 'react';
import { idFor } from './rung-sheet';
import { sourceWord } from './ladder-words';
import { useBarometer } from '@/units/use-barometer';
import { useUnits } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Choice, Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { parseTrouble } from '@/words/trouble';

type Props = {
  readonly system: System;
  readonly rule: Rule | 'new' | undefined;
  readonly onChange: (system: System) => void;
  readonly onClose: () => void;
};

/** One rule between pressures: its kind, its figures, its reason and where it comes from. */
export function RuleSheet({ rule, onClose, ...props }: Props) {
  return (
    <BottomSheet
      isOpen={rule !== undefined}
      title={rule === 'new' ? 'New rule' : 'Change rule'}
      onClose={onClose}
    >
      {rule ? (
        <RuleForm key={rule === 'new' ? 'new' : rule.id} rule={rule} onClose={onClose} {...props} />
      ) : null}
    </BottomSheet>
  );
}

const kinds: readonly { readonly value: Rule['kind']; readonly say: string }[] = [
  { value: 'above_by', say: 'at least above, by' },
  { value: 'between', say: 'between' },
  { value: 'at_most', say: 'at most' },
  { value: 'at_least', say: 'at least' },
  { value: 'fixed', say: 'fixed' },
];
const extras = [
  { value: 'none', say: 'tolerances alone' },
  { value: 'lockup', say: 'and lockup' },
  { value: 'accumulation', say: 'and accumulation' },
] as const;
type Extra = (typeof extras)[number]['value'];

const first = (rule: Rule): string => (rule.kind === 'above_by' ? rule.high : rule.rung);
const second = (rule: Rule): string =>
  rule.kind === 'above_by' ? rule.low : rule.kind === 'between' ? rule.base : '';
const figure = (rule: Rule): number =>
  rule.kind === 'above_by' ? rule.by_pa : rule.kind === 'between' ? rule.least_pa : rule.pa;
const extraOf = (rule: Rule): Extra =>
  'counts_lockup' in rule && rule.counts_lockup
    ? 'lockup'
    : 'counts_accumulation' in rule && rule.counts_accumulation
      ? 'accumulation'
      : 'none';

function RuleForm({ system, rule, onChange, onClose }: Props & { readonly rule: Rule | 'new' }) {
  const units = useUnits();
  const known = rule === 'new' ? undefined : rule;
  const { rungs } = system;
  const [kind, setKind] = useState<Rule['kind']>(known?.kind ?? 'above_by');
  const [a, setA] = useState(known ? first(known) : (rungs[0]?.id ?? ''));
  const [b, setB] = useState(known ? second(known) : (rungs[1]?.id ?? ''));
  const [low, setLow] = useState(known ? units.figure(figure(known), 100) : '');
  const [high, setHigh] = useState(
    known?.kind === 'between' ? units.figure(known.most_pa, 100) : '',
  );
  const [extra, setExtra] = useState<Extra>(known ? extraOf(known) : 'none');
  const [why, setWhy] = useState(known?.why ?? '');
  const [from, setFrom] = useState<Rule['from']>(known?.from ?? 'own');
  const barometer = useBarometer();
  const isPair = kind === 'above_by' || kind === 'between';
  // Between two rungs stands a difference; one rung alone stands at a pressure.
  const read = (text: string) =>
    isPair ? parseDifference(text, units.pressure) : parsePressure(text, units.pressure, barometer);
  const [l, h] = [read(low), read(high)];
  const canCount = kind === 'above_by' || kind === 'at_most';
  const isUpsideDown = kind === 'between' && l.ok && h.ok && l.value.si > h.value.si;
  const isSound =
    l.ok &&
    (kind !== 'between' || (h.ok && !isUpsideDown)) &&
    (!isPair || a !== b) &&
    why.trim().length > 2;
  const names = rungs.map(({ id, name }) => ({ value: id, say: name }));
  const keep = () => {
    if (!l.ok) return;
    const base = {
      id:
        known?.id ??
        idFor(
          why,
          system.rules.map(({ id }) => id),
        ),
      why: why.trim(),
      from,
    };
    const counts =
      extra === 'none' || !canCount
        ? {}
        : extra === 'lockup'
          ? { counts_lockup: true }
          : { counts_accumulation: true };
    const pa = l.value.si;
    const next: Rule =
      kind === 'above_by'
        ? { ...base, kind, high: a, low: b, by_pa: pa, ...counts }
        : kind === 'between'
          ? { ...base, kind, rung: a, base: b, least_pa: pa, most_pa: h.ok ? h.value.si : pa }
          : kind === 'at_most'
            ? { ...base, kind, rung: a, pa, ...counts }
            : { ...base, kind, rung: a, pa };
    onChange({
      ...system,
      rules: known
        ? system.rules.map((each) => (each.id === known.id ? next : each))
        : [...system.rules, next],
    });
    onClose();
  };
  return (
    <>
      <Choice label="Kind" value={kind} onChange={setKind} options={kinds} />
      <Choice label={isPair ? 'This one' : 'Which'} value={a} onChange={setA} options={names} />
      {isPair ? (
        <Choice
          label={kind === 'between' ? 'over this one' : 'stands above this one'}
          value={b}
          onChange={setB}
          options={names}
        />
      ) : null}
      <Field
        label={kind === 'between' ? 'Least' : isPair ? 'By' : 'Pressure'}
        unit={units.pressure}
        value={low}
        onChangeText={setLow}
        numeric
        error={low.trim() === '' || l.ok ? undefined : parseTrouble(l.error, units)}
      />
      {kind === 'between' ? (
        <Field
          label="Most"
          unit={units.pressure}
          value={high}
          onChangeText={setHigh}
          numeric
          error={
            isUpsideDown
              ? 'Most must not be under least'
              : high.trim() === '' || h.ok
                ? undefined
                : parseTrouble(h.error, units)
          }
        />
      ) : null}
      {canCount ? (
        <Choice label="Counting" value={extra} onChange={setExtra} options={extras} />
      ) : null}
      <Field
        label="Why"
        value={why}
        onChangeText={setWhy}
        maxLength={400}
        hint="In words that the next person understands."
      />
      <Choice
        label="Where it comes from"
        value={from}
        onChange={setFrom}
        options={ruleSources.map((value) => ({ value, say: sourceWord[value] }))}
      />
      <BigButton disabled={!isSound} onPress={keep}>
        Keep this rule
      </BigButton>
      {known ? (
        <WordButton
          tone="$vermilion"
          onPress={() => {
            onChange({ ...system, rules: system.rules.filter(({ id }) => id !== known.id) });
            onClose();
          }}
        >
          take this rule out
        </WordButton>
      ) : null}
    </>
  );
}
