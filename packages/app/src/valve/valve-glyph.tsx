import type { Family } from '@holvek/core';
import Svg, { Circle, Line, Path } from 'react-native-svg';
import type { LineGlyphShape } from '@/family/family-view';
import { familyView } from '@/family/views';
import { useInk } from '@/ui/use-ink';

/** A valve on its line: body, what drives it, and the line by which it senses. */
export function ValveGlyph({ family }: { readonly family: Family }) {
  const { glyph } = familyView(family);
  return glyph === 'pointer' ? <PointerGlyph /> : <LineGlyph shape={glyph} />;
}

/** A pointer over its scale, on the link that moves it. */
function PointerGlyph() {
  const ink = useInk();
  return (
    <Svg width={112} height={72} aria-hidden>
      <Path d="M16,60 A44,44 0 0 1 96,60" fill={ink.lane} stroke={ink.color} strokeWidth={3} />
      {[0, 0.25, 0.5, 0.75, 1].map((at) => {
        const angle = Math.PI * (1 - at);
        const [c, s] = [Math.cos(angle), Math.sin(angle)];
        return (
          <Line
            key={at}
            x1={56 + 30 * c}
            y1={60 - 30 * s}
            x2={56 + 36 * c}
            y2={60 - 36 * s}
            stroke={ink.color}
            strokeWidth={2}
          />
        );
      })}
      <Line
        x1={56}
        x2={78}
        y1={60}
        y2={28}
        stroke={ink.brassMark}
        strokeWidth={4}
        strokeLinecap="round"
      />
      <Circle cx={56} cy={60} r={5} fill={ink.color} />
      <Line x1={56} x2={108} y1={60} y2={60} stroke={ink.color} strokeWidth={3} />
    </Svg>
  );
}

function LineGlyph({ shape: { top, senses, isRelief } }: { readonly shape: LineGlyphShape }) {
  const ink = useInk();
  const isBoth = senses === 'both';
  return (
    <Svg width={112} height={72} aria-hidden>
      <Line x1={2} x2={isRelief ? 56 : 110} y1={50} y2={50} stroke={ink.color} strokeWidth={3} />
      {isRelief ? (
        <>
          <Line x1={56} x2={100} y1={50} y2={50} stroke={ink.color} strokeWidth={3} />
          <Path d="M100,43 L110,50 L100,57 Z" fill={ink.color} />
        </>
      ) : null}
      <Path
        d="M34,36 L34,64 L78,36 L78,64 Z"
        fill={ink.lane}
        stroke={ink.color}
        strokeWidth={3}
        strokeLinejoin="round"
      />
      <Line x1={56} x2={56} y1={50} y2={24} stroke={ink.color} strokeWidth={3} />
      <Top top={top} />
      {senses === 'inlet' || isBoth ? <SensingLine x={14} /> : null}
      {(senses === 'outlet' || isBoth) && !isRelief ? <SensingLine x={98} /> : null}
    </Svg>
  );
}

/** The dashed line by which a valve senses, from its top to the pipe. */
function SensingLine({ x }: { readonly x: number }) {
  const ink = useInk();
  return (
    <>
      <Path
        d={`M${x > 56 ? 72 : 40},18 L${x},18 L${x},48`}
        fill="none"
        stroke={ink.color}
        strokeWidth={2}
        strokeDasharray="4 4"
      />
      <Circle cx={x} cy={50} r={3.5} fill={ink.color} />
    </>
  );
}

/** What drives the body: a dome, a spring, a positioner on its stem, or electronics. */
function Top({ top }: { readonly top: LineGlyphShape['top'] }) {
  const ink = useInk();
  const solid = { fill: ink.brassSoft, stroke: ink.color, strokeWidth: 3 } as const;
  const line = { fill: 'none', stroke: ink.color, strokeWidth: 2.5 } as const;
  switch (top) {
    case 'positioner':
      return (
        <>
          <Path d="M36,10 L76,10 L70,24 L42,24 Z" strokeLinejoin="round" {...solid} />
          <Line x1={57} x2={80} y1={34} y2={34} stroke={ink.color} strokeWidth={2.5} />
          <Path d="M80,24 L98,24 L98,44 L80,44 Z" {...line} fill={ink.card} />
        </>
      );
    case 'electronics':
      return (
        <>
          <Path d="M38,6 L74,6 L74,26 L38,26 Z" strokeLinejoin="round" {...solid} />
          <Path d="M46,20 L52,12 L58,20 L64,12" strokeLinejoin="round" {...line} />
        </>
      );
    case 'spring':
      return <Path d="M46,26 L66,22 L46,17 L66,13 L46,8 L66,4" strokeLinejoin="round" {...line} />;
    case 'dome':
      return <Path d="M40,24 A16,16 0 0 1 72,24 Z" {...solid} />;
  }
}
