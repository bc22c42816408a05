import { zodResolver } from '@hookform/resolvers/zod';
import {
  adjustersOf,
  checkPlate,
  MAIN,
  parseApart,
  parseReading,
  targetOf,
  type Valve,
  type AbsolutePressure,
} from '@holvek/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { Refusal } from '@/data/api';
import { useChangeValve } from '@/data/queries';
import { useBarometer } from '@/units/use-barometer';
import { useUnits, type Units } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Choice } from '@/ui/field';
import { FormField } from '@/ui/form-field';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { plateTrouble } from '@/words/plate-trouble';
import { parseTrouble, refusalWords } from '@/words/trouble';

const fields = [
  { name: 'set_point_pa', label: 'Set point' },
  { name: 'tolerance_pa', label: 'Tolerance, either way' },
  { name: 'limit_pa', label: 'Never above' },
] as const;
type Texts = Record<(typeof fields)[number]['name'] | 'why', string>;

/** A pressure typed in any unit, as Pa; what is wrong with it is the field's message. */
const readText = (name: keyof Texts, text: string, units: Units, barometer: AbsolutePressure) =>
  name === 'tolerance_pa'
    ? parseApart(text, units.pressure)
    : parseReading(text, units.pressure, barometer);
const pressureText = (name: keyof Texts, units: Units, barometer: AbsolutePressure) =>
  z.string().superRefine((text, context) => {
    const parsed = readText(name, text, units, barometer);
    if (!parsed.ok)
      context.addIssue({ code: 'custom', message: parseTrouble(parsed.error, units) });
  });

type Read = { readonly units: Units; readonly barometer: AbsolutePressure };

/** The target that texts say which the form has let through. */
function targetFrom(
  texts: Texts,
  { sum }: Valve['target'],
  { units, barometer }: Read,
): Valve['target'] {
  const pa = (name: (typeof fields)[number]['name']) => {
    const parsed = readText(name, texts[name], units, barometer);
    return parsed.ok ? parsed.value.si : Number.NaN;
  };
  return {
    set_point_pa: pa('set_point_pa'),
    tolerance_pa: pa('tolerance_pa'),
    limit_pa: pa('limit_pa'),
    why: texts.why.trim(),
    ...(sum ? { sum } : {}),
  };
}

const withTarget = (valve: Valve, adjuster: string, target: Valve['target']): Valve =>
  adjuster === MAIN
    ? { ...valve, target }
    : { ...valve, other_targets: { ...valve.other_targets, [adjuster]: target } };

/** What the valve must hold and why: a number without a reason is not kept. */
export function TargetSheet({
  valve,
  isOpen,
  onClose,
}: {
  readonly valve: Valve;
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const units = useUnits();
  const barometer = useBarometer();
  const change = useChangeValve();
  const specs = adjustersOf(valve.plate);
  const [adjuster, setAdjuster] = useState(MAIN);
  const own = targetOf(valve, adjuster) ?? valve.target;
  const [trouble, setTrouble] = useState<string>();
  const schema = z.object({
    set_point_pa: pressureText('set_point_pa', units, barometer),
    tolerance_pa: pressureText('tolerance_pa', units, barometer),
    limit_pa: pressureText('limit_pa', units, barometer),
    why: z.string().trim().min(3, 'Say why: the next visit will ask.').max(400),
  });
  const { control, handleSubmit } = useForm<Texts>({
    resolver: zodResolver(schema),
    values: {
      ...(Object.fromEntries(
        fields.map(({ name }) => [name, units.figure(own[name], own.tolerance_pa / 100)]),
      ) as Texts),
      why: own.why,
    },
  });
  const keep = handleSubmit((texts) => {
    const next = withTarget(valve, adjuster, targetFrom(texts, own, { units, barometer }));
    const stop = checkPlate(valve.plate, next).find((issue) => issue.stops);
    if (stop) return setTrouble(plateTrouble(stop, units));
    setTrouble(undefined);
    change.mutate(next, {
      onSuccess: onClose,
      onError: (error) =>
        setTrouble(
          error instanceof Refusal
            ? refusalWords(error.code)
            : 'The server cannot be reached. The old target stands.',
        ),
    });
  });
  return (
    <BottomSheet isOpen={isOpen} title={`Target of ${valve.tag}`} onClose={onClose}>
      {specs.length > 1 ? (
        <Choice
          label="Adjuster"
          value={adjuster}
          onChange={setAdjuster}
          options={specs.map(({ id, name }) => ({ value: id, say: name }))}
        />
      ) : null}
      {fields.map(({ name, label }) => (
        <FormField
          key={name}
          name={name}
          label={label}
          control={control}
          unit={units.pressure}
          numeric
        />
      ))}
      <FormField name="why" label="Why" control={control} maxLength={400} />
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <Muted>The maker’s plate and local code outrank this.</Muted>
      <BigButton onPress={() => void keep()}>Keep this target</BigButton>
    </BottomSheet>
  );
}
