import { zodResolver } from '@hookform/resolvers/zod';
import { ruleSources, type Rule, type System } from '@holvek/core';
import { useForm, useWatch } from 'react-hook-form';
import { sourceWord } from './ladder-words';
import {
  canCount,
  isPair,
  ruleTexts,
  textsOfRule,
  withoutRule,
  withRule,
  type RuleTexts,
} from './rule-form';
import { useBarometer } from '@/units/use-barometer';
import { useUnits } from '@/units/use-units';
import { SumFields } from '@/valve/sum-fields';
import { BottomSheet } from '@/ui/bottom-sheet';
import { FormChoice } from '@/ui/form-choice';
import { FormField } from '@/ui/form-field';
import { BigButton, WordButton } from '@/ui/press';

type Props = {
  readonly system: System;
  readonly rule: Rule | 'new' | undefined;
  readonly onChange: (system: System) => void;
  readonly onClose: () => void;
};

/** One rule between pressures: its kind, its figures, its reason and where it comes from. */
export function RuleSheet({ rule, onClose, ...props }: Props) {
  return (
    <BottomSheet
      isOpen={rule !== undefined}
      title={rule === 'new' ? 'New rule' : 'Change rule'}
      onClose={onClose}
    >
      {rule ? (
        <RuleForm key={rule === 'new' ? 'new' : rule.id} rule={rule} onClose={onClose} {...props} />
      ) : null}
    </BottomSheet>
  );
}

const kinds = [
  { value: 'above_by', say: 'at least above, by' },
  { value: 'between', say: 'between' },
  { value: 'at_most', say: 'at most' },
  { value: 'at_least', say: 'at least' },
  { value: 'fixed', say: 'fixed' },
  { value: 'serves', say: 'serves a point' },
] as const;
const extras = [
  { value: 'none', say: 'tolerances alone' },
  { value: 'lockup', say: 'and lockup' },
  { value: 'accumulation', say: 'and accumulation' },
] as const;
const sources = ruleSources.map((value) => ({ value, say: sourceWord[value] }));

const labelOfFigure = (kind: Rule['kind']): string => {
  if (kind === 'between') return 'Least';
  return isPair(kind) ? 'By' : 'Pressure';
};

function RuleForm({ system, rule, onChange, onClose }: Props & { readonly rule: Rule | 'new' }) {
  const figures = { ...useUnits(), barometer: useBarometer() };
  const known = rule === 'new' ? undefined : rule;
  const { control, handleSubmit, formState } = useForm<RuleTexts>({
    resolver: zodResolver(ruleTexts(figures)),
    defaultValues: textsOfRule(known, system, figures),
    mode: 'onChange',
  });
  const kind = useWatch({ control, name: 'kind' });
  const names = system.rungs.map(({ id, name }) => ({ value: id, say: name }));
  const unit = figures.pressure;
  const close = (next: System) => {
    onChange(next);
    onClose();
  };
  const keep = handleSubmit((typed) => close(withRule(system, known, typed, figures)));
  return (
    <>
      <FormChoice control={control} name="kind" label="Kind" options={kinds} />
      <FormChoice
        control={control}
        name="one"
        label={isPair(kind) ? 'This one' : 'Which'}
        options={names}
      />
      {isPair(kind) ? (
        <FormChoice
          control={control}
          name="other"
          label={kind === 'between' ? 'over this one' : 'stands above this one'}
          options={names}
        />
      ) : null}
      {kind === 'serves' ? (
        <>
          <SumFields control={control} />
          <FormField
            control={control}
            name="density"
            label="What stands in the line"
            unit="kg/m³"
            hint="Water 998, oil about 870, air and gas 0."
            numeric
          />
        </>
      ) : (
        <FormField control={control} name="low" label={labelOfFigure(kind)} unit={unit} numeric />
      )}
      {kind === 'between' ? (
        <FormField control={control} name="high" label="Most" unit={unit} numeric />
      ) : null}
      {canCount(kind) ? (
        <FormChoice control={control} name="extra" label="Counting" options={extras} />
      ) : null}
      <FormField
        control={control}
        name="why"
        label="Why"
        maxLength={400}
        hint="In words that the next person understands."
      />
      <FormChoice control={control} name="from" label="Where it comes from" options={sources} />
      <BigButton disabled={!formState.isValid} onPress={() => void keep()}>
        Keep this rule
      </BigButton>
      {known ? (
        <WordButton tone="$vermilion" onPress={() => close(withoutRule(system, known))}>
          take this rule out
        </WordButton>
      ) : null}
    </>
  );
}
