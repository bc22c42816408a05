import { zodResolver } from '@hookform/resolvers/zod';
import { measureOf, rungKinds, type Rung, type System } from '@holvek/core';
import { useForm } from 'react-hook-form';
import { kindWord } from './ladder-words';
import { rungSchema, textsOfRung, withoutRung, withRung, type RungTexts } from './rung-form';
import { useValves } from '@/data/queries';
import { useBarometer } from '@/units/use-barometer';
import { useUnits } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { BigButton, WordButton } from '@/ui/press';
import { Words } from '@/ui/words';

type Props = {
  readonly system: System;
  readonly rung: Rung | 'new' | undefined;
  readonly onChange: (system: System) => void;
  readonly onClose: () => void;
};

/** One pressure of the system: what it is, what feeds it, what was found, which valve holds it. */
export function RungSheet({ rung, onClose, ...props }: Props) {
  return (
    <BottomSheet
      isOpen={rung !== undefined}
      title={rung === 'new' ? 'New rung' : (rung?.name ?? '')}
      onClose={onClose}
    >
      {rung ? (
        <RungForm key={rung === 'new' ? 'new' : rung.id} rung={rung} onClose={onClose} {...props} />
      ) : null}
    </BottomSheet>
  );
}

const kinds = rungKinds.map((value) => ({ value, say: kindWord[value] }));

function RungForm({ system, rung, onChange, onClose }: Props & { readonly rung: Rung | 'new' }) {
  const figures = { ...useUnits(), barometer: useBarometer() };
  // A ladder is of pressures.
  const valves = (useValves().data ?? []).filter(({ plate }) => measureOf(plate) === 'pressure');
  const known = rung === 'new' ? undefined : rung;
  const others = system.rungs.filter(({ id }) => id !== known?.id);
  const { control, handleSubmit, formState } = useForm<RungTexts>({
    resolver: zodResolver(rungSchema(others, figures)),
    defaultValues: textsOfRung(known, figures),
    mode: 'onChange',
  });
  const close = (next: System) => {
    onChange(next);
    onClose();
  };
  const keep = handleSubmit((texts) => close(withRung(system, known, texts, figures)));
  return (
    <>
      <FormField control={control} name="name" label="Name" maxLength={80} />
      <FormChoice control={control} name="kind" label="What it is" options={kinds} />
      <FormChoice
        control={control}
        name="feeder"
        label="Fed by"
        options={[
          { value: '', say: 'nothing: a source' },
          ...others.map(({ id, name: say }) => ({ value: id, say })),
        ]}
      />
      <FormField
        control={control}
        name="tolerance"
        label="Tolerance, either way"
        unit={figures.pressure}
        numeric
      />
      <FormField
        control={control}
        name="found"
        label="Found at"
        unit={figures.pressure}
        numeric
        hint="Empty when it was not read."
      />
      <FormChoice
        control={control}
        name="valve"
        label="Held by"
        options={[
          { value: '', say: 'no valve of the register' },
          ...valves.map(({ id, tag }) => ({ value: id, say: tag })),
        ]}
      />
      <BigButton disabled={!formState.isValid} onPress={() => void keep()}>
        Keep this rung
      </BigButton>
      {known ? (
        <>
          <WordButton tone="$vermilion" onPress={() => close(withoutRung(system, known))}>
            take this rung out
          </WordButton>
          <Words color="$muted">Rules that name it go with it.</Words>
        </>
      ) : null}
    </>
  );
}
