import { DRAWN_BOX, drawnPath, type SignedByHand } from '@holvek/core';
import Svg, { Path } from 'react-native-svg';
import { useInk } from '@/ui/use-ink';

/** A signature as it was drawn. */
export function DrawnView({
  drawn,
  name,
}: {
  readonly drawn: SignedByHand;
  readonly name: string;
}) {
  const { color } = useInk();
  return (
    <Svg
      width="100%"
      height={64}
      viewBox={`0 0 ${DRAWN_BOX.width} ${DRAWN_BOX.height}`}
      preserveAspectRatio="xMinYMid meet"
      role="img"
      aria-label={`Signed by hand: ${name}`}
    >
      <Path
        d={drawnPath(drawn)}
        stroke={color}
        strokeWidth={4}
        strokeLinecap="round"
        strokeLinejoin="round"
        fill="none"
      />
    </Svg>
  );
}
