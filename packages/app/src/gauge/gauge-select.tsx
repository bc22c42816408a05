import type { Gauge, GaugeFitness } from '@holvek/core';
import { useUnits } from '@/units/use-units';
import { Card } from '@/ui/card';
import { Choice } from '@/ui/field';
import { Muted, Words } from '@/ui/words';
import { findingWords } from '@/words/trouble';

type GaugeSelectProps = {
  readonly label: string;
  readonly gauges: readonly Gauge[];
  readonly value: string;
  readonly fitness: ((gauge: Gauge) => GaugeFitness) | undefined;
  readonly onChange: (id: string) => void;
};

/** Gauges by how well they suit, the best first; what is wrong with the chosen one is said. */
export function GaugeSelect({ label, gauges, value, fitness, onChange }: GaugeSelectProps) {
  const units = useUnits();
  const chosen = gauges.find(({ id }) => id === value);
  const found = chosen && fitness?.(chosen);
  const rank = { fits: 0, usable: 1, unfit: 2 } as const;
  const sorted = fitness
    ? [...gauges].sort((a, b) => rank[fitness(a).grade] - rank[fitness(b).grade])
    : gauges;
  const isUnfit = found?.grade === 'unfit';
  return (
    <>
      <Choice
        label={label}
        value={value}
        onChange={onChange}
        options={sorted.map((gauge) => {
          const grade = fitness?.(gauge).grade;
          return {
            value: gauge.id,
            name: grade ? `${gauge.tag} ${grade}` : gauge.tag,
            say: grade ? `${gauge.tag} · ${grade}` : gauge.tag,
          };
        })}
      />
      {gauges.length === 0 ? (
        <Muted>None that shows this is in the bag: add it under Gauges.</Muted>
      ) : null}
      {found && found.findings.length > 0 ? (
        <Card tone={isUnfit ? 'stop' : 'warn'}>
          {found.findings.map((finding) => (
            <Words
              key={finding.code}
              color={isUnfit ? '$onVermilionSoft' : '$onBrassSoft'}
            >{`${findingWords(finding, units)}.`}</Words>
          ))}
          <Muted color={isUnfit ? '$onVermilionSoft' : '$onBrassSoft'}>
            {isUnfit ? 'Take another gauge.' : 'It may be used; the sheet will say so.'}
          </Muted>
        </Card>
      ) : null}
    </>
  );
}
