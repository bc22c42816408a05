import { zodResolver } from '@hookform/resolvers/zod';
import {
  adjustersOf,
  checkPlate,
  isWorkedOut,
  MAIN,
  parseApart,
  parseReading,
  readSum,
  targetOf,
  textsOfSum,
  workedOutFor,
  type SumTexts,
  type Valve,
  type Writing,
} from '@holvek/core';
import { useState } from 'react';
import { useForm, useWatch, type Control, type UseFormSetValue } from 'react-hook-form';
import { z } from 'zod';
import { Refusal } from '@/data/api';
import { useChangeValve } from '@/data/queries';
import { sayOfSum, SumFields, sumTextsSchema, SumWord, takenFrom } from './sum-fields';
import { useUnits, type Units } from '@/units/use-units';
import { useWriting } from '@/units/use-writing';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Choice } from '@/ui/field';
import { FormField } from '@/ui/form-field';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { plateTrouble } from '@/words/plate-trouble';
import { parseTrouble, refusalWords } from '@/words/trouble';

const fields = [
  { name: 'set_point_pa', label: 'Set point' },
  { name: 'tolerance_pa', label: 'Tolerance, either way' },
  { name: 'limit_pa', label: 'Never above' },
] as const;
type Figure = (typeof fields)[number]['name'];
type Texts = Record<Figure | 'why', string> & { readonly sum: SumTexts };

/** A pressure typed in any unit, as Pa; what is wrong with it is the field's message. */
const readText = (name: Figure, text: string, { unit, barometer }: Writing) =>
  name === 'tolerance_pa' ? parseApart(text, unit) : parseReading(text, unit, barometer);
const pressureText = (name: Figure, writing: Writing, units: Units) =>
  z.string().superRefine((text, context) => {
    const parsed = readText(name, text, writing);
    if (!parsed.ok)
      context.addIssue({ code: 'custom', message: parseTrouble(parsed.error, units) });
  });

/** What is typed of a target, and of the sum that it may be worked out by. */
const targetTexts = (writing: Writing, units: Units) =>
  z
    .object({
      set_point_pa: pressureText('set_point_pa', writing, units),
      tolerance_pa: pressureText('tolerance_pa', writing, units),
      limit_pa: pressureText('limit_pa', writing, units),
      why: z.string().trim().min(3, 'Say why: the next visit will ask.').max(400),
      sum: sumTextsSchema,
    })
    .superRefine((texts, context) => sayOfSum(texts, context, writing, units));

/** The target that texts say which the form has let through. */
function targetFrom(texts: Texts, writing: Writing): Valve['target'] {
  const pa = (name: Figure) => {
    const parsed = readText(name, texts[name], writing);
    return parsed.ok ? parsed.value.si : Number.NaN;
  };
  const sum = readSum(texts.sum, writing);
  return {
    set_point_pa: pa('set_point_pa'),
    tolerance_pa: pa('tolerance_pa'),
    limit_pa: pa('limit_pa'),
    why: texts.why.trim(),
    ...(sum.ok && sum.value ? { sum: sum.value } : {}),
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
  const writing = useWriting();
  const change = useChangeValve();
  const specs = adjustersOf(valve.plate);
  const [adjuster, setAdjuster] = useState(MAIN);
  const own = targetOf(valve, adjuster) ?? valve.target;
  const [trouble, setTrouble] = useState<string>();
  const { control, handleSubmit, setValue } = useForm<Texts>({
    resolver: zodResolver(targetTexts(writing, units)),
    values: {
      ...(Object.fromEntries(
        fields.map(({ name }) => [name, units.figure(own[name], own.tolerance_pa / 100)]),
      ) as Record<Figure, string>),
      why: own.why,
      sum: textsOfSum(own.sum, writing),
    },
  });
  const keep = handleSubmit((texts) => {
    const next = withTarget(valve, adjuster, targetFrom(texts, writing));
    const stop = checkPlate(valve.plate, next, writing.rules).find((issue) => issue.stops);
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
      {specs.some((spec) => spec.id === adjuster && isWorkedOut(valve.plate, spec)) ? (
        <TargetSum valve={valve} adjuster={adjuster} control={control} setValue={setValue} />
      ) : null}
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

type SumProps = {
  readonly valve: Valve;
  readonly adjuster: string;
  readonly control: Control<Texts>;
  readonly setValue: UseFormSetValue<Texts>;
};

/** What the target is worked out from, folded away where nothing stands there. */
function TargetSum({ valve, adjuster, control, setValue }: SumProps) {
  const units = useUnits();
  const writing = useWriting();
  const texts = useWatch({ control, name: 'sum' });
  const [isOpen, setOpen] = useState(false);
  const isEmpty = Object.values(texts).every((text) => text.trim() === '');
  if (isEmpty && !isOpen)
    return <WordButton onPress={() => setOpen(true)}>work it out from what it serves</WordButton>;
  const sum = readSum(texts, writing);
  const comes =
    sum.ok && sum.value ? workedOutFor(valve.plate, adjuster, sum.value, writing.rules) : undefined;
  const take = () => {
    if (!comes) return;
    const { set_point_pa: set, limit_pa: limit } = takenFrom(comes, units);
    setValue('set_point_pa', set, { shouldValidate: true });
    if (limit !== undefined) setValue('limit_pa', limit, { shouldValidate: true });
  };
  return (
    <>
      <SumFields control={control} />
      {comes ? <SumWord sum={comes} onTake={take} /> : null}
    </>
  );
}
