import { leftOut } from '@holvek/core';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { useMay } from '@/prefs/preferences';
import { Screen } from '@/shell/screen';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { useMedia, View, XStack } from '@/ui/kit';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { Board } from './board';
import { ClashCards } from './clash-cards';
import { monthDay } from './season-words';
import { TakePlanSheet } from './take-plan-sheet';
import { usePlan, type PlanActions } from './use-plan';
import type { SeasonDesk } from './use-season-desk';
import { VisitCard } from './visit-card';
import { VisitLine, WeekList } from './week-list';
import { TooMuchCard } from './week-loads';

/** A season: what is due, who goes where, and why. */
export function SeasonPage({ desk }: { readonly desk: SeasonDesk }) {
  const router = useRouter();
  const isWide = useMedia().wide;
  const actions = usePlan(desk);
  const { needs } = useMay('plan_season');
  const [selected, setSelected] = useState<string>();
  const [isTaking, setTaking] = useState(false);
  const visit = desk.visits.find(({ valve }) => valve.id === selected);
  const { season, made } = desk;
  const card = visit ? <VisitCard desk={desk} visit={visit} actions={actions} /> : null;
  return (
    <Screen
      title={season.name}
      under={`${made.visits.size} valves due · ${season.weeks} weeks from ${monthDay(made.days[0]!)} · ${made.people.length} hands`}
      back={!isWide}
      wide
      right={
        actions.may ? (
          <WordButton onPress={() => router.push('/season/edit')}>change what binds it</WordButton>
        ) : null
      }
      footer={
        actions.may ? (
          <PlanButtons actions={actions} onTake={() => setTaking(true)} />
        ) : (
          <XStack flex={1} justifyContent="space-between" alignItems="center" gap="$2">
            <Muted flexShrink={1}>{`A season is planned by a ${needs}.`}</Muted>
            <WordButton onPress={() => setTaking(true)}>take it away</WordButton>
          </XStack>
        )
      }
    >
      {actions.said ? (
        <Words role="status" aria-live="polite" testID="plan-said">
          {actions.said}
        </Words>
      ) : null}
      <ClashCards desk={desk} />
      <TooMuchCard desk={desk} actions={actions} />
      <LeftOut desk={desk} onSelect={setSelected} />
      <XStack>
        <WordButton onPress={() => router.push('/season/shown' as Href)}>
          what it has shown
        </WordButton>
      </XStack>
      {isWide ? (
        <XStack gap="$4" alignItems="flex-start">
          <View flex={1} minWidth={0}>
            <Board desk={desk} actions={actions} selected={selected} onSelect={setSelected} />
          </View>
          {card ? <View width={320}>{card}</View> : null}
        </XStack>
      ) : (
        <>
          <WeekList desk={desk} onSelect={setSelected} />
          <BottomSheet
            isOpen={card !== null}
            title={visit?.valve.tag ?? ''}
            onClose={() => setSelected(undefined)}
          >
            {card}
          </BottomSheet>
        </>
      )}
      <TakePlanSheet desk={desk} isOpen={isTaking} onClose={() => setTaking(false)} />
    </Screen>
  );
}

const PlanButtons = ({
  actions,
  onTake,
}: {
  readonly actions: PlanActions;
  readonly onTake: () => void;
}) => (
  <>
    <BigButton
      flex={2}
      onPress={actions.plan}
      disabled={actions.progress !== undefined}
      testID="plan"
    >
      {actions.progress === undefined
        ? 'Plan the season'
        : `Planning: ${Math.round(100 * actions.progress)} %`}
    </BigButton>
    <BigButton flex={1} kind="outline" onPress={onTake}>
      Take away
    </BigButton>
    {actions.canUndo ? (
      <BigButton flex={1} kind="outline" onPress={actions.undo}>
        Undo
      </BigButton>
    ) : null}
  </>
);

/** What has no day in the plan. */
function LeftOut({
  desk,
  onSelect,
}: {
  readonly desk: SeasonDesk;
  readonly onSelect: (valveId: string) => void;
}) {
  const out = leftOut(desk.made, desk.routes).flatMap(
    (block) => desk.made.problem.blocks[block]!.valves,
  );
  const [isOpen, setOpen] = useState(false);
  if (out.length === 0) return null;
  if (desk.season.plan.length === 0)
    return (
      <Card>
        <Heading>Nothing is planned yet</Heading>
        <Words>
          {`${out.length} valves want a visit. One press puts them where they cost least: in their windows, `}
          place by place, within everybody’s hours.
        </Words>
      </Card>
    );
  return (
    <Card tone="warn">
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <Strong color="$onBrassSoft">{`${out.length} have no day`}</Strong>
        <WordButton onPress={() => setOpen(!isOpen)}>{isOpen ? 'fold' : 'which'}</WordButton>
      </XStack>
      {isOpen
        ? out.map((id) => <VisitLine key={id} desk={desk} id={id} onSelect={onSelect} />)
        : null}
    </Card>
  );
}
