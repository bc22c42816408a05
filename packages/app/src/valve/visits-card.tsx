import {
  leftWords,
  isInstrument,
  type Drift,
  type Due,
  type Valve,
  type ValveVisit,
} from '@holvek/core';
import { spanWords } from '@/words/aim-words';
import { dueWords } from './due-words';
import { format } from 'date-fns/format';
import { formatDistanceToNowStrict } from 'date-fns/formatDistanceToNowStrict';
import { useRouter } from 'expo-router';
import { XStack } from '@/ui/kit';
import { HistoryChart } from './history-chart';
import { useUnits } from '@/units/use-units';
import { Card } from '@/ui/card';
import { Press } from '@/ui/press';
import { Heading, Muted, Spoken, Strong, Words } from '@/ui/words';
import { usePrinters } from '@/report/use-printers';

type Props = {
  readonly valve: Valve;
  readonly sheets: readonly ValveVisit[];
  readonly drift: Drift | undefined;
  readonly due: Due | undefined;
};

/** How the valve has fared: found and left at every visit, where it is heading, the sheets themselves. */
export function VisitsCard({ valve, sheets, drift, due }: Props) {
  const router = useRouter();
  const units = useUnits();
  const print = usePrinters();
  const hasSettings = sheets.some(({ body }) => body.settings.length > 0);
  return (
    <Card>
      <XStack justifyContent="space-between">
        <Heading>{`Found and left, ${sheets.length} ${sheets.length === 1 ? 'visit' : 'visits'}`}</Heading>
        <Muted>
          {isInstrument(valve.plate)
            ? `± ${spanWords(valve.plate.tolerance_span)}`
            : `lane\u00A0±\u00A0${units.figure(valve.target.tolerance_pa)}`}
        </Muted>
      </XStack>
      {hasSettings ? <HistoryChart valve={valve} sheets={sheets} drift={drift} /> : null}
      <Words color="$muted">{driftSay(drift, due)}</Words>
      {sheets.toReversed().map((sheet) => {
        const setting = sheet.body.settings[0];
        return (
          <Press
            key={sheet.id}
            onPress={() => router.push(`/sheets/${sheet.id}`)}
            minHeight={48}
            justifyContent="center"
            borderTopWidth={1}
            borderColor="$line"
          >
            <Spoken>Sheet of</Spoken>
            <XStack justifyContent="space-between" gap="$3">
              <Words>{format(sheet.body.signed_at_ms, 'd MMM yyyy')}</Words>
              <Strong flexShrink={1} textAlign="right">
                {setting && setting.as_found_pa !== null
                  ? `${units.figure(setting.as_found_pa)} to ${units.withUnit(setting.as_left_pa)}`
                  : leftWords(sheet.body, print)}
              </Strong>
            </XStack>
          </Press>
        );
      })}
    </Card>
  );
}

const spanWordsOf = (days: number): string =>
  formatDistanceToNowStrict(Date.now() + days * 86_400_000);

const driftSay = (drift: Drift | undefined, due: Due | undefined): string => {
  const next = due ? ` Next look: ${dueWords(due)}.` : '';
  if (!drift?.isDrifting || drift.daysToLeaveLane === undefined)
    return `Holds between visits.${next}`;
  const span = spanWordsOf(drift.daysToLeaveLane);
  const between =
    drift.daysEarliest === undefined || drift.daysLatest === undefined
      ? ''
      : `, between ${spanWordsOf(drift.daysEarliest)} and ${spanWordsOf(drift.daysLatest)}`;
  return (
    `Drifts ${drift.perDay > 0 ? 'up' : 'down'}: leaves the lane about ${span} after ` +
    `a visit${between}.${drift.perDay > 0 ? ' A worn pilot seat is likely.' : ''}${next}`
  );
};
