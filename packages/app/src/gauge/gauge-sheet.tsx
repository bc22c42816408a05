import { zodResolver } from '@hookform/resolvers/zod';
import { fromSI, toSI, type Gauge } from '@holvek/core';
import { useState } from 'react';
import { Controller, useForm, useWatch, type Path } from 'react-hook-form';
import { z } from 'zod';
import { Refusal } from '@/data/api';
import { useChangeGauge } from '@/data/queries';
import { newId } from '@/data/run-shelf';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Choice, Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

const number = (what: string) =>
  z
    .string()
    .trim()
    .regex(/^-?\d*[.,]?\d+$/u, `${what}: a plain number`);
const schema = z.object({
  tag: z.string().trim().min(1, 'Every gauge has a tag').max(40),
  unit: z.enum(['kPa', 'bar', 'psi', 'mbar']),
  low: number('Low end'),
  high: number('High end'),
  resolution: number('Readable step'),
  accuracy: number('Accuracy'),
  height: number('Height'),
  calibrated: z.iso.date('A day such as 2026-05-31'),
  due: z.iso.date('A day such as 2027-05-31'),
});
type Texts = z.infer<typeof schema>;
const empty: Texts = {
  tag: '',
  unit: 'kPa',
  low: '0',
  high: '',
  resolution: '',
  accuracy: '',
  height: '0',
  calibrated: '',
  due: '',
};
const fields: readonly {
  readonly name: Path<Texts>;
  readonly label: string;
  readonly numeric?: boolean;
}[] = [
  { name: 'tag', label: 'Tag' },
  { name: 'low', label: 'Low end of the range', numeric: true },
  { name: 'high', label: 'High end of the range', numeric: true },
  { name: 'resolution', label: 'Finest step that can be read', numeric: true },
  { name: 'accuracy', label: 'Accuracy, % of span', numeric: true },
  { name: 'height', label: 'Hangs above its tapping, m', numeric: true },
  { name: 'calibrated', label: 'Calibrated on' },
  { name: 'due', label: 'Calibration runs out on' },
];

/** A gauge as its face and certificate say. */
export function GaugeSheet({
  gauge,
  onClose,
}: {
  readonly gauge: Gauge | 'new' | undefined;
  readonly onClose: () => void;
}) {
  const change = useChangeGauge();
  const [trouble, setTrouble] = useState<string>();
  const known = gauge === 'new' || gauge === undefined ? undefined : gauge;
  const { control, handleSubmit } = useForm<Texts>({
    resolver: zodResolver(schema),
    values: known ? toTexts(known) : empty,
  });
  const unit = useWatch({ control, name: 'unit' });
  const keep = handleSubmit((texts) => {
    const value = toGauge(texts, known?.id ?? newId());
    if (!(value.range_low_pa < value.range_high_pa))
      return setTrouble(refusalWords('gauge.range_upside_down'));
    setTrouble(undefined);
    change.mutate(value, {
      onSuccess: onClose,
      onError: (error) =>
        setTrouble(
          error instanceof Refusal
            ? refusalWords(error.code)
            : 'The server cannot be reached. Nothing was changed.',
        ),
    });
  });
  return (
    <BottomSheet
      isOpen={gauge !== undefined}
      title={known ? known.tag : 'New gauge'}
      onClose={onClose}
    >
      <Controller
        name="unit"
        control={control}
        render={({ field }) => (
          <Choice
            label="Unit on its face"
            value={field.value}
            onChange={field.onChange}
            options={(['kPa', 'bar', 'psi', 'mbar'] as const).map((value) => ({
              value,
              say: value,
            }))}
          />
        )}
      />
      {fields.map(({ name, label, numeric }) => (
        <Controller
          key={name}
          name={name}
          control={control}
          render={({ field, fieldState }) => (
            <Field
              label={label}
              value={String(field.value)}
              onChangeText={field.onChange}
              error={fieldState.error?.message}
              {...(numeric
                ? { numeric, ...(['low', 'high', 'resolution'].includes(name) ? { unit } : {}) }
                : {})}
            />
          )}
        />
      ))}
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <BigButton onPress={() => void keep()}>Keep this gauge</BigButton>
    </BottomSheet>
  );
}

const plain = (value: number) => String(Number(value.toPrecision(8)));
const read = (text: string) => Number(text.replace(',', '.'));

const toTexts = (gauge: Gauge): Texts => ({
  tag: gauge.tag,
  unit: gauge.unit as Texts['unit'],
  low: plain(fromSI(gauge.range_low_pa, gauge.unit)),
  high: plain(fromSI(gauge.range_high_pa, gauge.unit)),
  resolution: plain(fromSI(gauge.resolution_pa, gauge.unit)),
  accuracy: plain(gauge.accuracy_fraction * 100),
  height: plain(gauge.height_above_tapping_m),
  calibrated: gauge.calibrated_on,
  due: gauge.calibration_due_on,
});

const toGauge = (texts: Texts, id: string): Gauge => ({
  id,
  tag: texts.tag.trim(),
  unit: texts.unit,
  range_low_pa: toSI(read(texts.low), texts.unit),
  range_high_pa: toSI(read(texts.high), texts.unit),
  resolution_pa: toSI(read(texts.resolution), texts.unit),
  accuracy_fraction: read(texts.accuracy) / 100,
  height_above_tapping_m: read(texts.height),
  calibrated_on: texts.calibrated,
  calibration_due_on: texts.due,
});
