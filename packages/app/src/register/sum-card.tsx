import { draftSum, targetPath } from '@holvek/core';
import { nameOf } from './fact-field';
import { useWriting, type ValveForm } from './use-valve-form';
import { useUnits } from '@/units/use-units';
import { Card } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { Words } from '@/ui/words';

/** Step to which a figure is written into its field, Pa. */
const SHOWN = 100;

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
  const write = (field: string, kpa: number) =>
    form.setValue(nameOf(`${targetPath(adjuster)}.${field}`), units.withUnit(kpa * 1000, SHOWN), {
      shouldValidate: true,
    });
  const take = () => {
    write('set_point_pa', Math.round(sum.setPoint / 1000));
    // Downwards, and by more than any unit rounds: a limit is never written higher than it may be.
    if (sum.limit !== undefined) write('limit_pa', Math.floor((sum.limit - 2 * SHOWN) / 1000));
  };
  const limit = sum.limit === undefined ? '' : `, never past ${units.withUnit(sum.limit, 1000)}`;
  return (
    <Card>
      <Words>{`By this sum it holds ${units.withUnit(sum.setPoint, 1000)}${limit}.`}</Words>
      <WordButton onPress={take}>take that over</WordButton>
    </Card>
  );
}
