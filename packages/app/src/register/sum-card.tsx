import { draftSum, targetPath } from '@holvek/core';
import { nameOf } from './fact-field';
import type { ValveForm } from './use-valve-form';
import { useUnits } from '@/units/use-units';
import { useWriting } from '@/units/use-writing';
import { SumWord, takenFrom } from '@/valve/sum-fields';

/** What a target comes to by what its neediest point wants, and one press to take it over. */
export function SumCard({
  form,
  adjuster,
}: {
  readonly form: ValveForm;
  readonly adjuster: string;
}) {
  const units = useUnits();
  const sum = draftSum(form.draft, adjuster, useWriting());
  if (!sum) return null;
  const take = () => {
    for (const [field, text] of Object.entries(takenFrom(sum, units)))
      form.setValue(nameOf(`${targetPath(adjuster)}.${field}`), text, { shouldValidate: true });
  };
  return <SumWord sum={sum} onTake={take} />;
}
