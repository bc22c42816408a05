import { styled, View, XStack, YStack } from '@/ui/kit';
import { Strong, Words } from './words';
import type { ReactNode } from 'react';

export const Card = styled(YStack, {
  backgroundColor: '$card',
  borderColor: '$line',
  borderWidth: 1,
  borderRadius: '$4',
  padding: '$4',
  gap: '$2',
  variants: {
    tone: {
      work: { borderLeftWidth: 6, borderLeftColor: '$brassMark' },
      stop: { backgroundColor: '$vermilionSoft', borderColor: '$vermilion' },
      warn: { backgroundColor: '$brassSoft', borderColor: '$brassMark' },
    },
  } as const,
});

/** Label left, value right; a line between two of them. */
export const Row = ({
  label,
  children,
  isLast = false,
}: {
  readonly label: string;
  readonly children: ReactNode;
  readonly isLast?: boolean;
}) => (
  <XStack
    justifyContent="space-between"
    alignItems="center"
    gap="$3"
    paddingVertical="$2"
    borderBottomWidth={isLast ? 0 : 1}
    borderColor="$line"
  >
    <Words color="$muted" flexShrink={0}>
      {label}
    </Words>
    {typeof children === 'string' ? (
      <Strong textAlign="right" flexShrink={1}>
        {children}
      </Strong>
    ) : (
      children
    )}
  </XStack>
);

const tones = {
  good: { back: '$lane', text: '$onLane' },
  work: { back: '$brassSoft', text: '$onBrassSoft' },
  stop: { back: '$vermilionSoft', text: '$onVermilionSoft' },
  quiet: { back: '$quiet', text: '$color' },
} as const;
export type Tone = keyof typeof tones;

/** A state in a word; colour only repeats it. */
export const Pill = ({
  children,
  tone = 'quiet',
}: {
  readonly children: string;
  readonly tone?: Tone;
}) => (
  <View
    backgroundColor={tones[tone].back}
    borderRadius="$pill"
    paddingHorizontal="$3"
    paddingVertical="$1"
    flexShrink={0}
  >
    <Strong color={tones[tone].text} fontSize="$2" lineHeight="$2">
      {children}
    </Strong>
  </View>
);
