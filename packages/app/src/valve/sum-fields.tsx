import { readSum, sumFields, type SumTexts, type WorkedOut, type Writing } from '@holvek/core';
import type { Control, FieldValues, Path } from 'react-hook-form';
import { z } from 'zod';
import { useUnits, type Units } from '@/units/use-units';
import { Card } from '@/ui/card';
import { FormField } from '@/ui/form-field';
import { WordButton } from '@/ui/press';
import { Words } from '@/ui/words';
import { draftTrouble } from '@/words/draft-trouble';

/** The parts of a sum in a form, under `sum`. */
export const sumTextsSchema = z.object(
  Object.fromEntries(sumFields.map(([field]) => [field, z.string()])),
) as unknown as z.ZodType<SumTexts, SumTexts>;

/** Says of each part of a form’s sum what is wrong with it. */
export function sayOfSum(
  { sum }: { readonly sum: SumTexts },
  { addIssue }: Pick<z.core.$RefinementCtx, 'addIssue'>,
  writing: Writing,
  units: Units,
): void {
  const read = readSum(sum, writing);
  if (read.ok) return;
  for (const { field, error } of read.error)
    addIssue({ code: 'custom', path: ['sum', field], message: draftTrouble(error, units) });
}

/** What the neediest point wants and the lowest bears: the parts that a pressure is worked out from. */
export function SumFields<T extends FieldValues & { readonly sum: SumTexts }>({
  control,
}: {
  readonly control: Control<T>;
}) {
  const { pressure } = useUnits();
  return sumFields.map(([field, { kind, label, why }]) => (
    <FormField
      key={field}
      control={control}
      name={`sum.${field}` as Path<T>}
      label={label}
      unit={kind === 'figure' ? 'm' : pressure}
      numeric
      {...(why === undefined ? {} : { hint: why })}
    />
  ));
}

/** Step to which a figure is written into its field, Pa. */
const SHOWN = 100;

/** Set point and limit of a sum as they are written into their fields. */
export const takenFrom = (
  { setPoint, limit }: WorkedOut,
  units: Units,
): { readonly set_point_pa: string; readonly limit_pa?: string } => {
  const write = (kpa: number) => units.withUnit(kpa * 1000, SHOWN);
  return {
    set_point_pa: write(Math.round(setPoint / 1000)),
    // Downwards, and by more than any unit rounds: a limit is never written higher than it may be.
    ...(limit === undefined ? {} : { limit_pa: write(Math.floor((limit - 2 * SHOWN) / 1000)) }),
  };
};

/** What a sum comes to, and one press to take it over. */
export function SumWord({
  sum: { setPoint, limit },
  onTake,
}: {
  readonly sum: WorkedOut;
  readonly onTake: () => void;
}) {
  const units = useUnits();
  const most = limit === undefined ? '' : `, never past ${units.withUnit(limit, 1000)}`;
  return (
    <Card>
      <Words>{`By this sum it holds ${units.withUnit(setPoint, 1000)}${most}.`}</Words>
      <WordButton onPress={onTake}>take that over</WordButton>
    </Card>
  );
}
