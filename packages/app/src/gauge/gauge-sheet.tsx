import { zodResolver } from '@hookform/resolvers/zod';
import { correctionsSchema, foundBeyondClass, type Gauge } from '@holvek/core';
import { useState, type ReactNode } from 'react';
import { useForm, useWatch, type Control, type Path } from 'react-hook-form';
import { Refusal } from '@/data/api';
import { useChangeGauge } from '@/data/queries';
import { newId } from '@/data/new-id';
import { CorrectionTable } from './correction-table';
import { FailedCheck } from './failed-check';
import {
  emptyGauge,
  faceUnits,
  gaugeFormSchema,
  toGauge,
  toTexts,
  type GaugeTexts,
} from './gauge-form';
import { useUnitsOfGauge } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { BigButton } from '@/ui/press';
import { Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

const fields: readonly {
  readonly name: Path<GaugeTexts>;
  readonly label: string;
  readonly numeric?: boolean;
}[] = [
  { name: 'tag', label: 'Tag' },
  { name: 'low', label: 'Low end of the range', numeric: true },
  { name: 'high', label: 'High end of the range', numeric: true },
  { name: 'resolution', label: 'Finest step that can be read', numeric: true },
  { name: 'accuracy', label: 'Accuracy, %', numeric: true },
  // No keypad of digits alone: it has neither minus nor feet.
  { name: 'height', label: 'Hangs above its tapping, m' },
  { name: 'calibrated', label: 'Calibrated on' },
  { name: 'due', label: 'Calibration runs out on' },
  { name: 'number', label: 'Certificate number, if there is one' },
  { name: 'laboratory', label: 'Who calibrated it, if known' },
];

/** A gauge as its face and certificate say. */
export function GaugeSheet({
  gauge,
  below,
  onClose,
}: {
  readonly gauge: Gauge | 'new' | undefined;
  /** What else is kept of it. */
  readonly below?: ReactNode;
  readonly onClose: () => void;
}) {
  const change = useChangeGauge();
  const [trouble, setTrouble] = useState<string>();
  const known = gauge === 'new' || gauge === undefined ? undefined : gauge;
  const { control, handleSubmit } = useForm<GaugeTexts>({
    resolver: zodResolver(gaugeFormSchema),
    values: known ? toTexts(known) : emptyGauge,
  });
  const unit = useWatch({ control, name: 'unit' });
  const keep = handleSubmit((texts) => {
    const value = toGauge(texts, known?.id ?? newId(), known);
    if (!(value.range_low_pa < value.range_high_pa))
      return setTrouble(refusalWords('gauge.range_upside_down'));
    const tables = [value.corrections, value.as_found].filter((table) => table !== undefined);
    if (!tables.every((table) => correctionsSchema.safeParse(table).success))
      return setTrouble(refusalWords('gauge.corrections_fold'));
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
      <GaugeFields control={control} unit={unit} />
      {known ? <FoundBeyond gauge={known} /> : null}
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <BigButton onPress={() => void keep()}>Keep this gauge</BigButton>
      {below}
      {known ? <FailedCheck key={known.id} gauge={known} onFailed={send} /> : null}
    </BottomSheet>
  );
}

const faces = faceUnits.map((value) => ({ value, say: value }));

/** Everything that is written down of a gauge: its face, its class, its certificate's tables. */
const GaugeFields = ({
  control,
  unit,
}: {
  readonly control: Control<GaugeTexts>;
  readonly unit: string;
}) => (
  <>
    <FormChoice control={control} name="unit" label="Unit on its face" options={faces} />
    <FormChoice
      control={control}
      name="accuracyOf"
      label="Its accuracy is told"
      options={[
        { value: 'span', say: 'of its span' },
        { value: 'reading', say: 'of the reading' },
      ]}
    />
    <FaceFields control={control} unit={unit} />
    <CorrectionTable
      control={control}
      name="corrections"
      title="Corrections of its certificate"
      say="Added to every reading, on straight lines between the points."
      unit={unit}
    />
    <CorrectionTable
      control={control}
      name="asFound"
      title="As found, before it was adjusted"
      say="What would have had to be added until then. It judges no reading; it tells whether it still held its class."
      unit={unit}
    />
  </>
);

/** What stands on the face and on the certificate. */
function FaceFields({
  control,
  unit,
}: {
  readonly control: Control<GaugeTexts>;
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

/** It came to be calibrated and did not hold its class: whoever keeps it says so, and what rests on it is marked. */
function FoundBeyond({ gauge }: { readonly gauge: Gauge }) {
  const units = useUnitsOfGauge(gauge);
  const worst = foundBeyondClass(gauge);
  if (!worst) return null;
  return (
    <Card tone="warn">
      <Words color="$onBrassSoft">
        {`It was off by ${units.withUnit(Math.abs(worst.add_pa))} at ${units.withUnit(worst.shown_pa)}, ` +
          'beyond its class. What was signed with it before rests on that: say below that it failed.'}
      </Words>
    </Card>
  );
}
