import type { ReactNode } from 'react';
import { styled, View, XStack } from '@/ui/kit';
import { Spoken, Strong } from './words';

/** Anything that can be pressed: a real button, with its focus ring. */
export const Press = styled(View, {
  render: <button type="button" />,
  role: 'button',
  borderWidth: 0,
  backgroundColor: 'transparent',
  cursor: 'pointer',
  alignItems: 'stretch',
  padding: 0,
  style: { textAlign: 'left', font: 'inherit' },
  focusVisibleStyle: {
    outlineColor: '$slate',
    outlineStyle: 'solid',
    outlineWidth: 3,
    outlineOffset: 2,
  },
  pressStyle: { opacity: 0.8 },
  variants: { disabled: { true: { opacity: 0.45, cursor: 'not-allowed' } } } as const,
});

type ButtonProps = {
  readonly children: ReactNode;
  readonly onPress: () => void;
  readonly kind?: 'primary' | 'outline' | 'stop' | 'brass';
  readonly disabled?: boolean;
  readonly label?: string;
  /** Heard after its word, where the eye has it from what stands beside. */
  readonly spoken?: string;
  readonly flex?: number;
  readonly keyHint?: string;
  readonly testID?: string;
};

const looks = {
  primary: { back: '$verdigris', edge: '$verdigris', text: '$onVerdigris' },
  outline: { back: '$card', edge: '$verdigris', text: '$verdigrisDeep' },
  stop: { back: '$card', edge: '$vermilion', text: '$vermilion' },
  brass: { back: '$brassSoft', edge: '$brassMark', text: '$onBrassSoft' },
} as const;

/**
 * The second half of a double tap: it was meant for what stood there a moment ago, and must not confirm what has come
 * since, unread. Browsers count it; a key counts as none.
 */
const isSecondHalf = (event: unknown): boolean => {
  const { detail, nativeEvent } = event as Clicked;
  return (nativeEvent?.detail ?? detail ?? 0) > 1;
};
type Clicked = { readonly detail?: number; readonly nativeEvent?: { readonly detail?: number } };

/** A button for wet gloves: 56 px or taller, its word large. */
export function BigButton({
  children,
  onPress,
  kind = 'primary',
  disabled = false,
  label,
  spoken,
  flex,
  keyHint,
  testID,
}: ButtonProps) {
  const look = looks[kind];
  return (
    <Press
      onPress={disabled ? undefined : (event) => (isSecondHalf(event) ? undefined : onPress())}
      disabled={disabled}
      aria-disabled={disabled}
      aria-label={label}
      aria-keyshortcuts={keyHint}
      testID={testID}
      minHeight="$touch"
      borderRadius="$3"
      borderWidth={2}
      borderColor={look.edge}
      backgroundColor={look.back}
      justifyContent="center"
      paddingHorizontal="$3"
      paddingVertical="$2"
      {...(flex === undefined ? {} : { flex })}
    >
      <XStack alignItems="center" justifyContent="center" gap="$2">
        {typeof children === 'string' ? (
          <Strong color={look.text} fontSize="$4" lineHeight="$4" textAlign="center">
            {children}
          </Strong>
        ) : (
          children
        )}
        {spoken === undefined ? null : <Spoken>{spoken}</Spoken>}
        {keyHint ? <KeyCap color={look.text}>{keyHint}</KeyCap> : null}
      </XStack>
    </Press>
  );
}

/** The key that does the same, shown where there is a keyboard. */
export const KeyCap = ({
  children,
  color,
}: {
  readonly children: string;
  readonly color: '$onVerdigris' | '$verdigrisDeep' | '$vermilion' | '$onBrassSoft' | '$color';
}) => (
  <View
    // Its key is told by aria-keyshortcuts; its name is its word.
    aria-hidden
    display="none"
    $wide={{ display: 'flex' }}
    borderWidth={1}
    borderColor={color}
    borderRadius="$1"
    paddingHorizontal="$1"
  >
    <Strong color={color} fontSize="$1" lineHeight="$1">
      {children}
    </Strong>
  </View>
);

/** A quiet word that can be pressed, still 44 px tall. */
export const WordButton = ({
  children,
  onPress,
  tone = '$verdigrisDeep',
  label,
}: {
  readonly children: string;
  readonly onPress: () => void;
  readonly tone?: '$verdigrisDeep' | '$vermilion';
  readonly label?: string;
}) => (
  <Press
    onPress={onPress}
    minHeight={44}
    justifyContent="center"
    paddingHorizontal="$1"
    aria-label={label}
  >
    <Strong color={tone}>{children}</Strong>
  </Press>
);
