import {
  placePath,
  placeTree,
  shortPlacePath,
  signalPaths,
  signalUnits,
  type PlateFact,
} from '@holvek/core';
import { Controller, type Control } from 'react-hook-form';
import { XStack, YStack } from '@/ui/kit';
import { useSites } from '@/data/queries';
import { Choice, Field, FieldTrouble } from '@/ui/field';
import { FormChoice } from '@/ui/form-choice';
import { Muted } from '@/ui/words';

export type Texts = Record<string, string | undefined>;
/** A dot would be a place within a form, so paths are written with a colon. */
export const nameOf = (path: string): string => path.replaceAll('.', ':');
export const pathOf = (name: string): string => name.replaceAll(':', '.');

type Props = {
  readonly fact: PlateFact;
  readonly control: Control<Texts>;
  /** The unit in which pressures are read where none is typed. */
  readonly pressure: string;
};

/** One fact of a plate, asked for as it is read off. */
export function FactField({ fact, control, pressure }: Props) {
  if (fact.kind === 'signal') return <SignalField fact={fact} control={control} />;
  if (fact.kind === 'place') return <PlaceField fact={fact} control={control} />;
  const label = fact.optional ? `${fact.label}, if known` : fact.label;
  return (
    <Controller
      name={nameOf(fact.path)}
      control={control}
      render={({ field, fieldState }) => {
        const error = fieldState.error?.message;
        const isWanted = fieldState.error?.type === 'register.missing';
        const options = optionsOf(fact);
        return options ? (
          <YStack gap="$1">
            <Choice
              label={label}
              value={field.value ?? ''}
              options={options}
              onChange={field.onChange}
            />
            {error ? (
              <FieldTrouble isWanted={isWanted}>{error}</FieldTrouble>
            ) : fact.why ? (
              <Muted>{fact.why}</Muted>
            ) : null}
          </YStack>
        ) : (
          <Field
            label={label}
            value={field.value ?? ''}
            inputRef={field.ref}
            onChangeText={field.onChange}
            error={error}
            isWanted={isWanted}
            maxLength={fact.kind === 'list' ? 800 : 200}
            {...(fact.why ? { hint: fact.why } : {})}
            {...unitOf(fact, pressure)}
          />
        );
      }}
    />
  );
}

function optionsOf(fact: PlateFact) {
  if (fact.kind === 'choice') return fact.options;
  return fact.kind === 'yes_no'
    ? [
        { value: 'yes', say: 'yes' },
        { value: 'no', say: 'no' },
      ]
    : undefined;
}

/** Pressures may carry a unit of their own, so their field takes words too. */
function unitOf(fact: PlateFact, pressure: string) {
  if (fact.kind === 'pressure' || fact.kind === 'difference') return { unit: pressure };
  return fact.kind === 'figure' ? { unit: fact.unit, numeric: true } : {};
}

/** The place that it belongs to; not asked while the house has only one. */
function PlaceField({ fact, control }: Pick<Props, 'fact' | 'control'>) {
  const places = useSites().data ?? [];
  const open = placeTree(places).filter(({ place }) => !place.closed);
  if (open.length < 2) return null;
  const options = open.map(({ place: { id } }) => ({
    value: placePath(places, id),
    say: shortPlacePath(places, id),
  }));
  return (
    <YStack gap="$1">
      <FormChoice control={control} name={nameOf(fact.path)} label={fact.label} options={options} />
      {fact.why ? <Muted>{fact.why}</Muted> : null}
    </YStack>
  );
}

/** A range between two ends, in the unit that is written beside it. */
function SignalField({ fact, control }: Pick<Props, 'fact' | 'control'>) {
  const { unit, low, high } = signalPaths(fact.path);
  return (
    <YStack gap="$2">
      <Controller
        name={nameOf(unit)}
        control={control}
        render={({ field }) => (
          <Choice
            label={fact.optional ? `${fact.label}, if there is one` : fact.label}
            value={field.value || 'mA'}
            options={Object.keys(signalUnits).map((value) => ({ value, say: value }))}
            onChange={field.onChange}
          />
        )}
      />
      <XStack gap="$3">
        {[
          { path: low, label: 'from', name: `${fact.label} from` },
          { path: high, label: 'to', name: `${fact.label} to` },
        ].map(({ path, label, name }) => (
          <YStack key={path} flex={1}>
            <Controller
              name={nameOf(path)}
              control={control}
              render={({ field, fieldState }) => (
                <Field
                  label={label}
                  name={name}
                  value={field.value ?? ''}
                  inputRef={field.ref}
                  onChangeText={field.onChange}
                  error={fieldState.error?.message}
                  numeric
                />
              )}
            />
          </YStack>
        ))}
      </XStack>
      {fact.why ? <Muted>{fact.why}</Muted> : null}
    </YStack>
  );
}
