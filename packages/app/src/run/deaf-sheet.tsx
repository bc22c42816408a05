import {
  adjusterPlate,
  rankCauses,
  type Evidence,
  type RankedCause,
  type SettingView,
  type Settling,
} from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { useDesk } from './use-desk';
import type { LinkSight } from '@/gauge-link/gauge-link';
import { Card, Pill } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';

type Props = {
  readonly view: SettingView;
  readonly adjuster: string;
  readonly settling: Settling | undefined;
  readonly sight: LinkSight | undefined;
  readonly onClose: () => void;
};

/** Why the adjuster seems to do nothing: causes in order, with the check that tells them apart. */
export function DeafSheet({ view, adjuster, settling, sight, onClose }: Props) {
  const { run, add } = useDesk();
  const [opened, setOpened] = useState<string>();
  const evidence = gather(run.observed, view, settling, sight);
  const ranked = rankCauses(run.procedure.causes, evidence).slice(0, 5);
  const plated = adjusterPlate(run.started.plate, adjuster).clockwise;
  const isReversedNow = (view.rate?.mean ?? 1) < 0 || plated === 'lowers';
  const flip = () => {
    const clockwise = run.directions[adjuster]
      ? run.directions[adjuster] === 'lowers'
        ? 'raises'
        : 'lowers'
      : isReversedNow && plated === 'lowers'
        ? 'raises'
        : 'lowers';
    void add({ type: 'direction_corrected', adjuster, clockwise }).then(onClose);
  };
  return (
    <YStack gap="$3">
      {ranked.map((entry, i) => (
        <CauseCard
          key={entry.cause.id}
          entry={entry}
          isOpen={opened ? opened === entry.cause.id : i === 0}
          onOpen={() => setOpened(entry.cause.id)}
          answered={entry.cause.check ? run.observed[entry.cause.check.key] : undefined}
          onAnswer={(value) =>
            entry.cause.check && void add({ type: 'observed', key: entry.cause.check.key, value })
          }
          action={
            entry.cause.id === 'reversed'
              ? { say: 'Turn the direction round', run: flip }
              : {
                  say: entry.cause.id === 'main_filling' ? 'Wait, watch it' : 'Do that, then read again',
                  run: onClose,
                }
          }
        />
      ))}
    </YStack>
  );
}

type CauseProps = {
  readonly entry: RankedCause;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
  readonly answered: string | undefined;
  readonly onAnswer: (value: string) => void;
  readonly action: { readonly say: string; readonly run: () => void };
};

/** One cause: its tell, its check, what to do. */
export function CauseCard({
  entry: { cause, word },
  isOpen,
  onOpen,
  answered,
  onAnswer,
  action,
}: CauseProps) {
  return (
    <Card {...(isOpen ? { tone: 'work' as const } : {})}>
      <XStack justifyContent="space-between" gap="$2" alignItems="center">
        <Heading flexShrink={1}>{cause.title}</Heading>
        <Pill tone={word === 'very likely' ? 'work' : 'quiet'}>{word}</Pill>
      </XStack>
      <Words color="$muted">{cause.tell}</Words>
      {isOpen ? (
        <>
          {cause.check ? (
            <YStack gap="$2">
              <Words>{cause.check.ask}</Words>
              <XStack gap="$2" flexWrap="wrap">
                {cause.check.answers.map(({ say, value }) => (
                  <BigButton
                    key={value}
                    flex={1}
                    kind={answered === value ? 'brass' : 'outline'}
                    onPress={() => onAnswer(value)}
                  >
                    {say}
                  </BigButton>
                ))}
              </XStack>
            </YStack>
          ) : null}
          <Words>{cause.doThis}</Words>
          <BigButton onPress={action.run}>{action.say}</BigButton>
        </>
      ) : (
        <XStack justifyContent="space-between" alignItems="center">
          <Muted flexShrink={1}>{cause.check?.ask ?? ''}</Muted>
          <WordButton onPress={onOpen} label={`Look into: ${cause.title}`}>
            look
          </WordButton>
        </XStack>
      )}
    </Card>
  );
}

/** What is known without asking: how the gauge answered and moves, the supply, the travel, the vent. */
function gather(
  observed: Evidence,
  view: SettingView,
  settling: Settling | undefined,
  sight: LinkSight | undefined,
): Evidence {
  const answer = view.answer === undefined || view.answer === 'as_foretold' ? undefined : view.answer;
  const room = view.aim.room;
  const least = room ? Math.min(room.clockwise, room.anticlockwise - 0.5) : undefined;
  const isAtLowEnd =
    view.dots.every(({ pressure }) => pressure < 0.04 * view.aim.target) && view.dots.length > 1;
  return {
    answer,
    trend: trendOf(settling, view),
    travel: isAtLowEnd
      ? 'low_end'
      : least === undefined
        ? undefined
        : least < 0.5 && view.position !== 0
          ? 'high_end'
          : 'middle',
    ...(sight
      ? {
          vent: sight.ventRuns ? 'flows' : 'quiet',
          flow: sight.wideOpen ? 'strong' : sight.flow > 1e-4 ? 'ok' : 'none',
        }
      : {}),
    ...observed,
  };
}

function trendOf(settling: Settling | undefined, view: SettingView): string | undefined {
  if (settling?.state === 'hunting') return 'swinging';
  if (settling?.state === 'settled') return view.isInControl ? 'still' : 'creeping_up';
  if (settling?.state === 'settling') return settling.slope > 0 ? 'creeping_up' : 'falling';
  return undefined;
}
