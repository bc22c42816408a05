import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { checkPlate, openEndsOf, type Valve } from '@holvek/core';
import { useHouseRules } from '@/data/queries';
import { useShelf } from '@/data/store';
import { Screen } from '@/shell/screen';
import { Card, Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';
import { AnswerCard, GivenUpCard } from '@/valve/answer-card';
import { DeviceCard } from '@/valve/device-card';
import { PlateCard } from '@/valve/plate-card';
import { PlateIssues } from '@/valve/plate-issues';
import { TargetCard } from '@/valve/target-card';
import { TargetSheet } from '@/valve/target-sheet';
import {
  driftOfValve,
  givenUpRunsOf,
  nextLook,
  openRunOf,
  standingOf,
  standingTone,
} from '@/valve/valve-state';
import { useVisits } from '@/valve/use-visits';
import { VisitsCard } from '@/valve/visits-card';
import { WithValve } from '@/valve/with-valve';
import { useNow } from '@/ui/use-now';

/** One valve: what it must hold and why, its plate, how it has fared, and the way into a run. */
export default function ValveScreen() {
  return <WithValve>{(valve) => <ValvePage key={valve.id} valve={valve} />}</WithValve>;
}

function ValvePage({ valve }: { readonly valve: Valve }) {
  const router = useRouter();
  const rules = useHouseRules();
  const shelf = useShelf();
  const visits = useVisits();
  const now = useNow();
  const [isEditing, setEditing] = useState(false);
  const run = openRunOf(shelf, valve.id);
  const own = visits.get(valve.id) ?? [];
  const standing = standingOf(valve, own, rules, run, now);
  const issues = checkPlate(valve.plate, valve);
  const stops = issues.some((issue) => issue.stops);
  const last = own.at(-1);
  return (
    <Screen
      title={valve.tag}
      under={`${valve.name} · ${valve.place}`}
      back
      right={<Pill tone={standingTone[standing]}>{standing}</Pill>}
      footer={
        run ? (
          <BigButton
            flex={1}
            onPress={() => router.push(`/runs/${run.id}`)}
          >{`Carry on, ${openEndsOf(run).length} open ends`}</BigButton>
        ) : (
          <BigButton
            flex={1}
            disabled={stops || valve.retired !== undefined}
            onPress={() => router.push(`/valves/${valve.id}/start`)}
          >
            Start setting
          </BigButton>
        )
      }
    >
      {run ? (
        <Card tone="work">
          <Strong>Moved and not put back</Strong>
          {openEndsOf(run).map((end) => (
            <Words key={end.id}>{end.say}</Words>
          ))}
        </Card>
      ) : null}
      {valve.retired ? (
        <Card tone="warn">
          <Strong color="$onBrassSoft">{`Retired on ${valve.retired.on}`}</Strong>
          <Words color="$onBrassSoft">{valve.retired.why}</Words>
        </Card>
      ) : null}
      <GivenUpCard runs={givenUpRunsOf(shelf, valve.id)} />
      {last && !run ? <AnswerCard body={last.body} /> : null}
      <PlateIssues issues={issues} />
      <TargetCard valve={valve} onChange={() => setEditing(true)} />
      {own.length > 0 ? (
        <VisitsCard
          valve={valve}
          sheets={own}
          drift={driftOfValve(valve, own)}
          due={nextLook(valve, own, rules)}
        />
      ) : null}
      <PlateCard valve={valve} sheets={own} />
      <DeviceCard valve={valve} />
      <WordButton onPress={() => router.push(`/valves/${valve.id}/trouble` as Href)}>
        it does not do what it should
      </WordButton>
      <WordButton onPress={() => router.push(`/valves/${valve.id}/edit` as Href)}>
        correct what the register says
      </WordButton>
      <WordButton onPress={() => router.push(`/valves/new?like=${valve.id}` as Href)}>
        another one like it
      </WordButton>
      <WordButton onPress={() => router.push(`/valves/${valve.id}/start?practice=1` as Href)}>
        practise on its twin
      </WordButton>
      <WordButton onPress={() => router.push(`/bench?valve=${valve.id}` as Href)}>
        sums on the bench
      </WordButton>
      <TargetSheet valve={valve} isOpen={isEditing} onClose={() => setEditing(false)} />
    </Screen>
  );
}
