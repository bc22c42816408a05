import { printCount } from '@holvek/core';
import type { ReactNode } from 'react';
import { TraceChart } from './trace-chart';
import { useDesk } from '@/desk/use-desk';
import type { LogReading } from '@/log/use-log';
import type { LogReport } from '@/log/log.worker';
import { Card } from '@/ui/card';
import { Choice } from '@/ui/field';
import { pickFile } from '@/ui/files';
import { BigButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';
import { logTrouble } from '@/words/trouble';

type Failed = Extract<LogReport, { ok: false }>;
type Found = { readonly ok: true };

type Props<Report extends Found> = {
  readonly log: LogReading<Report | Failed>;
  /** What stands in it, once it is read. */
  readonly found: (report: Report, file: File) => ReactNode;
};

/** A log is chosen, and read; what is wrong with it is said, and a unit that it does not say is asked for. */
export function ChooseLog<Report extends Found>({ log, found }: Props<Report>) {
  const { units } = useDesk();
  const { state, stop, take } = log;
  if (state.at === 'reading')
    return (
      <>
        <Words role="status">{`Reading, ${Math.round(state.share * 100)} %`}</Words>
        <BigButton kind="outline" onPress={stop}>
          Stop
        </BigButton>
      </>
    );
  const read = state.at === 'read' ? state : undefined;
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
      {state.at === 'unreadable' ? (
        <Card tone="stop" role="alert">
          <Words color="$onVermilionSoft">
            {`${state.name} could not be read: it was moved since, or is too large for this phone. Nothing was changed.`}
          </Words>
        </Card>
      ) : null}
      {read && !read.report.ok ? (
        <>
          <Card tone="stop" role="alert">
            <Words color="$onVermilionSoft">{logTrouble(read.report.error, units)}</Words>
          </Card>
          {asksForUnit.has(read.report.error.code) ? (
            <Choice
              label="Logged in"
              value=""
              onChange={(unit) => void take(read.file, unit)}
              options={logUnits.map((value) => ({ value, say: value }))}
            />
          ) : null}
        </>
      ) : null}
      {read?.report.ok ? found(read.report, read.file) : null}
    </>
  );
}

const asksForUnit: ReadonlySet<string> = new Set(['log.unknown_unit', 'log.unit_not_said']);
const logUnits = ['kPa', 'bar', 'psi', 'mbar', 'Pa', 'bar abs', 'psia'] as const;

type Traced = Issues & Pick<Extract<LogReport, { ok: true }>, 'count' | 'chart'>;

/** A log as it was read: how much of it, its trace, and what could not be read; under it what it shows. */
export const LogCard = ({
  report,
  window,
  children,
}: {
  readonly report: Traced;
  readonly window?: { readonly from: number; readonly to: number } | undefined;
  readonly children: ReactNode;
}) => (
  <Card>
    <Strong>{`${printCount(report.count)} samples`}</Strong>
    <TraceChart
      dots={false}
      samples={report.chart.map(([t, value]) => ({ t, value }))}
      seconds="all"
      label="The log"
      {...(window ? { window } : {})}
    />
    <Muted>{issuesWords(report)}</Muted>
    {children}
  </Card>
);

type Issues = Pick<Extract<LogReport, { ok: true }>, 'issues' | 'longestGap' | 'usualStep'>;

/** What could not be read of a log, and where it has gaps. */
const issuesWords = ({ issues, longestGap, usualStep }: Issues): string =>
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
