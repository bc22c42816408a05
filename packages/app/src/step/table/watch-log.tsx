import { watchFromLog } from '@holvek/core';
import { useState } from 'react';
import { ChooseLog, LogCard } from '../parts/choose-log';
import type { Watch } from './use-watch';
import { useDesk } from '@/desk/use-desk';
import type { WatchReport } from '@/log/log.worker';
import { useLog } from '@/log/use-log';
import { Field } from '@/ui/field';
import { plainNumber } from '@/ui/plain-number';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';
import { logTrouble } from '@/words/trouble';

type Found = Extract<WatchReport, { ok: true }>;
type Props = { readonly watch: Watch; readonly onClose: () => void };

/** A watch that a logger has kept: the file is chosen, lined up with the run, and taken over. */
export function WatchLog({ watch, onClose }: Props) {
  const log = useLog<WatchReport>(watch.gauge?.resolution_pa ?? 1000, (worker, ...asked) =>
    worker.readWatch(...asked),
  );
  return (
    <ChooseLog
      log={log}
      found={(report: Found, file) => (
        <LineUp key={file.name} report={report} watch={watch} onClose={onClose} />
      )}
    />
  );
}

/** Where in the log nothing flows any more: by both clocks where it tells a date, else as it is typed. */
function useLineUp({ startsAtMs, samples }: Found, watch: Watch) {
  const { run } = useDesk();
  const [ahead, setAhead] = useState('0');
  const [typed, setTyped] = useState<string>();
  const shutAtMs = Math.max(run.started.at_ms, ...Object.values(run.done));
  const byClock =
    startsAtMs === undefined ? 0 : (shutAtMs - startsAtMs) / 1000 + plainNumber(ahead);
  const begins = typed ?? (Number.isFinite(byClock) ? String(Math.round(byClock)) : '');
  const from = plainNumber(begins);
  const readings = Number.isFinite(from)
    ? watchFromLog(
        samples.map(([t, value]) => ({ t, value })),
        { from, least: watch.least, longest: watch.longest, rows: watch.rows },
      )
    : undefined;
  const part = Number.isFinite(from) ? { from, to: from + watch.longest } : undefined;
  return {
    part,
    hasClock: startsAtMs !== undefined,
    ahead,
    begins,
    readings,
    setBegins: setTyped,
    setAhead: (text: string) => {
      setAhead(text);
      setTyped(undefined);
    },
  };
}

function LineUp({ report, watch, onClose }: Props & { readonly report: Found }) {
  const { units } = useDesk();
  const { part, hasClock, ahead, begins, readings, setAhead, setBegins } = useLineUp(report, watch);
  const [isTaking, setTaking] = useState(false);
  const take = async () => {
    if (!readings?.ok || isTaking) return;
    setTaking(true);
    await watch.logged(readings.value, report.file);
    onClose();
  };
  return (
    <LogCard report={report} window={part}>
      {hasClock ? (
        <Field
          label="Its clock is ahead of this phone’s by"
          value={ahead}
          onChangeText={setAhead}
          unit="s"
          numeric
          maxLength={12}
          hint="Behind it: with a minus."
        />
      ) : null}
      <Field
        label="Nothing flows from"
        value={begins}
        onChangeText={setBegins}
        unit="s of the log"
        numeric
        maxLength={12}
        error={readings ? undefined : 'A number of seconds is wanted.'}
        hint="Where the step before was confirmed, by the clock of the log."
      />
      {readings && !readings.ok ? (
        <Words color="$vermilion" role="alert">
          {logTrouble(readings.error, units)}
        </Words>
      ) : null}
      <BigButton onPress={() => void take()} disabled={!readings?.ok || isTaking} testID="keep-log">
        Take this watch over
      </BigButton>
    </LogCard>
  );
}
