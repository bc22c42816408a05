import {
  aboveIce,
  onThermometer,
  awgOf,
  budgetOf,
  cableFields,
  cableKey,
  cableSums,
  fromSI,
  copperOf,
  instrumentRules,
  parseQuantity,
  type CableField,
  type CableSum,
  type StepOf,
  type LoopBudget,
} from '@holvek/core';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { CausesButton } from '../parts/causes-sheet';
import { StepFrame } from '../parts/step-frame';
import { useDesk } from '@/desk/use-desk';
import { useKeys } from '@/ui/use-keys';
import { Card, Pill } from '@/ui/card';
import { Field } from '@/ui/field';
import { plainNumber } from '@/ui/plain-number';
import { BigButton } from '@/ui/press';
import { BigNumber } from '@/ui/big-number';
import { useOnce } from '@/ui/use-once';
import { Heading, Muted, Words } from '@/ui/words';
import { cableTrouble } from '@/device/device-words';

const names = { loop: 'Sensor loop', power: 'Actuator supply' } as const;
const fields: Readonly<Record<CableField, { readonly label: string; readonly unit: string }>> = {
  supply_v: { label: 'Supply', unit: 'V' },
  length_m: { label: 'Length, one way', unit: 'm' },
  area_m2: { label: 'Conductor', unit: 'mm²' },
  at_k: { label: 'Hottest', unit: '°C' },
};
const MM2 = 1e-6;

const toText = (field: CableField, value: number): string =>
  field === 'area_m2'
    ? String(Number((value / MM2).toFixed(3)))
    : field === 'at_k'
      ? fromSI(onThermometer(value), '°C').toFixed(0)
      : String(Number(value.toFixed(2)));

/** SI from what was typed; undefined for what is no number. */
function toValue(field: CableField, text: string): number | undefined {
  if (field === 'at_k') {
    const parsed = parseQuantity(text, 'temperature', '°C');
    return parsed.ok ? aboveIce(parsed.value.si) : undefined;
  }
  const byGauge = field === 'area_m2' ? awgOf(text) : undefined;
  if (byGauge !== undefined) return byGauge;
  const value = plainNumber(text);
  if (!Number.isFinite(value)) return undefined;
  return field === 'area_m2' ? value * MM2 : value;
}

type Texts = Readonly<Record<string, string>>;

/** Whether enough volts arrive at both ends, by the plate’s figures or by what was measured, before any power. */
export function CablesStep({ step }: { readonly step: StepOf<'cables'> }) {
  const { run, add } = useDesk();
  const [texts, setTexts] = useState<Texts>({});
  const rules = run.started.house_rules;
  const { loop_headroom_v: headroom } = instrumentRules(rules);
  const copper = copperOf(rules);
  const sums = cableSums(run).map((sum) => {
    const typed = cableFields.map((field) => {
      const text = texts[cableKey(sum.cable, field)];
      return [field, text === undefined ? sum.needs[field] : toValue(field, text)] as const;
    });
    const needs = {
      ...sum.needs,
      ...Object.fromEntries(typed.map(([field, value]) => [field, value ?? NaN])),
    };
    return {
      ...sum,
      needs,
      budget: budgetOf(needs, { headroom: sum.cable === 'loop' ? headroom : 0, copper }),
    };
  });
  const isEnough = sums.every(({ budget }) => budget.ok && budget.value.left > 0);
  const isWhole = sums.every(({ budget }) => budget.ok);
  const [isKeeping, setKeeping] = useState(false);
  const keepAll = async () => {
    for (const { cable, needs } of sums)
      for (const field of cableFields) {
        const key = cableKey(cable, field);
        if (texts[key] === undefined) continue;
        if (!(await add({ type: 'observed', key, value: needs[field] }))) return;
      }
    // What was typed on meanwhile is not kept yet, and stays.
    setTexts((now) =>
      Object.fromEntries(Object.entries(now).filter(([key, text]) => text !== texts[key])),
    );
    if (isEnough) await add({ type: 'step_done', step_id: step.id });
  };
  const keep = useOnce(async () => {
    setKeeping(true);
    await keepAll().finally(() => setKeeping(false));
  });
  useKeys({ n: () => isEnough && void keep() });
  return (
    <StepFrame
      actions={
        <BigButton
          flex={1}
          kind={isEnough ? 'primary' : 'stop'}
          disabled={isKeeping || !isWhole || (!isEnough && Object.keys(texts).length === 0)}
          onPress={() => void keep()}
          keyHint="N"
          testID="confirm-step"
        >
          {isEnough
            ? 'Enough at both ends: next'
            : isWhole
              ? 'Not enough: keep figures, leave it off'
              : 'Figures are missing'}
        </BigButton>
      }
      more={isEnough ? null : <CausesButton say="what can be wrong" />}
    >
      {sums.map((sum) => (
        <CableCard
          key={sum.cable}
          sum={sum}
          headroom={sum.cable === 'loop' ? headroom : 0}
          texts={texts}
          onText={(key, text) => setTexts((now) => ({ ...now, [key]: text }))}
        />
      ))}
    </StepFrame>
  );
}

type CardProps = {
  readonly sum: CableSum;
  readonly headroom: number;
  readonly texts: Texts;
  readonly onText: (key: string, text: string) => void;
};

function CableCard({ sum: { cable, needs, budget }, headroom, texts, onText }: CardProps) {
  const left = budget.ok ? budget.value.left : undefined;
  const isEnough = left !== undefined && left > 0;
  const field = (name: CableField) => {
    const key = cableKey(cable, name);
    return (
      <YStack key={name} flex={1}>
        <Field
          {...fields[name]}
          name={`${names[cable]}: ${fields[name].label}`}
          value={texts[key] ?? toText(name, needs[name])}
          onChangeText={(text) => onText(key, text)}
          numeric={name !== 'area_m2'}
          maxLength={12}
        />
      </YStack>
    );
  };
  return (
    <Card {...(isEnough ? {} : { tone: 'stop' as const })}>
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <Heading>{names[cable]}</Heading>
        <Pill tone={isEnough ? 'good' : 'stop'}>{isEnough ? 'enough' : 'too few volts'}</Pill>
      </XStack>
      <XStack alignItems="baseline" gap="$2">
        <BigNumber testID={`volts-${cable}`}>
          {left === undefined ? '–' : Math.abs(left).toFixed(1)}
        </BigNumber>
        <Muted fontSize="$4">{left !== undefined && left < 0 ? 'V short' : 'V left over'}</Muted>
      </XStack>
      {budget.ok ? (
        <Words color={isEnough ? '$muted' : '$onVermilionSoft'}>
          {isEnough
            ? `Needs ${needs.needs_v} V${headroom > 0 ? `, ${headroom} V kept in hand` : ''}; wire and load take ` +
              `${(budget.value.drop + needs.load_ohm * needs.current_a).toFixed(1)} V. ` +
              `This wire would reach ${Math.floor(budget.value.longest)} m.`
            : tooThinSay(budget.value)}
        </Words>
      ) : (
        <Words color="$onVermilionSoft" role="alert">
          {cableTrouble(budget.error)}
        </Words>
      )}
      <XStack gap="$3">{(['supply_v', 'length_m'] as const).map(field)}</XStack>
      <XStack gap="$3">{(['area_m2', 'at_k'] as const).map(field)}</XStack>
    </Card>
  );
}

function tooThinSay({ longest, wouldDo }: LoopBudget): string {
  const advice =
    wouldDo.length > 0
      ? `At this length take ${wouldDo[0]} or thicker.`
      : 'No usual conductor does: a supply nearer by, or of more volts.';
  return `Too thin: this wire reaches ${Math.floor(longest)} m. ${advice}`;
}
