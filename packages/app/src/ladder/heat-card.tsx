import {
  drivenExcess,
  excessHeat,
  parseQuantity,
  type FoundBeside,
  type System,
} from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { useUnits } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { Field } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { Strong, Words } from '@/ui/words';

type Props = {
  readonly system: System;
  readonly beside: readonly FoundBeside[];
  readonly onChange: (system: System) => void;
};

/** What the pressure that nothing needs turns into: heat, and money. */
export function HeatCard({ system, beside, onChange }: Props) {
  const units = useUnits();
  const [isOpen, setOpen] = useState(false);
  const excess = drivenExcess(system, beside);
  const heat = excessHeat(excess, system.economy);
  const { flow_m3s: flow, currency } = system.economy;
  const hasHeat = heat.watts > 1;
  return (
    <Card {...(hasHeat ? { tone: 'stop' as const } : {})}>
      <Strong color={hasHeat ? '$onVermilionSoft' : '$color'} testID="heat">
        {hasHeat
          ? `Left as found it burns ${(heat.watts / 1000).toFixed(1)} kW`
          : flow === 0
            ? 'No flow is given: no heat can be reckoned'
            : 'Nothing is driven harder than it need be'}
      </Strong>
      {hasHeat ? (
        <Words color="$onVermilionSoft">
          {`${units.withUnit(excess)} of excess at ${units.flowWithUnit(flow)}: ` +
            `about ${Math.round(heat.costPerYear)} ${currency} a year.`}
        </Words>
      ) : null}
      <WordButton tone={hasHeat ? '$vermilion' : '$verdigrisDeep'} onPress={() => setOpen(true)}>
        flow, hours, price
      </WordButton>
      <BottomSheet isOpen={isOpen} title="What heat costs" onClose={() => setOpen(false)}>
        <EconomyForm system={system} onChange={onChange} onClose={() => setOpen(false)} />
      </BottomSheet>
    </Card>
  );
}

function EconomyForm({
  system,
  onChange,
  onClose,
}: Omit<Props, 'beside'> & { readonly onClose: () => void }) {
  const units = useUnits();
  const { economy } = system;
  const [flow, setFlow] = useState(units.flowWithUnit(economy.flow_m3s));
  const [hours, setHours] = useState(String(economy.hours_per_year));
  const [price, setPrice] = useState(String(economy.price_per_kwh));
  const [currency, setCurrency] = useState(economy.currency);
  const parsed = parseQuantity(flow, 'flow', units.flow);
  const number = (text: string, most: number) => {
    const value = Number(text.trim().replace(',', '.'));
    return text.trim() !== '' && value >= 0 && value <= most ? value : undefined;
  };
  const [h, p] = [number(hours, 8784), number(price, 1000)];
  const keep = () => {
    if (!parsed.ok || h === undefined || p === undefined) return;
    onChange({
      ...system,
      economy: {
        flow_m3s: Math.max(0, parsed.value.si),
        hours_per_year: h,
        price_per_kwh: p,
        currency: currency.trim(),
      },
    });
    onClose();
  };
  return (
    <YStack gap="$3">
      <Field
        label="Flow that carries it"
        value={flow}
        onChangeText={setFlow}
        error={parsed.ok ? undefined : 'A flow, such as 95 L/min'}
      />
      <XStack gap="$2">
        <YStack flex={1}>
          <Field
            label="Hours a year"
            value={hours}
            onChangeText={setHours}
            numeric
            error={h === undefined ? '0 to 8 784' : undefined}
          />
        </YStack>
        <YStack flex={1}>
          <Field
            label="Price of a kWh"
            value={price}
            onChangeText={setPrice}
            numeric
            error={p === undefined ? 'a number' : undefined}
          />
        </YStack>
        <YStack width={84}>
          <Field label="Currency" value={currency} onChangeText={setCurrency} maxLength={8} />
        </YStack>
      </XStack>
      <BigButton onPress={keep} disabled={!parsed.ok || h === undefined || p === undefined}>
        Reckon with these
      </BigButton>
    </YStack>
  );
}
