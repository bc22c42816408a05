import Check from 'lucide-react-native/icons/check';
import type { ReactNode } from 'react';
import { View, XStack } from '@/ui/kit';
import { useInk } from '@/ui/use-ink';
import { Muted, Strong, Words } from '@/ui/words';

/** px from the edge to the path's middle line, twice: the room its marks stand in. */
const TRACK = 28;

export type NodeState = 'done' | 'left_out' | 'here' | 'next' | 'later';

const circles = {
  done: { size: 22, back: '$verdigris', edge: '$verdigris', width: 2 },
  left_out: { size: 22, back: '$background', edge: '$muted', width: 2 },
  here: { size: 26, back: '$brassSoft', edge: '$brassMark', width: 4 },
  next: { size: 16, back: '$background', edge: '$muted', width: 2 },
  later: { size: 12, back: '$background', edge: '$line', width: 2 },
} as const;

/** One place on the path: its mark on the line, and what stands beside it. */
export function PathNode({
  state,
  isFirst = false,
  isLast = false,
  children,
}: {
  readonly state: NodeState;
  readonly isFirst?: boolean;
  readonly isLast?: boolean;
  readonly children: ReactNode;
}) {
  const ink = useInk();
  const circle = circles[state];
  const above = state === 'here' ? 14 : undefined;
  return (
    <XStack gap="$2" role="listitem" {...(state === 'here' ? { 'aria-current': 'step' } : {})}>
      <View width={TRACK} alignItems="center">
        <Thread {...(above === undefined ? {} : { height: above })} isDrawn={!isFirst} />
        <View
          width={circle.size}
          height={circle.size}
          borderRadius="$pill"
          borderWidth={circle.width}
          borderColor={circle.edge}
          backgroundColor={circle.back}
          alignItems="center"
          justifyContent="center"
        >
          {state === 'done' ? <Check size={14} strokeWidth={3} color={ink.onVerdigris} /> : null}
          {state === 'left_out' ? <View width={10} height={2} backgroundColor="$muted" /> : null}
        </View>
        <Thread isDrawn={!isLast} />
      </View>
      <View flex={1} minWidth={0} justifyContent="center" paddingVertical="$1">
        {children}
      </View>
    </XStack>
  );
}

/** The line between two marks; from the middle of one row to the middle of the next. */
const Thread = ({ height, isDrawn }: { readonly height?: number; readonly isDrawn: boolean }) => (
  <View
    width={2}
    {...(height === undefined ? { flex: 1 } : { height })}
    backgroundColor={isDrawn ? '$line' : 'transparent'}
  />
);

const inks = {
  done: '$muted',
  left_out: '$muted',
  here: '$color',
  next: '$color',
  later: '$muted',
} as const;

/** A step that is not in hand, in one line; where its phase begins, the phase beside it. */
export const PathLine = ({
  state,
  isFirst,
  isLast,
  phase,
  children,
}: {
  readonly state: NodeState;
  readonly isFirst?: boolean;
  readonly isLast?: boolean;
  readonly phase?: string;
  readonly children: string;
}) => (
  <PathNode
    state={state}
    {...(isFirst === undefined ? {} : { isFirst })}
    {...(isLast === undefined ? {} : { isLast })}
  >
    <XStack alignItems="center" gap="$2" minHeight={26}>
      <Words flex={1} numberOfLines={1} color={inks[state]}>
        {children}
        {state === 'left_out' ? <Muted>{' · left out'}</Muted> : null}
      </Words>
      {phase ? (
        <Strong color="$brass" fontSize="$2" lineHeight="$2" flexShrink={0}>
          {phase}
        </Strong>
      ) : null}
    </XStack>
  </PathNode>
);
