import { zodResolver } from '@hookform/resolvers/zod';
import { fromSI, toSI, type Gauge } from '@holvek/core';
import { useState } from 'react';
import { Controller, useForm, useWatch, type Control, type Path } from 'react-hook-form';
import { z } from 'zod';
import { Refusal } from '@/data/api';
import { useChangeGauge } from '@/data/queries';
import { newId } from '@/data/new-id';
import { FailedCheck } from './failed-check';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Choice } from '@/ui/field';
import { FormField } from '@/ui/form-field';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

const number = (what: string) =>
  z
    .string()
    .trim()
    .regex(/^-?\d*[.,]?\d+$/u, `${what}: a plain number`);
/** Units that stand on gauges: a water column and a mercury vacuum gauge too. */
const faceUnits = ['kPa', 'bar', 'mbar', 'psi', 'MPa', 'mH2O', 'mmH2O', 'inH2O', 'inHg'] as const;
const schema = z.object({
  tag: z.string().trim().min(1, 'Every gauge has a tag').max(40),
  unit: z.enum(faceUnits),
  low: number('Low end'),
  high: number('High end'),
  resolution: number('Readable step'),
  accuracy: number('Accuracy'),
  height: number('Height'),
  calibrated: z.iso.date('A day such as 2026-05-31'),
  due: z.iso.date('A day such as 2027-05-31'),
  number: z.string().trim().max(80),
  laboratory: z.string().trim().max(120),
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
  number: '',
  laboratory: '',
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
  { name: 'number', label: 'Certificate number, if there is one' },
  { name: 'laboratory', label: 'Who calibrated it, if known' },
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
    const value = toGauge(texts, known?.id ?? newId(), known);
    if (!(value.range_low_pa < value.range_high_pa))
      return setTrouble(refusalWords('gauge.range_upside_down'));
    setTrouble(undefined);
    send(value);
  });
  const send = (value: Gauge) =>
    change.mutate(value, {
      onSuccess: onClose,
      onError: (error) =>
        setTrouble(
          error instanceof Refusal
            ? refusalWords(error.code)
            : 'The server cannot be reached. Nothing was changed.',
        ),
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
            options={faceUnits.map((value) => ({
              value,
              say: value,
            }))}
          />
        )}
      />
      <FaceFields control={control} unit={unit} />
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <BigButton onPress={() => void keep()}>Keep this gauge</BigButton>
      {known ? <FailedCheck key={known.id} gauge={known} onFailed={send} /> : null}
    </BottomSheet>
  );
}

/** What stands on the face and on the certificate. */
function FaceFields({
  control,
  unit,
}: {
  readonly control: Control<Texts>;
  readonly unit: string;
}) {
  return fields.map(({ name, label, numeric = false }) => (
    <FormField
      key={name}
      control={control}
      name={name}
      label={label}
      numeric={numeric}
      unit={['low', 'high', 'resolution'].includes(name) ? unit : undefined}
    />
  ));
}

const plain = (value: number) => String(Number(value.toPrecision(8)));
const read = (text: string) => Number(text.replace(',', '.'));

const certificateOf = ({ number, laboratory }: Texts): Pick<Gauge, 'certificate'> => {
  const said = { ...(number ? { number } : {}), ...(laboratory ? { laboratory } : {}) };
  return Object.keys(said).length > 0 ? { certificate: said } : {};
};

export const toTexts = (gauge: Gauge): Texts => ({
  tag: gauge.tag,
  unit: gauge.unit as Texts['unit'],
  low: plain(fromSI(gauge.range_low_pa, gauge.unit)),
  high: plain(fromSI(gauge.range_high_pa, gauge.unit)),
  resolution: plain(fromSI(gauge.resolution_pa, gauge.unit)),
  accuracy: plain(gauge.accuracy_fraction * 100),
  height: plain(gauge.height_above_tapping_m),
  calibrated: gauge.calibrated_on,
  due: gauge.calibration_due_on,
  number: gauge.certificate?.number ?? '',
  laboratory: gauge.certificate?.laboratory ?? '',
});

/** What the form does not ask for stays as it was: signals that it gives, checks that it failed. */
export const toGauge = (texts: Texts, id: string, before?: Gauge): Gauge => ({
  ...(before?.sources ? { sources: before.sources } : {}),
  ...(before?.failures ? { failures: before.failures } : {}),
  ...certificateOf(texts),
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
