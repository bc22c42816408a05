import { useCallback, useLayoutEffect, useRef, useState, type ComponentProps } from 'react';
import { YStack } from '@/ui/kit';
import { Press } from './press';
import { TextInput } from './text-input';
import { Strong } from './words';

type Props = Omit<ComponentProps<typeof TextInput>, 'ref' | 'inputMode' | 'onFocus' | 'onBlur'> & {
  readonly label: string;
  readonly inputRef?: ((input: Focusable | null) => void) | undefined;
};
type Focusable = { focus?: () => void; blur?: () => void };

/** Whoever points with a finger is given keys on the screen. */
const hasKeysOnScreen = (): boolean => window.matchMedia('(pointer: coarse)').matches;

/**
 * A field of figures. A phone offers its keys of digits, large enough for a glove; some of these have no minus, and
 * none has the letters of another unit: one key beside the figure changes them for all keys, and back.
 */
export function FigureInput({ label, inputRef, ...rest }: Props) {
  const input = useRef<Focusable | null>(null);
  const { isOffered, hasLetters, change, ...within } = useKeysOnScreen(input);
  const keep = useCallback(
    (shown: Focusable | null) => {
      input.current = shown;
      inputRef?.(shown);
    },
    [inputRef],
  );
  return (
    <YStack position="relative">
      <TextInput
        {...rest}
        {...within}
        aria-label={label}
        ref={keep as never}
        inputMode={hasLetters ? 'text' : 'decimal'}
        {...(isOffered ? { paddingRight: 60 } : {})}
      />
      {isOffered ? (
        <Press
          position="absolute"
          right={2}
          top={2}
          bottom={2}
          width={52}
          alignItems="center"
          justifyContent="center"
          borderRadius="$2"
          backgroundColor="$quiet"
          aria-label={hasLetters ? `digits for ${label}` : `letters and signs for ${label}`}
          // The field keeps its place: without it the key would be gone before it is let go.
          onMouseDown={(event: { preventDefault: () => void }) => event.preventDefault()}
          onPress={change}
        >
          <Strong>{hasLetters ? '123' : 'a −'}</Strong>
        </Press>
      ) : null}
    </YStack>
  );
}

/** Which keys the phone shows for a field, and the change to the others. */
function useKeysOnScreen(input: { readonly current: Focusable | null }) {
  const [hasLetters, setHasLetters] = useState(false);
  const [isOffered, setIsOffered] = useState(false);
  const isChanging = useRef(false);
  useLayoutEffect(() => {
    if (!isChanging.current) return;
    // A phone looks for what kind of keys are wanted when a field is come to.
    input.current?.blur?.();
    input.current?.focus?.();
    isChanging.current = false;
  }, [hasLetters, input]);
  return {
    isOffered,
    hasLetters,
    change: () => {
      isChanging.current = true;
      setHasLetters(!hasLetters);
    },
    onFocus: () => setIsOffered(hasKeysOnScreen()),
    onBlur: () => {
      if (!isChanging.current) setIsOffered(false);
    },
  };
}
