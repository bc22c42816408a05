import {
  lineFormatSchema,
  shippedFormats,
  type Gauge,
  type GaugeRole,
  type LineFormat,
} from '@holvek/core';
import { useState } from 'react';
import { useDesk } from '@/desk/use-desk';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { Choice, Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { Figure, Muted, Strong, Words } from '@/ui/words';
import { keptFormat, keepFormat } from '@/gauge-link/kept-format';
import { lineTroubleWords } from '@/gauge-link/line-words';
import { canLinkSerial } from '@/gauge-link/serial';
import { useLineState } from '@/gauge-link/use-lines';

type Props = { readonly isOpen: boolean; readonly onClose: () => void };

/** A hand-held gauge that speaks over a cable: which, and how it speaks. */
export function LinkGaugeSheet({ isOpen, onClose }: Props) {
  const { run } = useDesk();
  const roles = Object.keys(run.gauges) as GaugeRole[];
  const [role, setRole] = useState<GaugeRole>(roles[0] ?? 'outlet');
  const gauge = run.gauges[role];
  return (
    <BottomSheet isOpen={isOpen} title="A gauge by its line" onClose={onClose}>
      {canLinkSerial() ? null : (
        <Card tone="warn">
          <Words color="$onBrassSoft">
            This browser opens no serial port, or the page is not reached over a secure connection.
            Read the gauge by eye.
          </Words>
        </Card>
      )}
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
  const [format, setFormat] = useState(() => textsOf(keptFormat(gauge.id)));
  const [refused, setRefused] = useState<string>();
  const trouble = lineTroubleWords(state.trouble, units);
  const open = async () => {
    const checked = lineFormatSchema.safeParse(formatOf(format));
    if (!checked.success) return setRefused(checked.error.issues[0]?.message);
    setRefused(undefined);
    try {
      if (await gaugeLines.open(role, checked.data)) keepFormat(gauge.id, checked.data);
    } catch {
      setRefused('The port could not be opened: is another program using it?');
    }
  };
  return (
    <>
      <FormatFields format={format} onChange={setFormat} />
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
        disabled={!canLinkSerial()}
        onPress={() => void open()}
      >
        {line ? 'Open it anew' : 'Choose the port and listen'}
      </BigButton>
      {line ? (
        <WordButton onPress={() => void gaugeLines.close(role)}>let go of the line</WordButton>
      ) : null}
    </>
  );
}

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
  baud: Number(texts.baud),
  factor: Number(texts.factor.replace(',', '.')),
});

const ways = shippedFormats.map(({ id, name }) => ({ value: id, say: name }));

/** How it speaks: one of the ways that are known, and what is different here. */
function FormatFields({
  format,
  onChange,
}: {
  readonly format: FormatTexts;
  readonly onChange: (format: FormatTexts) => void;
}) {
  const [isWhole, setWhole] = useState(false);
  const shipped = (id: string) => textsOf(shippedFormats.find((each) => each.id === id)!);
  const text = (key: 'baud' | 'factor' | 'poll' | 'pattern') => (said: string) =>
    onChange({ ...format, [key]: said });
  return (
    <>
      <Choice
        label="How it speaks"
        value={format.id}
        onChange={(id) => onChange(shipped(id))}
        options={ways}
      />
      <Field
        label="Unit, where its lines do not say it"
        value={format.unit}
        onChangeText={(unit) => onChange({ ...format, unit: unit.trim() })}
        maxLength={12}
      />
      {isWhole ? (
        <>
          <Field
            label="Speed"
            unit="baud"
            value={format.baud}
            onChangeText={text('baud')}
            numeric
          />
          <Field
            label="What a line looks like"
            value={format.pattern}
            onChangeText={text('pattern')}
            maxLength={200}
          />
          <Field label="Times" value={format.factor} onChangeText={text('factor')} numeric />
          <Field
            label="Sent to be answered"
            value={format.poll}
            onChangeText={text('poll')}
            maxLength={40}
          />
          <Choice
            label="Measured against"
            value={format.reference}
            onChange={(reference) => onChange({ ...format, reference })}
            options={[
              { value: 'gauge', say: 'the air outside' },
              { value: 'absolute', say: 'nothing (absolute)' },
            ]}
          />
          <Muted>Kept on this phone for this gauge.</Muted>
        </>
      ) : (
        <WordButton onPress={() => setWhole(true)}>it speaks a little otherwise</WordButton>
      )}
    </>
  );
}
