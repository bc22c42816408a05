import { useVisits } from '@/data/use-visits';
import { withFound, type Rule, type Rung, type System } from '@holvek/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useMedia, XStack, YStack } from '@/ui/kit';
import { Refusal } from '@/data/api';
import { useConflictsSettled } from '@/data/conflicts';
import { isFromBefore, useChangeSystem, useHouseRules, useSystems } from '@/data/queries';
import { ClashCard } from '@/ladder/clash-card';
import { DragCard } from '@/ladder/drag-card';
import { FilesSheet } from '@/ladder/files-sheet';
import { HeatCard } from '@/ladder/heat-card';
import { LadderPicture } from '@/ladder/ladder-picture';
import { ladderTrouble } from '@/ladder/ladder-words';
import { OrderCard } from '@/ladder/order-card';
import { RulesCard } from '@/ladder/rules-card';
import { RuleSheet } from '@/ladder/rule-sheet';
import { RungSheet } from '@/ladder/rung-sheet';
import { RungsCard } from '@/ladder/rungs-card';
import { TakeOverSheet } from '@/ladder/take-over-sheet';
import { useSystem } from '@/ladder/use-system';
import { Allowed } from '@/people/allowed';
import { Screen } from '@/shell/screen';
import { Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Loading, Trouble } from '@/ui/states';
import { Words } from '@/ui/words';
import { PlaceContext } from '@/units/use-barometer';
import { refusalWords } from '@/words/trouble';

/** One system: its ladder, what was found, what clashes, the order, and the way into a round. */
export default function SystemScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const systems = useSystems();
  const settled = useConflictsSettled();
  const system = systems.data?.find((each) => each.id === id);
  if (systems.isPending || isFromBefore(systems)) return <Loading what="Fetching the system" />;
  if (!system)
    return (
      <Screen title="Ladder" back>
        <Trouble
          title="No such system"
          say="The server does not know it or cannot be reached."
          onRetry={() => void systems.refetch()}
        />
      </Screen>
    );
  return (
    <PlaceContext.Provider value={system.site_id}>
      <SystemDesk key={`${id} ${settled}`} stored={system} />
    </PlaceContext.Provider>
  );
}

type Open = 'take' | 'files' | undefined;

function SystemDesk({ stored }: { readonly stored: System }) {
  const isWide = useMedia().wide;
  const change = useChangeSystem();
  const houseRules = useHouseRules();
  // What is typed here counts at once; the server follows, and a refusal leaves it on the screen.
  const [system, setSystem] = useState(stored);
  const view = useSystem(system, houseRules);
  const [open, setOpen] = useState<Open>();
  const [rung, setRung] = useState<Rung | 'new'>();
  const [rule, setRule] = useState<Rule | 'new'>();
  const edit = (next: System) => {
    view.release();
    setSystem(next);
    change.mutate(next);
  };
  const close = () => setOpen(undefined);
  const { ladder, error, plan } = view;
  const tooHigh = view.beside.filter(({ word }) => word === 'too_high').length;
  const picture = ladder ? (
    <LadderPicture
      system={system}
      ladder={ladder}
      beside={view.beside}
      dragged={view.drag?.rung}
      onDrag={view.hold}
    />
  ) : null;
  const cards = (
    <Cards
      system={system}
      view={view}
      change={change}
      onChange={edit}
      onRung={setRung}
      onRule={setRule}
      onFiles={() => setOpen('files')}
    />
  );
  return (
    <Screen
      title={system.name}
      under={`${system.rungs.length} pressures`}
      back
      wide
      right={<Standing isClash={error?.code === 'ladder.clash'} tooHigh={tooHigh} />}
      footer={
        <Allowed action="change_target" what="To take its pressures over into a round">
          <BigButton flex={1} disabled={!plan} onPress={() => setOpen('take')} testID="take-over">
            Take over into a round
          </BigButton>
        </Allowed>
      }
    >
      {isWide ? (
        <XStack gap="$5" alignItems="flex-start">
          <YStack flex={1}>{picture}</YStack>
          {cards}
        </XStack>
      ) : (
        <>
          {picture}
          {cards}
        </>
      )}
      {ladder && plan ? (
        <TakeOverSheet
          system={system}
          ladder={ladder}
          plan={plan}
          isOpen={open === 'take'}
          onClose={close}
        />
      ) : null}
      <FilesSheet system={system} isOpen={open === 'files'} onChange={edit} onClose={close} />
      <RungSheet system={system} rung={rung} onChange={edit} onClose={() => setRung(undefined)} />
      <RuleSheet system={system} rule={rule} onChange={edit} onClose={() => setRule(undefined)} />
    </Screen>
  );
}

/** What is wrong with it, in two words. */
function Standing({ isClash, tooHigh }: { readonly isClash: boolean; readonly tooHigh: number }) {
  if (isClash) return <Pill tone="stop">rules clash</Pill>;
  return tooHigh > 0 ? <Pill tone="stop">{`${tooHigh} too high`}</Pill> : null;
}

/** Beside the picture: what clashes or wastes, the order, the rules and the pressures themselves. */
function Cards({
  system,
  view,
  change,
  onChange,
  onRung,
  onRule,
  onFiles,
}: {
  readonly system: System;
  readonly view: ReturnType<typeof useSystem>;
  readonly change: ReturnType<typeof useChangeSystem>;
  readonly onChange: (system: System) => void;
  readonly onRung: (rung: Rung | 'new') => void;
  readonly onRule: (rule: Rule | 'new') => void;
  readonly onFiles: () => void;
}) {
  const router = useRouter();
  const isWide = useMedia().wide;
  const visits = useVisits();
  const { ladder, error, plan } = view;
  return (
    <YStack gap="$3" flex={isWide ? 1 : undefined}>
      {error?.code === 'ladder.clash' ? <ClashCard clash={error} system={system} /> : null}
      {error && error.code !== 'ladder.clash' ? (
        <Trouble title="No ladder yet" say={ladderTrouble(error)} />
      ) : null}
      {change.isError ? (
        <Words color="$vermilion" role="alert">
          {change.error instanceof Refusal
            ? refusalWords(change.error.code)
            : 'The server cannot be reached: the change stands on this screen only. Change anything to try again.'}
        </Words>
      ) : null}
      {view.drag ? <DragCard drag={view.drag} system={system} onRelease={view.release} /> : null}
      {ladder ? <HeatCard system={system} beside={view.beside} onChange={onChange} /> : null}
      {plan ? <OrderCard plan={plan} system={system} /> : null}
      <RulesCard system={system} ladder={ladder} onEdit={onRule} onAdd={() => onRule('new')} />
      <RungsCard
        system={system}
        onEdit={onRung}
        onAdd={() => onRung('new')}
        onFound={() => onChange(withFound(system, [...visits.values()].flat()))}
      />
      <XStack gap="$4">
        <WordButton onPress={onFiles}>as a file</WordButton>
        {ladder ? (
          <WordButton onPress={() => router.push(`/ladder/${system.id}/line`)}>
            rehearse the line
          </WordButton>
        ) : null}
      </XStack>
    </YStack>
  );
}
