import {
  defaultGasLockup,
  houseRulesSchema,
  instrumentRules,
  type GasLockupRules,
  type HouseRules,
  type InstrumentRules,
} from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from 'tamagui';
import { useChangeHouseRules, useHouseRules } from '@/data/queries';
import { Field } from '@/ui/field';
import { BigButton } from '@/ui/press';
import { Heading, Words } from '@/ui/words';

type NumberRule = Exclude<keyof HouseRules, 'min_flow' | 'instruments' | 'lockup_gas'>;
/** Shown value = stored value × scale. */
const rows: readonly {
  readonly key: NumberRule;
  readonly label: string;
  readonly unit: string;
  readonly scale: number;
}[] = [
  {
    key: 'gauge_low_fraction',
    label: 'Target lies above this share of the gauge',
    unit: '%',
    scale: 100,
  },
  { key: 'gauge_high_fraction', label: 'and below this share', unit: '%', scale: 100 },
  { key: 'tur_wanted', label: 'Tolerance to gauge error, wanted', unit: 'to 1', scale: 1 },
  { key: 'tur_least', label: 'Tolerance to gauge error, least', unit: 'to 1', scale: 1 },
  {
    key: 'lockup_fraction',
    label: 'Lockup allowed on water, of the set point',
    unit: '%',
    scale: 100,
  },
  { key: 'lockup_least_pa', label: 'but at least', unit: 'kPa', scale: 1e-3 },
  {
    key: 'chance_past_limit',
    label: 'Chance of passing a limit that a move may carry',
    unit: '%',
    scale: 100,
  },
  {
    key: 'chance_past_lane',
    label: 'Chance of passing the lane that a move may carry',
    unit: '%',
    scale: 100,
  },
  {
    key: 'spring_rate_sd_fraction',
    label: 'Spread of a spring chart’s rate',
    unit: '%',
    scale: 100,
  },
  { key: 'family_rate_sd_fraction', label: 'Spread of a family’s rate', unit: '%', scale: 100 },
  {
    key: 'sheet_rate_sd_fraction',
    label: 'Spread of a rate from earlier sheets',
    unit: '%',
    scale: 100,
  },
  {
    key: 'family_rate_pa_per_turn',
    label: 'A turn gives, when nothing else is known',
    unit: 'kPa',
    scale: 1e-3,
  },
  { key: 'direction_trust', label: 'Trust in the direction on a plate', unit: '%', scale: 100 },
  { key: 'bleed_cycles', label: 'Bleeding cycles', unit: '', scale: 1 },
  { key: 'largest_turn', label: 'Largest single move', unit: 'turns', scale: 1 },
  { key: 'settle_wait_s', label: 'Wait after a turn', unit: 's', scale: 1 },
  { key: 'typed_apart_s', label: 'Two typed readings that agree lie apart', unit: 's', scale: 1 },
  { key: 'no_flow_record_s', label: 'Length of a no-flow record', unit: 's', scale: 1 },
  { key: 'proving_cycles', label: 'Proving cycles of a relief', unit: '', scale: 1 },
  { key: 'blowdown_most', label: 'Largest blowdown', unit: '%', scale: 100 },
  {
    key: 'search_turn',
    label: 'Smallest move when looking for the first dribble',
    unit: 'turns',
    scale: 1,
  },
  {
    key: 'overdemand_factor',
    label: 'Overdemand, times the outlets of normal work',
    unit: '',
    scale: 1,
  },
  {
    key: 'compensator_over_load_pa',
    label: 'Compensator over the heaviest load',
    unit: 'bar',
    scale: 1e-5,
  },
  {
    key: 'main_relief_over_compensator_pa',
    label: 'Main relief over the compensator',
    unit: 'bar',
    scale: 1e-5,
  },
  {
    key: 'cross_port_over_least_pa',
    label: 'Cross-ports over what drives the motor, least',
    unit: 'bar',
    scale: 1e-5,
  },
  { key: 'cross_port_over_most_pa', label: 'and most', unit: 'bar', scale: 1e-5 },
  { key: 'parked_low_pa', label: 'A pump is heard dumping at', unit: 'bar', scale: 1e-5 },
  { key: 'months_between_visits', label: 'Months between visits', unit: '', scale: 1 },
  {
    key: 'default_tolerance_fraction',
    label: 'Tolerance when none is given',
    unit: '%',
    scale: 100,
  },
  {
    key: 'limit_over_target_fraction',
    label: 'Limit over the target when none is given',
    unit: '%',
    scale: 100,
  },
];
const instrumentRows: readonly {
  readonly key: keyof InstrumentRules;
  readonly label: string;
  readonly unit: string;
  readonly scale: number;
}[] = [
  { key: 'span_factor', label: 'Pointer: span is moved by the error times', unit: '', scale: 1 },
  {
    key: 'positioner_span_factor',
    label: 'Positioner: span is moved by the error times',
    unit: '',
    scale: 1,
  },
  {
    key: 'angularity_factor',
    label: 'Link length is moved by the error times',
    unit: '',
    scale: 1,
  },
  {
    key: 'scale_reading',
    label: 'Finest step read of a travel scale',
    unit: '% of span',
    scale: 100,
  },
  {
    key: 'switch_differential_least_pa',
    label: 'Least differential of a switch',
    unit: 'kPa',
    scale: 1e-3,
  },
  {
    key: 'suction_margin_pa',
    label: 'Suction below the set point for the test',
    unit: 'kPa',
    scale: 1e-3,
  },
  { key: 'purge_s', label: 'Purge after a failed light', unit: 's', scale: 1 },
  { key: 'lights_most', label: 'Lights in one search, at the most', unit: '', scale: 1 },
  { key: 'light_fail_cost', label: 'A failed light counts as so many lights', unit: '', scale: 1 },
  { key: 'late_spark_share', label: 'Late spark, share of the trial', unit: '%', scale: 100 },
  {
    key: 'alignment_tolerance_pa',
    label: 'Output may move in an alignment sweep',
    unit: 'kPa',
    scale: 1e-3,
  },
  { key: 'loop_headroom_v', label: 'Kept in hand of a loop’s supply', unit: 'V', scale: 1 },
];
const gasRows: readonly {
  readonly key: keyof GasLockupRules;
  readonly label: string;
  readonly unit: string;
  readonly scale: number;
}[] = [
  { key: 'low_below_pa', label: 'Low-pressure gas: below', unit: 'kPa', scale: 1e-3 },
  { key: 'low_fraction', label: 'lockup allowed there, of the set point', unit: '%', scale: 100 },
  { key: 'low_least_pa', label: 'but at least', unit: 'kPa', scale: 1e-3 },
  { key: 'fraction', label: 'Gas above that: lockup allowed', unit: '%', scale: 100 },
  { key: 'least_pa', label: 'but at least', unit: 'kPa', scale: 1e-3 },
];
const show = (value: number, scale: number) => String(Number((value * scale).toPrecision(6)));
const read = (text: string, scale: number) => Number(text.replace(',', '.')) / scale;

const gasRules = ({ lockup_gas: gas }: HouseRules): GasLockupRules => gas ?? defaultGasLockup;

/** Every figure of the house, with what the schema says of it. */
export function HouseRulesForm() {
  const rules = useHouseRules();
  const change = useChangeHouseRules();
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const textOf = (key: string, fallback: string) => texts[key] ?? fallback;
  const edit = (key: string) => (text: string) => setTexts((now) => ({ ...now, [key]: text }));
  const wanted = {
    ...rules,
    ...Object.fromEntries(
      rows.map(({ key, scale }) => [key, read(textOf(key, show(rules[key], scale)), scale)]),
    ),
    instruments: Object.fromEntries(
      instrumentRows.map(({ key, scale }) => [
        key,
        read(textOf(key, show(instrumentRules(rules)[key], scale)), scale),
      ]),
    ),
    lockup_gas: Object.fromEntries(
      gasRows.map(({ key, scale }) => [
        key,
        read(textOf(`gas_${key}`, show(gasRules(rules)[key], scale)), scale),
      ]),
    ),
    min_flow: rules.min_flow.map((row) => ({
      ...row,
      flow_m3s: read(textOf(`flow_${row.size_dn}`, show(row.flow_m3s, 1000)), 1000),
    })),
  };
  const parsed = houseRulesSchema.safeParse(wanted);
  const wrong = new Map(
    parsed.success
      ? []
      : parsed.error.issues.map(({ path, message }) => [
          path[0] === 'min_flow'
            ? `flow_${rules.min_flow[Number(path[1])]?.size_dn}`
            : path[0] === 'lockup_gas'
              ? `gas_${String(path[1])}`
              : String(path[0] === 'instruments' ? path[1] : path[0]),
          message,
        ]),
  );
  const isChanged = Object.keys(texts).length > 0;
  const keep = () => {
    if (parsed.success) change.mutate(parsed.data, { onSuccess: () => setTexts({}) });
  };
  return (
    <YStack gap="$3">
      {rows.map(({ key, label, unit, scale }) => (
        <Field
          key={key}
          label={label}
          unit={unit}
          value={textOf(key, show(rules[key], scale))}
          onChangeText={edit(key)}
          numeric
          error={wrong.get(key)}
        />
      ))}
      <Heading>Gas</Heading>
      {gasRows.map(({ key, label, unit, scale }) => (
        <Field
          key={key}
          label={label}
          unit={unit}
          value={textOf(`gas_${key}`, show(gasRules(rules)[key], scale))}
          onChangeText={edit(`gas_${key}`)}
          numeric
          error={wrong.get(`gas_${key}`)}
        />
      ))}
      <Heading>Points, bands and flames</Heading>
      {instrumentRows.map(({ key, label, unit, scale }) => (
        <Field
          key={key}
          label={label}
          unit={unit}
          value={textOf(key, show(instrumentRules(rules)[key], scale))}
          onChangeText={edit(key)}
          numeric
          error={wrong.get(key)}
        />
      ))}
      <Heading>Least flow by size</Heading>
      <XStack flexWrap="wrap" gap="$2">
        {rules.min_flow.map(({ size_dn: size, flow_m3s: flow }) => (
          <YStack key={size} width="31%">
            <Field
              label={`DN ${size}`}
              unit="L/s"
              value={textOf(`flow_${size}`, show(flow, 1000))}
              onChangeText={edit(`flow_${size}`)}
              numeric
              error={wrong.get(`flow_${size}`)}
            />
          </YStack>
        ))}
      </XStack>
      {change.isError ? (
        <Words color="$vermilion" role="alert">
          The server cannot be reached. The old figures stand; what you typed is still here.
        </Words>
      ) : null}
      <BigButton disabled={!isChanged || !parsed.success || change.isPending} onPress={keep}>
        Keep these figures
      </BigButton>
    </YStack>
  );
}
