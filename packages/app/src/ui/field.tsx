import type { KeyboardEvent, ReactNode } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { FigureInput } from './figure-input';
import { Press } from './press';
import { TextInput } from './text-input';
import { Muted, Strong, Words } from './words';

/** A labelled input with its unit and what is wrong with it. */
export function Field({
  label,
  unit,
  error,
  hint,
  name,
  inputRef,
  isWanted = false,
  isSecret = false,
  ...input
}: {
  readonly label: string;
  /** Given by a form, so that it can lead to the first field that it stops at. */
  readonly inputRef?: (input: { focus?: () => void } | null) => void;
  /** What it is called where the label alone would be said twice. */
  readonly name?: string;
  readonly value: string;
  readonly onChangeText: (text: string) => void;
  readonly unit?: string;
  readonly error?: string | undefined;
  /** Nothing is wrong with it: it is only still to be filled in. */
  readonly isWanted?: boolean;
  readonly hint?: string;
  readonly numeric?: boolean;
  /** Not to be read over a shoulder. */
  readonly isSecret?: boolean;
  readonly onSubmitEditing?: () => void;
  readonly maxLength?: number;
}) {
  const { numeric, ...rest } = input;
  const shown = {
    'aria-invalid': error !== undefined,
    ...(error ? { borderColor: isWanted ? '$brassMark' : '$vermilion' } : {}),
    ...rest,
  } as const;
  return (
    <YStack gap="$1">
      <XStack justifyContent="space-between">
        <Muted>{label}</Muted>
        {unit ? <Muted>{unit}</Muted> : null}
      </XStack>
      {numeric ? (
        <FigureInput {...shown} label={name ?? label} inputRef={inputRef} />
      ) : (
        <TextInput
          {...shown}
          aria-label={name ?? label}
          {...(inputRef ? { ref: inputRef as never } : {})}
          {...(isSecret ? { type: 'password' } : {})}
        />
      )}
      {error ? (
        <FieldTrouble isWanted={isWanted}>{error}</FieldTrouble>
      ) : hint ? (
        <Muted>{hint}</Muted>
      ) : null}
    </YStack>
  );
}

/** What keeps a field from being taken: red only where something is wrong. */
export const FieldTrouble = ({
  isWanted,
  children,
}: {
  readonly isWanted: boolean;
  readonly children: string;
}) => (
  <Words color={isWanted ? '$brass' : '$vermilion'} role={isWanted ? 'status' : 'alert'}>
    {children}
  </Words>
);

type ChoiceProps<T extends string> = {
  readonly label: string;
  readonly value: T;
  readonly options: readonly {
    readonly value: T;
    readonly say: ReactNode;
    readonly name?: string;
  }[];
  readonly onChange: (value: T) => void;
};

/** Which way an arrow key moves the choice. */
const ARROWS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowDown: 1,
  ArrowLeft: -1,
  ArrowUp: -1,
};

/** One of a few, as wide keys in a row that wraps. */
export function Choice<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  const at = options.findIndex((option) => option.value === value);
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const by = ARROWS[event.key];
    const next = by && options[(Math.max(0, at) + by + options.length) % options.length];
    if (!next) return;
    event.preventDefault();
    onChange(next.value);
    const radios = event.currentTarget.querySelectorAll<HTMLElement>('[role="radio"]');
    radios[options.indexOf(next)]?.focus();
  };
  return (
    <YStack gap="$1" role="radiogroup" aria-label={label} {...({ onKeyDown } as object)}>
      <Muted>{label}</Muted>
      <XStack gap="$2" flexWrap="wrap">
        {options.map((option, i) => {
          const isChosen = i === at;
          return (
            <Press
              key={option.value}
              role="radio"
              aria-checked={isChosen}
              aria-label={option.name}
              // One stop for the whole group; the arrows go on from there.
              tabIndex={i === Math.max(0, at) ? 0 : -1}
              onPress={() => onChange(option.value)}
              minHeight={48}
              maxWidth="100%"
              paddingHorizontal="$3"
              paddingVertical="$2"
              justifyContent="center"
              borderRadius="$2"
              borderWidth={2}
              borderColor={isChosen ? '$verdigris' : '$line'}
              backgroundColor={isChosen ? '$lane' : '$card'}
            >
              {typeof option.say === 'string' ? (
                <Strong color={isChosen ? '$onLane' : '$color'}>{option.say}</Strong>
              ) : (
                option.say
              )}
            </Press>
          );
        })}
      </XStack>
    </YStack>
  );
}
