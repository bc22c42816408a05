import { styled, Text } from '@/ui/kit';

/** Running text. */
export const Words = styled(Text, {
  fontFamily: '$body',
  fontSize: '$3',
  lineHeight: '$3',
  color: '$color',
});
export const Strong = styled(Words, { fontFamily: '$strong' });
export const Muted = styled(Words, { color: '$muted', fontSize: '$2', lineHeight: '$2' });
/** Heard and not seen: what the eye has from where a thing stands, before the words that stand on it. */
export const Spoken = styled(Words, {
  position: 'absolute',
  width: 1,
  height: 1,
  overflow: 'hidden',
  opacity: 0,
  pointerEvents: 'none',
});
/** Figures: tabular, and the unit always beside them. */
export const Figure = styled(Words, { fontFamily: '$figures' });
export const BigFigure = styled(Text, {
  fontFamily: '$figuresStrong',
  fontSize: '$9',
  lineHeight: '$9',
  color: '$color',
});
export const Title = styled(Text, {
  render: 'h2',
  margin: 0,
  fontFamily: '$strong',
  fontSize: '$6',
  lineHeight: '$6',
  color: '$color',
});
export const Heading = styled(Text, {
  render: 'h2',
  margin: 0,
  fontFamily: '$strong',
  fontSize: '$4',
  lineHeight: '$4',
  color: '$color',
});
