import {
  adjustersOf,
  families,
  isInstrument,
  lineDensityOf,
  type Gauge,
  type GaugeRole,
  type Valve,
} from '@holvek/core';
import { useState } from 'react';
import { useDesk } from '@/desk/use-desk';
import { useGauges, useValves } from '@/data/queries';
import { fitnessFor, ofItsKind } from '@/gauge/gauge-choice';
import { GaugeSelect } from '@/gauge/gauge-select';
import { HeightField, hungAt } from '@/gauge/height-field';
import { Choice } from '@/ui/field';
import { today } from '@/ui/local-day';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';

/** Another gauge in the middle of the work: which side, which gauge, how high it hangs. */
export function SwapGauge({ onDone }: { readonly onDone: () => void }) {
  const { run } = useDesk();
  const valve = useValves().data?.find(({ id }) => id === run.started.valve_id);
  const gauges = useGauges().data;
  if (!valve || !gauges) return <Words>The register is not on this phone yet.</Words>;
  return <SwapForm valve={valve} gauges={ofItsKind(gauges, valve)} onDone={onDone} />;
}

type FormProps = {
  readonly valve: Valve;
  readonly gauges: readonly Gauge[];
  readonly onDone: () => void;
};

function SwapForm({ valve, gauges, onDone }: FormProps) {
  const { add, run } = useDesk();
  const { plate, house_rules: rules } = run.started;
  const roles = Object.keys(run.gauges) as GaugeRole[];
  const [role, setRole] = useState<GaugeRole>(roles[0] ?? 'outlet');
  const [chosen, setChosen] = useState<string>();
  const [height, setHeight] = useState<string>();
  const taken = new Set(Object.values(run.gauges).map(({ id }) => id));
  const free = gauges.filter(({ id }) => !taken.has(id));
  const judges = isInstrument(plate) || adjustersOf(plate).some((each) => each.role === role);
  const fitness = (gauge: Gauge) => fitnessFor(gauge, valve, role, { rules, today: today() });
  const gauge = hungAt(
    free.find(({ id }) => id === chosen),
    height,
  );
  const isUnfit = gauge !== undefined && judges && fitness(gauge).grade === 'unfit';
  const isWeighed = lineDensityOf(plate) > 0 && !(isInstrument(plate) && role === 'inlet');
  const swap = () =>
    gauge && void add({ type: 'gauge_swapped', role, gauge }).then((done) => done && onDone());
  return (
    <>
      <Words>
        {`${run.gauges[role]?.tag ?? 'None'} comes off. What it read stays its own; read as found once ` +
          'more where the new one says otherwise.'}
      </Words>
      {roles.length > 1 ? (
        <Choice
          label="Which one"
          value={role}
          onChange={(side) => {
            setRole(side);
            setChosen(undefined);
          }}
          options={roles.map((side) => ({
            value: side,
            say: `${families[plate.family].gauges[side] ?? side}, ${run.gauges[side]?.tag ?? ''}`,
          }))}
        />
      ) : null}
      <GaugeSelect
        label="The gauge that goes on"
        gauges={free}
        value={chosen ?? ''}
        fitness={judges ? fitness : undefined}
        onChange={setChosen}
      />
      {isWeighed ? <HeightField gauge={gauge} text={height} onChange={setHeight} /> : null}
      <BigButton disabled={gauge === undefined || isUnfit} onPress={swap} testID="swap-gauge">
        {gauge ? `${gauge.tag} is on` : 'It is on'}
      </BigButton>
    </>
  );
}
