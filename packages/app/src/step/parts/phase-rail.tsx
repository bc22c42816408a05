import { phases, type Phase, type Run } from '@holvek/core';
import type { ReactNode } from 'react';
import { View, XStack } from '@/ui/kit';
import { Muted, Strong } from '@/ui/words';

export const phaseWord: Record<Phase, string> = {
  ready: 'Ready',
  line_up: 'Line up',
  park: 'Park',
  set: 'Set',
  prove: 'Prove',
  lock: 'Lock',
  restore: 'Restore',
  sign: 'Sign',
};

/** The eight phases as one bar: done, in hand, to come. */
export function PhaseRail({
  run,
  phase,
  note,
}: {
  readonly run: Run;
  readonly phase: Phase;
  /** What stands at the end of the line: the gauge that rules here. */
  readonly note?: ReactNode;
}) {
  const now = phases.indexOf(phase);
  const steps = run.steps.filter((step) => step.phase === phase);
  const done = steps.filter(({ id }) => id in run.done || id in run.skipped).length;
  return (
    <View gap="$2">
      <XStack
        gap="$1"
        role="img"
        aria-label={`Phase ${phaseWord[phase]}, ${now + 1} of ${phases.length}`}
      >
        {phases.map((each, i) => (
          <View
            key={each}
            flex={1}
            height={7}
            borderRadius="$pill"
            backgroundColor={i < now ? '$verdigris' : i === now ? '$brassMark' : '$line'}
          />
        ))}
      </XStack>
      <XStack justifyContent="space-between" gap="$3">
        <Strong color="$brass">
          {phaseWord[phase]}
          <Muted>
            {steps.length > 1
              ? ` · ${Math.min(done + 1, steps.length)} of ${steps.length}`
              : ` · ${now + 1} of ${phases.length}`}
          </Muted>
        </Strong>
        {note}
      </XStack>
    </View>
  );
}
