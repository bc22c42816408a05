import {
  drivenExcess,
  excessHeat,
  parseQuantity,
  type FoundBeside,
  type System,
} from '@holvek/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { XStack, YStack } from '@/ui/kit';
import { useUnits } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { FormField } from '@/ui/form-field';
import { numberText } from '@/ui/number-text';
import { plainNumber } from '@/ui/plain-number';
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

const economyTexts = (flowUnit: string) =>
  z.object({
    flow: z
      .string()
      .refine((text) => parseQuantity(text, 'flow', flowUnit).ok, 'A flow, such as 95 L/min'),
    hours: numberText('0 to 8 784', (value) => value >= 0 && value <= 8784),
    price: numberText('a number', (value) => value >= 0 && value <= 1000),
    currency: z.string().trim().max(8),
  });
type EconomyTexts = z.infer<ReturnType<typeof economyTexts>>;

/** The economy that texts say which the form has let through. */
function economyFrom(texts: EconomyTexts, flowUnit: string): System['economy'] {
  const flow = parseQuantity(texts.flow, 'flow', flowUnit);
  return {
    flow_m3s: flow.ok ? Math.max(0, flow.value.si) : 0,
    hours_per_year: plainNumber(texts.hours),
    price_per_kwh: plainNumber(texts.price),
    currency: texts.currency,
  };
}

function EconomyForm({
  system,
  onChange,
  onClose,
}: Omit<Props, 'beside'> & { readonly onClose: () => void }) {
  const units = useUnits();
  const { economy } = system;
  const { control, handleSubmit, formState } = useForm<EconomyTexts>({
    resolver: zodResolver(economyTexts(units.flow)),
    defaultValues: {
      flow: units.flowWithUnit(economy.flow_m3s),
      hours: String(economy.hours_per_year),
      price: String(economy.price_per_kwh),
      currency: economy.currency,
    },
    mode: 'onChange',
  });
  const keep = handleSubmit((texts) => {
    onChange({ ...system, economy: economyFrom(texts, units.flow) });
    onClose();
  });
  return (
    <YStack gap="$3">
      <FormField control={control} name="flow" label="Flow that carries it" />
      <XStack gap="$2">
        <YStack flex={1}>
          <FormField control={control} name="hours" label="Hours a year" numeric />
        </YStack>
        <YStack flex={1}>
          <FormField control={control} name="price" label="Price of a kWh" numeric />
        </YStack>
        <YStack width={84}>
          <FormField control={control} name="currency" label="Currency" maxLength={8} />
        </YStack>
      </XStack>
      <BigButton onPress={() => void keep()} disabled={!formState.isValid}>
        Reckon with these
      </BigButton>
    </YStack>
  );
}
