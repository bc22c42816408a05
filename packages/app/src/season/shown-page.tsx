import {
  driftShown,
  excessShown,
  foundOutside,
  gaugesShown,
  hoursShown,
  movesShown,
  writeShownCsv,
  type ToldBy,
} from '@holvek/core';
import { useState } from 'react';
import { BarsCard } from './bars-card';
import { hoursWords, monthDay } from './season-words';
import { shareWords, since, sinceMs, type Since } from './shown-words';
import { useSeasonDesk } from './use-season-desk';
import { useGauges, useSheets, useSystems } from '@/data/queries';
import { Screen } from '@/shell/screen';
import { Card, Pill, Row } from '@/ui/card';
import { Columns } from '@/ui/columns';
import { Choice } from '@/ui/field';
import { dayWords, localDay, today } from '@/ui/local-day';
import { Loading } from '@/ui/states';
import { Heading, Muted, Strong } from '@/ui/words';
import { usePlacedValves } from '@/data/use-placed-valves';
import { useVisits } from '@/data/use-visits';

const tellBy: readonly { readonly value: ToldBy; readonly say: string }[] = [
  { value: 'family', say: 'kind' },
  { value: 'spring', say: 'spring' },
  { value: 'area', say: 'place' },
  { value: 'left_alone', say: 'time left alone' },
];

/** What the records show, each as the answer to a question. */
export function ShownPage() {
  const valves = usePlacedValves();
  const visits = useVisits();
  const [span, setSpan] = useState<Since>('year');
  if (!valves) return <Loading what="Fetching the records" />;
  const known = new Map(valves.map((valve) => [valve.id, valve]));
  const from = sinceMs(span, Date.parse(today()));
  return (
    <Screen title="What it has shown" under="Questions that the records answer" back wide>
      <Choice label="Records of" value={span} onChange={setSpan} options={since} />
      <Columns
        left={
          <>
            <Outside visits={visits} known={known} from={from} />
            <Wander visits={visits} known={known} />
          </>
        }
        right={
          <>
            <Moves from={from} />
            <Hours />
            <Excess />
            <Gauges />
          </>
        }
      />
    </Screen>
  );
}

type Seen = {
  readonly visits: Parameters<typeof foundOutside>[0];
  readonly known: Parameters<typeof foundOutside>[1];
};

function Outside({ visits, known, from }: Seen & { readonly from: number }) {
  const [by, setBy] = useState<ToldBy>('family');
  const rows = foundOutside(visits, known, { by, from });
  return (
    <BarsCard
      question="Which were found outside their lane?"
      none="No record of this time says how a valve was found."
      rows={rows}
      most={1}
      say={({ value, count }) => shareWords(value, count)}
      file={{ name: `found_outside_by_${by}`, csv: writeShownCsv([by, 'share', 'visits'], rows) }}
    >
      <Choice label="By" value={by} onChange={setBy} options={tellBy} />
    </BarsCard>
  );
}

function Wander({ visits, known }: Seen) {
  const [by, setBy] = useState<'spring' | 'area'>('spring');
  const rows = driftShown(visits, known, by);
  return (
    <BarsCard
      question="Which wander fastest?"
      none="It takes three visits of a valve to tell its drift."
      rows={rows}
      say={({ value, count }) =>
        `${value.toFixed(2)} lanes a year · ${count} ${count === 1 ? 'valve' : 'valves'}`
      }
      file={{ name: `drift_by_${by}`, csv: writeShownCsv([by, 'lanes_a_year', 'valves'], rows) }}
    >
      <Choice
        label="By"
        value={by}
        onChange={setBy}
        options={[
          { value: 'spring', say: 'spring' },
          { value: 'area', say: 'place' },
        ]}
      />
    </BarsCard>
  );
}

function Moves({ from }: { readonly from: number }) {
  const rows = movesShown(useSheets().data ?? [], from);
  return (
    <BarsCard
      question="How many moves does a setting take?"
      none="Nothing was set by moves in this time."
      rows={rows}
      say={({ value, count }) => `${value.toFixed(1)} · ${count} set`}
      file={{ name: 'moves', csv: writeShownCsv(['kind', 'moves', 'settings'], rows) }}
    />
  );
}

/** By the money of each place: sums of two are not laid side by side. */
function Excess() {
  const systems = useSystems().data ?? [];
  const currencies = [...new Set(systems.map(({ economy }) => economy.currency))];
  return (currencies.length > 0 ? currencies : ['']).map((currency) => {
    const rows = excessShown(systems.filter(({ economy }) => economy.currency === currency));
    return (
      <BarsCard
        key={currency}
        question={
          currencies.length > 1
            ? `What does pressure that nothing needs cost, in ${currency}?`
            : 'What does pressure that nothing needs cost?'
        }
        none="No system was read as it was found."
        rows={rows}
        say={({ value }) => `${Math.round(value)} ${currency} a year`}
        file={{ name: 'excess', csv: writeShownCsv(['system', 'cost_a_year', 'rungs_read'], rows) }}
      />
    );
  });
}

function Hours() {
  const desk = useSeasonDesk();
  const visits = useVisits();
  if (!desk) return null;
  const weeks = hoursShown(desk.season, visits, {
    today: desk.today,
    minutesOf: (id) => desk.visits.find(({ valve }) => valve.id === id)?.effort.minutes ?? 0,
    dayOf: localDay,
  });
  return (
    <Card>
      <Heading>Did it take as long as was planned?</Heading>
      {weeks.length === 0 ? <Muted>No day of the plan is over yet.</Muted> : null}
      {weeks.map(({ week, planned, used, done, missed }, i) => (
        <Row key={week} label={`Week of ${monthDay(week)}`} isLast={i === weeks.length - 1}>
          {`${hoursWords(used)} of ${hoursWords(planned)} · ${done} done${missed > 0 ? `, ${missed} not` : ''}`}
        </Row>
      ))}
    </Card>
  );
}

function Gauges() {
  const rows = gaugesShown(useGauges().data ?? [], useVisits());
  if (rows.length === 0) return null;
  return (
    <Card>
      <Heading>What rests on which gauge?</Heading>
      {rows.map(({ tag, judged, failed, due }, i) => (
        <Row key={tag} label={tag} isLast={i === rows.length - 1}>
          <Strong flexShrink={1} textAlign="right">
            {`${judged} ${judged === 1 ? 'record' : 'records'} · to ${dayWords(due)}`}
          </Strong>
          {failed > 0 ? <Pill tone="stop">{`failed ${failed} ×`}</Pill> : null}
        </Row>
      ))}
    </Card>
  );
}
