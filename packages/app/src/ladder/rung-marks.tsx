import type { FoundBeside, Ladder, System } from '@holvek/core';
import { G, Line, Rect, Text } from 'react-native-svg';
import { useUnits } from '@/units/use-units';
import { useInk, type Ink } from '@/ui/use-ink';
import type { LadderScale, Rails } from './ladder-scale';

const STRONG = 'AtkinsonHyperlegibleNext_700Bold';
const BODY = 'AtkinsonHyperlegibleNext_400Regular';

/** A rung between the rails, tied to its label. */
export function RungLine({
  kind,
  y,
  labelY,
  rails,
  isHeld,
  ink,
}: {
  readonly kind: string;
  readonly y: number;
  readonly labelY: number;
  readonly rails: Rails;
  readonly isHeld: boolean;
  readonly ink: Ink;
}) {
  const isFact = kind === 'load' || kind === 'rating' || kind === 'pump';
  const colour = isHeld
    ? ink.brassMark
    : kind === 'rating'
      ? ink.vermilion
      : isFact
        ? ink.slate
        : ink.verdigris;
  return (
    <G>
      <Line
        x1={rails.left}
        x2={rails.right}
        y1={y}
        y2={y}
        stroke={colour}
        strokeWidth={isFact ? 4 : 7}
      />
      {kind === 'rating' ? (
        <Rect
          x={rails.left}
          y={y - 9}
          width={rails.right - rails.left}
          height={5}
          fill={ink.vermilionSoft}
        />
      ) : null}
      <Line
        x1={rails.right}
        x2={rails.right + 8}
        y1={y}
        y2={y}
        stroke={ink.muted}
        strokeWidth={1.2}
      />
      <Line
        x1={rails.right + 8}
        x2={rails.right + 22}
        y1={y}
        y2={labelY}
        stroke={ink.muted}
        strokeWidth={1.2}
      />
    </G>
  );
}

/** What was found on each rung, as a dash between the rails. */
export function FoundDashes({
  system: { rungs },
  beside,
  scale: { y },
  rails,
}: {
  readonly system: System;
  readonly beside: readonly FoundBeside[];
  readonly scale: LadderScale;
  readonly rails: Rails;
}) {
  const ink = useInk();
  return rungs.map((rung, i) =>
    rung.found_pa === undefined ? null : (
      <Line
        key={`found-${rung.id}`}
        x1={rails.left + 4}
        x2={rails.right - 4}
        y1={y(rung.found_pa)}
        y2={y(rung.found_pa)}
        stroke={beside[i]?.word === 'in_order' ? ink.muted : ink.vermilion}
        strokeWidth={2.5}
        strokeDasharray="5 4"
      />
    ),
  );
}

/** Name, target and what was found, beside the rails. */
export function RungLabels({
  system: { rungs },
  ladder,
  beside,
  places,
  left,
  width,
}: {
  readonly system: System;
  readonly ladder: Ladder;
  readonly beside: readonly FoundBeside[];
  /** px from the top at which each begins. */
  readonly places: readonly number[];
  readonly left: number;
  /** px that a name may take. */
  readonly width: number;
}) {
  const units = useUnits();
  const ink = useInk();
  return ladder.targets.map(({ rung, pa }, i) => (
    <G key={`label-${rung}`}>
      <Text x={left} y={places[i]! + 16} fontSize={13} fontFamily={STRONG} fill={ink.color}>
        {short(rungs[i]!.name, width)}
      </Text>
      <Text x={left} y={places[i]! + 32} fontSize={12} fontFamily={BODY} fill={ink.muted}>
        {units.withUnit(pa)}
      </Text>
      {rungs[i]!.found_pa === undefined ? null : (
        <Text
          x={left}
          y={places[i]! + 47}
          fontSize={12}
          fontFamily={BODY}
          fill={beside[i]?.word === 'in_order' ? ink.muted : ink.vermilion}
        >
          {`found ${units.figure(rungs[i]!.found_pa)}${foundWord[beside[i]?.word ?? 'not_read']}`}
        </Text>
      )}
    </G>
  ));
}

const foundWord = {
  not_read: '',
  in_order: ', in order',
  too_high: ', too high',
  too_low: ', too low',
} as const;

/** As much of a name as its place has room for. */
const short = (name: string, room: number): string => {
  const most = Math.max(8, Math.floor(room / 7.4));
  return name.length <= most ? name : `${name.slice(0, most - 1)}…`;
};
