import { type FoundBeside, type Ladder, type System } from '@holvek/core';
import { useState } from 'react';
import Svg, { G, Line, Text } from 'react-native-svg';
import { View } from '@/ui/kit';
import { PAD, scaleOf, type LadderScale } from './ladder-scale';
import { BracketMark, bracketsOf } from './rule-brackets';
import { RungHandles } from './rung-handles';
import { FoundDashes, RungLabels, RungLine } from './rung-marks';
import { spreadLabels } from './spread';
import { niceTicks } from '@/ui/nice-ticks';
import { useUnits } from '@/units/use-units';
import { useInk } from '@/ui/use-ink';

const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';
const AXIS = 52;
/** Height of a label: name, target, and on a third line what was found. */
const LABEL = 38;
const LABEL_FOUND = 54;

type Props = {
  readonly system: System;
  readonly ladder: Ladder;
  readonly beside: readonly FoundBeside[];
  /** Rung that is held by hand, and where. */
  readonly dragged: string | undefined;
  readonly onDrag: (rung: string, pa: number) => void;
};

/**
 * The pressures of one system as rungs between two rails, rules as numbered brackets between them,
 * what was found as dashes. Labels stand beside the rails, never over one another, each tied to its
 * rung. Every figure can be read without colour.
 */
export function LadderPicture({ system, ladder, beside, dragged, onDrag }: Props) {
  const [width, setWidth] = useState(350);
  const ink = useInk();
  const { rungs } = system;
  const label = rungs.some(({ found_pa: found }) => found !== undefined) ? LABEL_FOUND : LABEL;
  const height = Math.max(330, rungs.length * (label + 4) + 2 * PAD);
  const scale = scaleOf(system, ladder, height);
  const { y } = scale;
  const rails = { left: AXIS + 10, right: AXIS + Math.min(170, width * 0.36) };
  const places = spreadLabels(
    ladder.targets.map(({ pa }) => y(pa) - label / 2),
    label,
    height - label,
  );
  return (
    <View
      onLayout={({ nativeEvent }) => setWidth(Math.max(280, nativeEvent.layout.width))}
      role="group"
      aria-label={`Ladder of ${system.name}`}
      testID="ladder-picture"
      position="relative"
      height={height}
    >
      <Svg width={width} height={height}>
        <Ticks scale={scale} right={rails.right} />
        {[rails.left, rails.right].map((x) => (
          <Line
            key={x}
            x1={x}
            x2={x}
            y1={PAD / 2}
            y2={height - PAD / 2}
            stroke={ink.color}
            strokeWidth={5}
            strokeLinecap="round"
          />
        ))}
        <FoundDashes system={system} beside={beside} scale={scale} rails={rails} />
        {ladder.targets.map(({ rung, pa }, i) => (
          <RungLine
            key={rung}
            kind={rungs[i]!.kind}
            y={y(pa)}
            labelY={places[i]! + label / 2}
            rails={rails}
            isHeld={rung === dragged}
            ink={ink}
          />
        ))}
        {bracketsOf(system, ladder, scale, rails).map((bracket) => (
          <BracketMark key={bracket.number} bracket={bracket} ink={ink} />
        ))}
        <RungLabels
          system={system}
          ladder={ladder}
          beside={beside}
          places={places}
          left={rails.right + 26}
          width={width - rails.right - 26}
        />
      </Svg>
      <RungHandles
        system={system}
        ladder={ladder}
        scale={scale}
        rails={rails}
        places={places}
        labelHeight={label}
        onDrag={onDrag}
      />
    </View>
  );
}

/** Pressures along the left edge. */
function Ticks({ scale, right }: { readonly scale: LadderScale; readonly right: number }) {
  const units = useUnits();
  const ink = useInk();
  return niceTicks(scale.low, scale.high, units.pressure, 5).map(({ si, text }) => (
    <G key={text}>
      <Line x1={AXIS} x2={right} y1={scale.y(si)} y2={scale.y(si)} stroke={ink.line} />
      <Text
        x={AXIS - 6}
        y={scale.y(si) + 4}
        fontSize={11}
        fontFamily={FIGURES}
        fill={ink.muted}
        textAnchor="end"
      >
        {text}
      </Text>
    </G>
  ));
}
