import { zodResolver } from '@hookform/resolvers/zod';
import type { Site } from '@holvek/core';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { z } from 'zod';
import { Refusal } from '@/data/api';
import { useChangeSite } from '@/data/queries';
import { newId } from '@/data/new-id';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { plainNumber } from '@/ui/plain-number';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

const LOWEST_M = -430;
const HIGHEST_M = 11_000;
const schema = z.object({
  name: z.string().trim().min(1, 'What is it called?').max(120),
  altitude: z.string().refine((text) => {
    const metres = plainNumber(text);
    return metres >= LOWEST_M && metres <= HIGHEST_M;
  }, 'Metres above the sea, such as 420'),
});
type Texts = z.infer<typeof schema>;

/** Where the valves stand: its name, and how high it lies. */
export function PlaceSheet({
  site,
  isOpen,
  onClose,
}: {
  readonly site: Site | 'new';
  readonly isOpen: boolean;
  readonly onClose: () => void;
}) {
  const change = useChangeSite();
  const [trouble, setTrouble] = useState<string>();
  const known = site === 'new' ? undefined : site;
  const { control, handleSubmit } = useForm<Texts>({
    resolver: zodResolver(schema),
    values: { name: known?.name ?? '', altitude: known ? String(known.altitude_m) : '' },
  });
  const keep = handleSubmit(({ name, altitude }) => {
    setTrouble(undefined);
    change.mutate(
      { id: known?.id ?? newId(), name: name.trim(), altitude_m: plainNumber(altitude) },
      {
        onSuccess: onClose,
        onError: (error) =>
          setTrouble(
            error instanceof Refusal
              ? refusalWords(error.code)
              : 'It could not be kept. What you wrote is still here.',
          ),
      },
    );
  });
  return (
    <BottomSheet isOpen={isOpen} title={known ? known.name : 'The place'} onClose={onClose}>
      <Controller
        name="name"
        control={control}
        render={({ field, fieldState }) => (
          <Field
            label="Name"
            value={field.value}
            onChangeText={field.onChange}
            error={fieldState.error?.message}
          />
        )}
      />
      <Controller
        name="altitude"
        control={control}
        render={({ field, fieldState }) => (
          <Field
            label="Altitude"
            unit="m"
            numeric
            value={field.value}
            onChangeText={field.onChange}
            error={fieldState.error?.message}
            hint="From a map; it gives the barometer."
          />
        )}
      />
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <BigButton onPress={() => void keep()}>Keep this place</BigButton>
    </BottomSheet>
  );
}
