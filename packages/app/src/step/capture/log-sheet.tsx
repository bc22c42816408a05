import type { RampFinding, StepOf } from '@holvek/core';
import { ChooseLog, LogCard } from '../parts/choose-log';
import type { Units } from '@/units/use-units';
import { useDesk } from '@/desk/use-desk';
import type { LogReport } from '@/log/log.worker';
import { useLog } from '@/log/use-log';
import { Row } from '@/ui/card';
import { BigButton } from '@/ui/press';

/** A log of time and pressure, dropped in and taken over as marks. */
export function LogSheet({
  step,
  onClose,
}: {
  readonly step: StepOf<'capture'>;
  readonly onClose: () => void;
}) {
  const { run, add } = useDesk();
  const gauge = run.gauges[step.role];
  const log = useLog<LogReport>(gauge?.resolution_pa ?? 1000, (worker, ...asked) =>
    worker.read(...asked),
  );
  const keep = async (report: Extract<LogReport, { ok: true }>) => {
    const cycles = cyclesOf(report.findings);
    if (
      await add({
        type: 'log_taken',
        step_id: step.id,
        ...report.file,
        samples: report.chart.map(([t, pa]) => [t, pa]),
        cycles,
      })
    )
      onClose();
  };
  return (
    <ChooseLog
      log={log}
      found={(report: Extract<LogReport, { ok: true }>) => (
        <Found report={report} resolution={gauge?.resolution_pa} onKeep={() => void keep(report)} />
      )}
    />
  );
}

/** What stands in the log: its trace, where the valve cracked and shut, what could not be read. */
function Found({
  report,
  resolution,
  onKeep,
}: {
  readonly report: Extract<LogReport, { ok: true }>;
  readonly resolution: number | undefined;
  readonly onKeep: () => void;
}) {
  const { units } = useDesk();
  return (
    <LogCard report={report}>
      {report.findings.map((finding) => (
        <Row key={finding.t} label={finding.kind === 'up' ? 'Cracks at' : 'Reseats at'}>
          {findingWords(finding, units, resolution)}
        </Row>
      ))}
      <BigButton onPress={onKeep} testID="keep-log">
        Take these over
      </BigButton>
    </LogCard>
  );
}

/** "482 kPa, nine in ten between 479 and 483". */
function findingWords({ pressure, low, high }: RampFinding, units: Units, resolution?: number) {
  const [from, to] = [low, high].map((each) => units.figure(each, resolution));
  return `${units.withUnit(pressure, resolution)}, nine in ten between ${from} and ${to}`;
}

/** Up-ramps crack, the next down-ramp reseats: one cycle. */
function cyclesOf(findings: readonly RampFinding[]) {
  const cycles: { cracked?: number; full_flow?: number; reseated?: number; sure: number }[] = [];
  for (const { kind, pressure, fullFlow, sure } of findings) {
    const last = cycles.at(-1);
    if (kind === 'up')
      cycles.push({
        cracked: pressure,
        ...(fullFlow === undefined ? {} : { full_flow: fullFlow }),
        sure,
      });
    else if (last && last.reseated === undefined)
      Object.assign(last, { reseated: pressure, sure: Math.min(last.sure, sure) });
    else cycles.push({ reseated: pressure, sure });
  }
  return cycles.slice(0, 50);
}
