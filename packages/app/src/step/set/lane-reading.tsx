import { Circle, G } from 'react-native-svg';
import { ClearText } from '../parts/clear-text';
import { useInk } from '@/ui/use-ink';

export const STRONG = 'AtkinsonHyperlegibleNext_700Bold';
export const FIGURES = 'AtkinsonHyperlegibleMono_400Regular';

type ReadingProps = {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly isLast: boolean;
  /** The next move goes down from here. */
  readonly goesBack: boolean;
  readonly inControl: boolean;
  readonly children: string;
};

/** A reading and its figure, the last one large. */
export function Reading({ x, y, width, isLast, goesBack, inControl, children }: ReadingProps) {
  const ink = useInk();
  const onRight = x < width - 74;
  // Away from where the next move goes, whose turns are written there.
  const isRight = isLast ? onRight : (goesBack && onRight) || x < 48;
  const aside = isLast ? 14 : 7;
  return (
    <G>
      <Circle
        cx={x}
        cy={y}
        r={isLast ? 9 : 6}
        fill={inControl ? ink.color : ink.card}
        stroke={isLast ? ink.card : ink.color}
        strokeWidth={inControl ? 2 : 3}
      />
      <ClearText
        halo={ink.background}
        x={x + (isRight ? aside : -aside)}
        y={isLast ? y + 5 : y + 19}
        textAnchor={isRight ? 'start' : 'end'}
        fontSize={isLast ? 16 : 13}
        fontFamily={isLast ? STRONG : FIGURES}
        fill={isLast ? ink.color : ink.muted}
      >
        {children}
      </ClearText>
    </G>
  );
}
