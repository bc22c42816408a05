import { PURGED } from '@holvek/core';
import { XStack } from '@/ui/kit';
import type { Edges } from './use-edges';
import { NextButton, TurnButton } from '../parts/turn-button';
import { useDesk } from '@/desk/use-desk';
import { BigButton } from '@/ui/press';
import { useCountdown } from '@/ui/use-countdown';

type Props = { readonly edges: Edges; readonly count: number };

/** What is under the thumb: whatever the prompt asks for now. */
export function EdgesActions({ edges, count }: Props) {
  const { prompt, turn, type } = edges;
  switch (prompt.ask) {
    case 'purge':
      return <PurgeButton key={count} seconds={prompt.seconds} />;
    case 'done':
      return <NextButton onPress={turn.next}>In the middle: next</NextButton>;
    case 'read':
      return (
        <BigButton flex={1} onPress={type} testID="read-manometer">
          Read the manometer
        </BigButton>
      );
    case 'turn':
      return <TurnActions edges={edges} turns={prompt.turns} />;
    case 'light':
      return <LightActions edges={edges} />;
    default:
      return null;
  }
}

function TurnActions({ edges, turns }: { readonly edges: Edges; readonly turns: number }) {
  const { isLinked } = useDesk();
  const { turn, isSettled, type } = edges;
  if (isLinked)
    return isSettled ? (
      <TurnButton turns={turns} onTurned={turn.turned} />
    ) : (
      <TurnButton turns={turns} onTurned={turn.turned} disabled>
        Wait for the manometer
      </TurnButton>
    );
  return (
    <>
      <BigButton flex={1} kind="outline" onPress={type}>
        Read it
      </BigButton>
      <TurnButton turns={turns} onTurned={turn.turned} />
    </>
  );
}

function LightActions({
  edges: { light, lightLinked, isSettled, hasTyped, type },
}: {
  readonly edges: Edges;
}) {
  const { isLinked } = useDesk();
  if (isLinked)
    return (
      <BigButton flex={1} kind="brass" onPress={lightLinked} disabled={!isSettled} testID="light">
        Light it
      </BigButton>
    );
  if (!hasTyped)
    return (
      <BigButton flex={1} onPress={type} testID="read-manometer">
        Read the manometer
      </BigButton>
    );
  return (
    <XStack gap="$2" flex={1}>
      <BigButton flex={1} onPress={() => light(true, false)} testID="lit">
        Lit, good
      </BigButton>
      <BigButton flex={1} kind="brass" onPress={() => light(true, true)} testID="lit-weak">
        Weak
      </BigButton>
      <BigButton flex={1} kind="stop" onPress={() => light(false, false)} testID="not-lit">
        No
      </BigButton>
    </XStack>
  );
}

/** Runs the purge on a clock that nobody can set back; only then may it be said that it has run. */
function PurgeButton({ seconds }: { readonly seconds: number }) {
  const { add } = useDesk();
  const left = useCountdown(seconds, true);
  return (
    <BigButton
      flex={1}
      kind="stop"
      disabled={left > 0}
      onPress={() => void add({ type: 'observed', key: PURGED, value: 'yes' })}
      testID="purged"
    >
      {left > 0 ? `Purging, ${Math.ceil(left)} s` : 'The whole purge has run'}
    </BigButton>
  );
}
