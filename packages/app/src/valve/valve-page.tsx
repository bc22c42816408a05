import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import {
  checkPlate,
  driftOfVisits,
  dueOf,
  openEndsOf,
  type PlateIssue,
  type Repair,
  type Run,
  type Valve,
  type ValveVisit,
} from '@holvek/core';
import { useHouseRules } from '@/data/queries';
import { familyView } from '@/family/views';
import { useShelf } from '@/data/store';
import { SentBackCard } from '@/countersign/countersign-card';
import { DoubtCard } from '@/sheet/doubt-card';
import { RepairsCard, UnprovedCard, useUnprovedRepair } from '@/repair/repairs-card';
import { LeaveNotice, NoticeCards } from '@/notice/notice-card';
import { AtPlaceCard } from '@/place/at-place-card';
import { PhotosCard } from '@/photo/photos-card';
import { Screen } from '@/shell/screen';
import { Columns } from '@/ui/columns';
import { YStack } from '@/ui/kit';
import { Card, Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';
import { AnswerCard, GivenUpCard } from './answer-card';
import { DeviceCard } from './device-card';
import { PlateCard } from './plate-card';
import { PlateIssues } from './plate-issues';
import { TargetCard } from './target-card';
import { TargetSheet } from './target-sheet';
import { afterRepair, givenUpRunsOf, openRunOf, standingOf, standingTone } from './valve-state';
import { usePlaceWords } from '@/data/use-placed-valves';
import { useVisits } from '@/data/use-visits';
import { VisitsCard } from './visits-card';
import { useNow } from '@/ui/use-now';

type Props = {
  readonly valve: Valve;
  /** It stands beside a list, which leads here and away. */
  readonly isPane?: boolean;
};

/** One valve, on a page of its own or beside the list. */
export function ValvePage({ valve, isPane = false }: Props) {
  const router = useRouter();
  const rules = useHouseRules();
  const shelf = useShelf();
  const visits = useVisits();
  const now = useNow();
  const run = openRunOf(shelf, valve.id);
  const placeWords = usePlaceWords();
  const own = visits.get(valve.id) ?? [];
  const repair = useUnprovedRepair(valve.id, own);
  const standing = afterRepair(standingOf(valve, own, { rules, run, now }), repair);
  const issues = checkPlate(valve.plate, valve, rules);
  const stops = issues.some((issue) => issue.stops);
  const footer = run ? (
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
  );
  const stand = <ValveStand {...{ valve, run, repair, issues }} visits={own} />;
  const plate = (
    <>
      <PlateCard valve={valve} sheets={own} />
      <AtPlaceCard valve={valve} />
      <PhotosCard valveId={valve.id} />
      <DeviceCard valve={valve} />
      <WaysOn valve={valve} />
    </>
  );
  return (
    <Screen
      title={valve.tag}
      under={[valve.name, placeWords(valve)].filter(Boolean).join(' · ')}
      back={!isPane}
      isPane={isPane}
      wide
      right={<Pill tone={standingTone[standing]}>{standing}</Pill>}
      footer={footer}
    >
      {isPane ? (
        <>
          {stand}
          {plate}
        </>
      ) : (
        <Columns left={stand} right={plate} />
      )}
    </Screen>
  );
}

/** What stands open, what it is asked for, and how it has fared. */
function ValveStand({
  valve,
  run,
  repair,
  visits,
  issues,
}: {
  readonly valve: Valve;
  readonly run: Run | undefined;
  /** The last that no record has come after. */
  readonly repair: Repair | undefined;
  readonly visits: readonly ValveVisit[];
  readonly issues: readonly PlateIssue[];
}) {
  const rules = useHouseRules();
  const shelf = useShelf();
  const [isEditing, setEditing] = useState(false);
  const last = visits.at(-1);
  return (
    <>
      <NoticeCards valveId={valve.id} />
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
      {repair && !run ? <UnprovedCard repair={repair} /> : null}
      {last && !run ? <AnswerCard body={last.body} /> : null}
      {last ? <SentBackCard sheetId={last.id} /> : null}
      {last ? <DoubtCard body={last.body} /> : null}
      <PlateIssues issues={issues} />
      <TargetCard valve={valve} onChange={() => setEditing(true)} />
      {visits.length > 0 ? (
        <VisitsCard
          valve={valve}
          sheets={visits}
          drift={driftOfVisits(valve, visits)}
          due={dueOf(valve, visits, rules)}
        />
      ) : null}
      <RepairsCard valveId={valve.id} />
      <TargetSheet valve={valve} isOpen={isEditing} onClose={() => setEditing(false)} />
    </>
  );
}

/** Where else one may go with this valve. */
function WaysOn({ valve: { id, plate } }: { readonly valve: Valve }) {
  const router = useRouter();
  const { cutaway } = familyView(plate.family);
  const ways = [
    ['it does not do what it should', `/valves/${id}/trouble`],
    ['note a repair', `/valves/${id}/repair`],
    ['correct what the register says', `/valves/${id}/edit`],
    ['another one like it', `/valves/new?like=${id}`],
    ['practise on its twin', `/valves/${id}/start?practice=1`],
    ...(cutaway ? [['see how it works', `/how/${cutaway}`] as const] : []),
    ['sums on the bench', `/bench?valve=${id}`],
  ] as const;
  return (
    <YStack>
      <LeaveNotice valveId={id} />
      {ways.map(([say, href]) => (
        <WordButton key={href} onPress={() => router.push(href as Href)}>
          {say}
        </WordButton>
      ))}
    </YStack>
  );
}
