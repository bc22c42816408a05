import {
  correctionWords,
  onPlate,
  plateDifference,
  valveSchema,
  type PlateEntry,
  type PlateValue,
  type Run,
  type Valve,
} from '@holvek/core';
import { useState } from 'react';
import { useDesk } from '@/desk/use-desk';
import { useDraftOf, useValveForm } from '@/register/use-valve-form';
import { ValveFields } from '@/register/valve-fields';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { useOnce } from '@/ui/use-once';
import { Words } from '@/ui/words';

/** The valve as this run has it: it can be corrected where the register is not on the phone. */
const valveOf = ({ started }: Run): Valve =>
  valveSchema.parse({
    id: started.valve_id,
    tag: started.valve_tag,
    name: started.valve_name,
    place: '',
    plate: started.plate,
    target: started.target,
    ...(started.other_targets ? { other_targets: started.other_targets } : {}),
  });

/** What the plate that one stands before says otherwise than the register: corrected here, and told on the sheet. */
export function CorrectPlate({ onDone }: { readonly onDone: () => void }) {
  const { run, add, units, trouble } = useDesk();
  const print = { unit: units.pressure, figure: units.figure, pressure: units.withUnit };
  const [before] = useState(() => valveOf(run));
  const [why, setWhy] = useState('');
  const form = useValveForm({ id: before.id, start: useDraftOf(before), before });
  const plate = form.now.valve?.plate;
  const facts = plate ? plateDifference(before.plate, plate) : [];
  const keep = useOnce(async () => {
    const said = facts.map(({ path, value }) => ({ path, value: value as PlateValue }));
    if (await add({ type: 'plate_corrected', facts: said, why: why.trim() })) onDone();
  });
  return (
    <>
      <Words>
        What stands here is what this run goes by. Change what the plate says otherwise: it is told
        on the sheet with both figures, and goes to the register with it.
      </Words>
      <ValveFields form={form} part="plate" />
      <Field label="Where you see it" value={why} onChangeText={setWhy} maxLength={400} />
      {plate
        ? correctionWords(plate, told(before, facts), print).map((line) => (
            <Words key={line} role="status">
              {line}
            </Words>
          ))
        : null}
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <BigButton
        disabled={facts.length === 0 || why.trim() === ''}
        onPress={() => void keep()}
        testID="correct-plate"
      >
        {facts.length === 0 ? 'Nothing differs yet' : 'So says the plate'}
      </BigButton>
    </>
  );
}

/** What differs, with what this run has gone by so far. */
const told = ({ plate }: Valve, facts: readonly PlateEntry[]) =>
  facts.map(({ path, value: is }) => ({ path, was: onPlate(plate, path), is }));
