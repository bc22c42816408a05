import {
  cutawayKinds,
  families,
  outcomeWord,
  type Run,
  type Sheet,
  type Valve,
} from '@holvek/core';
import { format } from 'date-fns/format';
import { useRouter, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { usePractice, useValves } from '@/data/queries';
import { useShelf } from '@/data/store';
import { cutawayTitles, kindWords } from '@/how/words';
import { CaseByFault, CaseOfDay } from '@/practice/case-cards';
import { HandCard } from '@/practice/hand-card';
import { Screen } from '@/shell/screen';
import { outcomeTone } from '@/sheet/outcome';
import { ListLine } from '@/ui/list-line';
import { Card, Pill } from '@/ui/card';
import { Press } from '@/ui/press';
import { Loading } from '@/ui/states';
import { Heading, Muted, Words } from '@/ui/words';
import { openPracticeOf } from '@/valve/valve-state';

/** Practice in a place of its own: one valve of each kind to begin with, what is in hand, what was done. */
export default function PracticeScreen() {
  const router = useRouter();
  const valves = useValves();
  const done = usePractice().data ?? [];
  const open = openPracticeOf(useShelf());
  const go = (href: string) => router.push(href as Href);
  if (valves.isPending) return <Loading what="Fetching the valves" />;
  return (
    <Screen title="Practice" under="The real work on simulated valves" back practice>
      <Words>
        Each valve has a twin that answers as it would, faults and all. Nothing you do here counts
        for the valve, its dates or its round.
      </Words>
      {open.length > 0 ? <InHand runs={open} onGo={go} /> : null}
      <CaseOfDay valves={valves.data ?? []} onGo={go} />
      <HandCard />
      <CaseByFault valves={valves.data ?? []} onGo={go} />
      <Card>
        <Heading>One of each kind</Heading>
        {oneOfEach(valves.data ?? []).map((valve) => (
          <Line
            key={valve.id}
            say={`${valve.tag} ${valve.name}`}
            under={families[valve.plate.family].name}
            onPress={() => go(`/valves/${valve.id}/start?practice=1`)}
          />
        ))}
        <Muted>Any other valve: “practise on its twin” on its page.</Muted>
      </Card>
      <Card>
        <Heading>How it works</Heading>
        <Muted>Cut open: turn it, draw on it, break it, and see who pushes.</Muted>
        {cutawayKinds.map((kind) => (
          <Line
            key={kind}
            say={cutawayTitles[kind]}
            under={kindWords[kind]}
            onPress={() => go(`/how/${kind}`)}
          />
        ))}
      </Card>
      {done.length > 0 ? <Done sheets={done} onGo={go} /> : null}
    </Screen>
  );
}

type Go = { readonly onGo: (href: string) => void };

const InHand = ({ runs, onGo }: Go & { readonly runs: readonly Run[] }) => (
  <Card>
    <Heading>In hand</Heading>
    {runs.map(({ id, started, lastAtMs }) => (
      <Line
        key={id}
        say={`${started.valve_tag} ${started.valve_name}`}
        under={`left ${format(lastAtMs, 'd MMM, HH:mm')}`}
        onPress={() => onGo(`/runs/${id}`)}
      />
    ))}
  </Card>
);

const Done = ({ sheets, onGo }: Go & { readonly sheets: readonly Sheet[] }) => (
  <Card>
    <Heading>Practised</Heading>
    {sheets.map(({ id, body }) => (
      <Line
        key={id}
        say={`${body.valve_tag} ${body.valve_name}`}
        under={`${format(body.signed_at_ms, 'd MMM yyyy, HH:mm')} · ${body.technician}`}
        right={<Pill tone={outcomeTone(body)}>{outcomeWord(body)}</Pill>}
        onPress={() => onGo(`/sheets/${id}`)}
      />
    ))}
  </Card>
);

const Line = ({
  say,
  under,
  right,
  onPress,
}: {
  readonly say: string;
  readonly under: string;
  readonly right?: ReactNode;
  readonly onPress: () => void;
}) => (
  <Press onPress={onPress}>
    <ListLine say={say} under={under} right={right} />
  </Press>
);

/** The first valve of each family, in the register's order. */
const oneOfEach = (valves: readonly Valve[]): readonly Valve[] =>
  valves.filter(
    ({ plate }, i) => valves.findIndex((each) => each.plate.family === plate.family) === i,
  );
