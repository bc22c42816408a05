import {
  lineFormatSchema,
  shippedFormats,
  type Gauge,
  type GaugeRole,
  type LineFormat,
} from '@holvek/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm, useWatch, type Control } from 'react-hook-form';
import { z } from 'zod';
import { useHouseRules } from '@/data/queries';
import { useDesk } from '@/desk/use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { Choice } from '@/ui/field';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { plainNumber } from '@/ui/plain-number';
import { BigButton, WordButton } from '@/ui/press';
import { Figure, Muted, Strong, Words } from '@/ui/words';
import { GaugeReach } from './gauge-reach';
import { keepFormat, keepReach, keptFormat, keptReach } from '@/gauge-link/kept-format';
import { lineTroubleWords } from '@/gauge-link/line-words';
import { reached, refusedWords } from '@/gauge-link/reach';
import { canLinkSerial } from '@/gauge-link/serial';
import { useLineState } from '@/gauge-link/use-lines';

type Props = { readonly isOpen: boolean; readonly onClose: () => void };

/** A hand-held gauge that speaks: which, over what, and how. */
export function LinkGaugeSheet({ isOpen, onClose }: Props) {
  const { run } = useDesk();
  const roles = Object.keys(run.gauges) as GaugeRole[];
  const [role, setRole] = useState<GaugeRole>(roles[0] ?? 'outlet');
  const gauge = run.gauges[role];
  return (
    <BottomSheet isOpen={isOpen} title="A gauge by its line" onClose={onClose}>
      <Choice
        label="Which gauge"
        value={role}
        onChange={setRole}
        options={roles.map((value) => ({ value, say: run.gauges[value]?.tag ?? value }))}
      />
      {gauge ? <LinkOne key={role} role={role} gauge={gauge} /> : null}
    </BottomSheet>
  );
}

function LinkOne({ role, gauge }: { readonly role: GaugeRole; readonly gauge: Gauge }) {
  const { gaugeLines, units } = useDesk();
  const line = gaugeLines.of(role);
  const state = useLineState(line);
  const [refused, setRefused] = useState<string>();
  const [reach, setReach] = useState(() => keptReach(gauge.id, firstWay()));
  const way = reached(reach, useHouseRules().gauge_radio, window.location.protocol === 'https:');
  const { control, handleSubmit, reset } = useForm<FormatTexts>({
    resolver: zodResolver(formatTexts),
    defaultValues: textsOf(keptFormat(gauge.id)),
  });
  const trouble = lineTroubleWords(state.trouble, units);
  const open = handleSubmit(async (texts) => {
    if (!('open' in way)) return;
    const format = formatOf(texts);
    setRefused(undefined);
    try {
      if (!(await gaugeLines.open(role, format, way.open))) return;
      keepFormat(gauge.id, format);
      keepReach(gauge.id, reach);
    } catch (error) {
      setRefused(refusedWords(reach.by, error));
    }
  });
  return (
    <>
      <GaugeReach reach={reach} onReach={setReach} why={'why' in way ? way.why : undefined} />
      <FormatFields control={control} onWay={(id) => reset(textsOf(shippedOf(id)))} />
      {refused ? (
        <Words color="$vermilion" role="alert">
          {refused}
        </Words>
      ) : null}
      {line ? (
        <Card testID="line-raw">
          <Strong>
            {state.shown === undefined
              ? 'Waiting for its first line'
              : `It shows ${units.withUnit(state.shown, gauge.resolution_pa)}`}
          </Strong>
          {state.raw.map((raw, i) => (
            <Figure key={`${i} ${raw}`} fontSize="$2" lineHeight="$2">
              {raw}
            </Figure>
          ))}
          {trouble ? (
            <Words color="$vermilion" role="alert">
              {trouble}
            </Words>
          ) : null}
        </Card>
      ) : null}
      <BigButton
        kind={line ? 'outline' : 'primary'}
        disabled={!('open' in way)}
        onPress={() => void open()}
      >
        {line ? 'Open it anew' : LISTEN[reach.by]}
      </BigButton>
      {line ? (
        <WordButton onPress={() => void gaugeLines.close(role)}>let go of the line</WordButton>
      ) : null}
    </>
  );
}

const LISTEN = {
  cable: 'Choose the port and listen',
  radio: 'Choose the gauge and listen',
  bridge: 'Listen through the bridge',
} as const;
const firstWay = () => (canLinkSerial() ? 'cable' : 'bridge');

/** A way of speaking while it is written: figures are texts until they are whole. */
type FormatTexts = Omit<LineFormat, 'baud' | 'factor'> & {
  readonly baud: string;
  readonly factor: string;
};
const textsOf = (format: LineFormat): FormatTexts => ({
  ...format,
  baud: String(format.baud),
  factor: String(format.factor),
});
const formatOf = (texts: FormatTexts): LineFormat => ({
  ...texts,
  unit: texts.unit.trim(),
  baud: plainNumber(texts.baud),
  factor: plainNumber(texts.factor),
});

/** What the texts stand for is held to what a format may be; a fault is shown at its field. */
const formatTexts = z.custom<FormatTexts>().superRefine((texts, context) => {
  const checked = lineFormatSchema.safeParse(formatOf(texts));
  for (const { path, message } of checked.error?.issues ?? [])
    context.addIssue({ code: 'custom', path, message });
});

const ways = shippedFormats.map(({ id, name }) => ({ value: id, say: name }));
const shippedOf = (id: string): LineFormat => shippedFormats.find((each) => each.id === id)!;
const references = [
  { value: 'gauge', say: 'the air outside' },
  { value: 'absolute', say: 'nothing (absolute)' },
] as const;

/** How it speaks: one of the ways that are known, and what is different here. */
function FormatFields({
  control,
  onWay,
}: {
  readonly control: Control<FormatTexts>;
  readonly onWay: (id: string) => void;
}) {
  const [isWhole, setWhole] = useState(false);
  const way = useWatch({ control, name: 'id' });
  return (
    <>
      <Choice label="How it speaks" value={way} onChange={onWay} options={ways} />
      <FormField
        control={control}
        name="unit"
        label="Unit, where its lines do not say it"
        maxLength={12}
      />
      {isWhole ? (
        <>
          <FormField control={control} name="baud" label="Speed" unit="baud" numeric />
          <FormField
            control={control}
            name="pattern"
            label="What a line looks like"
            maxLength={200}
          />
          <FormField control={control} name="factor" label="Times" numeric />
          <FormField control={control} name="poll" label="Sent to be answered" maxLength={40} />
          <FormChoice
            control={control}
            name="reference"
            label="Measured against"
            options={references}
          />
          <Muted>Kept on this phone for this gauge.</Muted>
        </>
      ) : (
        <WordButton onPress={() => setWhole(true)}>it speaks a little otherwise</WordButton>
      )}
    </>
  );
}
