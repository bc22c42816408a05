import {
  parseDifference,
  parsePressure,
  rungKinds,
  type Rung,
  type RungKind,
  type System,
} from '@holvek/core';
import { useState } from 'react';
import { kindWord } from './ladder-words';
import { useValves } from '@/data/queries';
import { useBarometer } from '@/units/use-barometer';
import { useUnits } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Choice, Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { Words } from '@/ui/words';
import { parseTrouble } from '@/words/trouble';

type Props = {
  readonly system: System;
  readonly rung: Rung | 'new' | undefined;
  readonly onChange: (system: System) => void;
  readonly onClose: () => void;
};

/** One pressure of the system: what it is, what feeds it, what was found, which valve holds it. */
export function RungSheet({ rung, onClose, ...props }: Props) {
  return (
    <BottomSheet
      isOpen={rung !== undefined}
      title={rung === 'new' ? 'New rung' : (rung?.name ?? '')}
      onClose={onClose}
    >
      {rung ? (
        <RungForm key={rung === 'new' ? 'new' : rung.id} rung={rung} onClose={onClose} {...props} />
      ) : null}
    </BottomSheet>
  );
}

/** Names become ids that a file can carry; a number is added where the id is taken. */
export function idFor(name: string, taken: readonly string[]): string {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/gu, '_')
      .replace(/^_|_$/gu, '')
      .slice(0, 40) || 'rung';
  let id = plain;
  for (let n = 2; taken.includes(id); n++) id = `${plain}_${n}`;
  return id;
}

function RungForm({ system, rung, onChange, onClose }: Props & { readonly rung: Rung | 'new' }) {
  const units = useUnits();
  const valves = useValves().data ?? [];
  const known = rung === 'new' ? undefined : rung;
  const [name, setName] = useState(known?.name ?? '');
  const [kind, setKind] = useState<RungKind>(known?.kind ?? 'reducing');
  const [feeder, setFeeder] = useState(known?.fed_by ?? '');
  const [tolerance, setTolerance] = useState(known ? units.figure(known.tolerance_pa, 100) : '0');
  const [found, setFound] = useState(
    known?.found_pa === undefined ? '' : units.figure(known.found_pa, 100),
  );
  const [valve, setValve] = useState(known?.valve_id ?? '');
  const t = parseDifference(tolerance, units.pressure);
  const f = parsePressure(found, units.pressure, useBarometer());
  const others = system.rungs.filter(({ id }) => id !== known?.id);
  const isTaken = others.some(
    (other) => other.name.trim().toLowerCase() === name.trim().toLowerCase(),
  );
  const isSound = name.trim() !== '' && !isTaken && t.ok && (found.trim() === '' || f.ok);
  const keep = () => {
    const {
      fed_by: _f,
      found_pa: _p,
      valve_id: _v,
      ...rest
    } = known ??
    ({
      id: idFor(
        name,
        others.map(({ id }) => id),
      ),
    } as Rung);
    const next: Rung = {
      ...rest,
      name: name.trim(),
      kind,
      tolerance_pa: t.ok ? Math.max(0, t.value.si) : 0,
      ...(feeder ? { fed_by: feeder } : {}),
      ...(found.trim() !== '' && f.ok ? { found_pa: f.value.si } : {}),
      ...(valve ? { valve_id: valve, adjuster: known?.adjuster ?? 'main' } : {}),
    };
    onChange({
      ...system,
      rungs: known
        ? system.rungs.map((each) => (each.id === known.id ? next : each))
        : [...system.rungs, next],
    });
    onClose();
  };
  const remove = () => {
    if (!known) return;
    const names = (rule: System['rules'][number]) => JSON.stringify(rule).includes(`"${known.id}"`);
    onChange({
      ...system,
      rungs: others.map(({ fed_by: from, ...each }) =>
        from === undefined || from === known.id ? each : { ...each, fed_by: from },
      ),
      rules: system.rules.filter((rule) => !names(rule)),
    });
    onClose();
  };
  return (
    <>
      <Field
        label="Name"
        value={name}
        onChangeText={setName}
        maxLength={80}
        error={isTaken ? 'Another rung has this name' : undefined}
      />
      <Choice
        label="What it is"
        value={kind}
        onChange={setKind}
        options={rungKinds.map((value) => ({ value, say: kindWord[value] }))}
      />
      <Choice
        label="Fed by"
        value={feeder}
        onChange={setFeeder}
        options={[
          { value: '', say: 'nothing: a source' },
          ...others.map(({ id, name: say }) => ({ value: id, say })),
        ]}
      />
      <Field
        label="Tolerance, either way"
        unit={units.pressure}
        value={tolerance}
        onChangeText={setTolerance}
        numeric
        error={t.ok ? undefined : parseTrouble(t.error, units)}
      />
      <Field
        label="Found at"
        unit={units.pressure}
        value={found}
        onChangeText={setFound}
        numeric
        hint="Empty when it was not read."
        error={found.trim() === '' || f.ok ? undefined : parseTrouble(f.error, units)}
      />
      <Choice
        label="Held by"
        value={valve}
        onChange={setValve}
        options={[
          { value: '', say: 'no valve of the register' },
          ...valves.map(({ id, tag }) => ({ value: id, say: tag })),
        ]}
      />
      <BigButton disabled={!isSound} onPress={keep}>
        Keep this rung
      </BigButton>
      {known ? (
        <>
          <WordButton tone="$vermilion" onPress={remove}>
            take this rung out
          </WordButton>
          <Words color="$muted">Rules that name it go with it.</Words>
        </>
      ) : null}
    </>
  );
}
