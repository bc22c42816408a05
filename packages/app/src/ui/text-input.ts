import { Input, styled } from '@/ui/kit';

/** A line to write in, as wide as it may be. */
export const TextInput = styled(Input, {
  fontFamily: '$body',
  fontSize: '$4',
  height: '$touch',
  width: '100%',
  backgroundColor: '$card',
  color: '$color',
  borderWidth: 2,
  borderColor: '$line',
  borderRadius: '$2',
  paddingHorizontal: '$3',
  placeholderTextColor: '$muted',
  focusStyle: { borderColor: '$verdigris', outlineWidth: 0 },
});
