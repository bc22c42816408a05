import { printCount, type RampFinding, type StepOf } from '@holvek/core';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { TraceChart } from '../parts/trace-chart';
import type { Units } from '@/units/use-units';
import { useBarometer } from '@/units/use-barometer';
import { useDesk } from '@/desk/use-desk';
import { openLogWorker } from '@/log/client';
import type { LogReport } from '@/log/log.worker';
import { Card, Row } from '@/ui/card';
import { pickFile } from '@/ui/files';
import { Choice } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';
import { logTrouble } from '@/words/trouble';

type State =
  | { readonly at: 'waiting' }
  | { readonly at: 'reading'; readonly share: number }
  | { readonly at: 'read'; readonly file: File; readonly report: LogReport };

/** A log on its way from a file to what it shows: read and fitted in a worker. */
function useLog(resolution: number) {
  const barometer = useBarometer();
  const [state, setState] = useState<State>({ at: 'waiting' });
  const workerRef = useRef<ReturnType<typeof openLogWorker> | undefined>(undefined);
  const stop = () => {
    workerRef.current?.close();
    workerRef.current = undefined;
    setState({ at: 'waiting' });
  };
  useEffect(() => () => workerRef.current?.close(), []);
  const take = async (file: File | undefined, unit?: string) => {
    if (!file) return;
    setState({ at: 'reading', share: 0 });
    const worker = openLogWorker();
    workerRef.current = worker;
    const report = await worker.log.read(
      await file.text(),
      { ...(unit ? { unit } : {}), barometer, resolution },
      proxy((share) => setState({ at: 'reading', share })),
    );
    worker.close();
    setState({ at: 'read', file, report });
  };
  return { state, stop, take };
}

/** A log of time and pressure, dropped in and taken over as marks. */
export function LogSheet({
  step,
  onClose,
}: {
  readonly step: StepOf<'capture'>;
  readonly onClose: () => void;
}) {
  const { run, add, units } = useDesk();
  const gauge = run.gauges[step.role];
  const { state, stop, take } = useLog(gauge?.resolution_pa ?? 1000);
  const keep = async (report: Extract<LogReport, { ok: true }>, name: string) => {
    const cycles = cyclesOf(report.findings);
    if (
      await add({
        type: 'log_taken',
        step_id: step.id,
        name,
        samples: report.chart.map(([t, pa]) => [t, pa]),
        cycles,
      })
    )
      onClose();
  };
  if (state.at === 'reading')
    return (
      <>
        <Words role="status">{`Reading, ${Math.round(state.share * 100)} %`}</Words>
        <BigButton kind="outline" onPress={stop}>
          Stop
        </BigButton>
      </>
    );
  const report = state.at === 'read' ? state.report : undefined;
  return (
    <>
      <Muted>
        Two columns, time and pressure: commas, semicolons or tabs, any unit in the header or beside
        the figure.
      </Muted>
      <BigButton
        kind="outline"
        onPress={() => void pickFile('.csv,.txt,.log,text/plain,text/csv').then(take)}
        testID="pick-log"
      >
        Choose a log file
      </BigButton>
      {report && !report.ok ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">{logTrouble(report.error, units)}</Words>
        </Card>
      ) : null}
      {report && !report.ok && asksForUnit.has(report.error.code) && state.at === 'read' ? (
        <Choice
          label="Logged in"
          value=""
          onChange={(unit) => void take(state.file, unit)}
          options={logUnits.map((value) => ({ value, say: value }))}
        />
      ) : null}
      {report?.ok && state.at === 'read' ? (
        <Found
          report={report}
          resolution={gauge?.resolution_pa}
          onKeep={() => void keep(report, state.file.name)}
        />
      ) : null}
    </>
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
    <Card>
      <Strong>{`${printCount(report.count)} samples`}</Strong>
      <TraceChart
        dots={false}
        samples={report.chart.map(([t, value]) => ({ t, value }))}
        seconds={1e9}
        label="The log"
      />
      {report.findings.map((finding) => (
        <Row key={finding.t} label={finding.kind === 'up' ? 'Cracks at' : 'Reseats at'}>
          {findingWords(finding, units, resolution)}
        </Row>
      ))}
      <Muted>{issuesWords(report)}</Muted>
      <BigButton onPress={onKeep} testID="keep-log">
        Take these over
      </BigButton>
    </Card>
  );
}

/** "482 kPa, nine in ten between 479 and 483". */
function findingWords({ pressure, low, high }: RampFinding, units: Units, resolution?: number) {
  const [from, to] = [low, high].map((each) => units.figure(each, resolution));
  return `${units.withUnit(pressure, resolution)}, nine in ten between ${from} and ${to}`;
}

const asksForUnit: ReadonlySet<string> = new Set(['log.unknown_unit', 'log.unit_not_said']);
const logUnits = ['kPa', 'bar', 'psi', 'mbar', 'Pa', 'bar abs', 'psia'] as const;

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

const issuesWords = ({ issues, longestGap, usualStep }: Extract<LogReport, { ok: true }>): string =>
  [
    issues.notNumbers > 0
      ? `${issues.notNumbers} rows without two numbers left out, the first at line ${issues.firstBadLine}`
      : '',
    issues.repeatedTimes > 0 ? `${issues.repeatedTimes} repeated times` : '',
    issues.backwards > 0 ? `${issues.backwards} rows that went back in time` : '',
    usualStep > 0 && longestGap > 5 * usualStep ? `a gap of ${Math.round(longestGap)} s` : '',
  ]
    .filter(Boolean)
    .join('; ') || 'Every row could be read.';
