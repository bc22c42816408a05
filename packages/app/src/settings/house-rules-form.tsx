import { fromSI, houseRulesSchema, toSI, type HouseRules } from '@holvek/core';
import { useState } from 'react';
import { Controller, useForm, type Control, type Resolver } from 'react-hook-form';
import { YStack } from '@/ui/kit';
import {
  completeRules,
  figureAt,
  flowRows,
  ordinaryOf,
  ruleGroups,
  type RuleGroup,
  type RulePath,
  type RuleRow,
} from './house-rule-rows';
import { usePreferences } from '@/prefs/preferences';
import { Allowed } from '@/people/allowed';
import { useChangeHouseRules, useHouseRules } from '@/data/queries';
import { Field } from '@/ui/field';
import { plainNumber } from '@/ui/plain-number';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';
import { TextInput } from '@/ui/text-input';

/** Texts by row; a dot would be a place within a form, so paths are written with a colon. */
type Texts = Readonly<Record<string, string>>;
const nameOf = (path: RulePath): string => path.replaceAll('.', ':');

type Writing = { readonly unit: string; readonly show: (si: number) => string };
const six = (value: number) => String(Number(value.toPrecision(6)));

const writingOf = (row: RuleRow, pressureUnit: string): Writing =>
  'scale' in row
    ? { unit: row.unit, show: (si) => six(si * row.scale) }
    : { unit: pressureUnit, show: (si) => six(fromSI(si, pressureUnit)) };
const siOf = (row: RuleRow, text: string, pressureUnit: string): number =>
  'scale' in row ? plainNumber(text) / row.scale : toSI(plainNumber(text), pressureUnit);

/** What the texts come to: rules, or what is wrong with which row. */
function readTexts(
  rules: HouseRules,
  rows: readonly RuleRow[],
  texts: Texts,
  pressureUnit: string,
) {
  const wanted = structuredClone(completeRules(rules)) as unknown as Record<string, unknown>;
  for (const row of rows) {
    const text = texts[nameOf(row.path)];
    const stored = figureAt(rules, row.path);
    const isKept = stored !== undefined && text === writingOf(row, pressureUnit).show(stored);
    if (text === undefined || isKept) continue;
    const keys = row.path.split('.');
    const holder = keys
      .slice(0, -1)
      .reduce((value, key) => value[key] as Record<string, unknown>, wanted);
    holder[keys.at(-1)!] = siOf(row, text, pressureUnit);
  }
  return houseRulesSchema.safeParse(wanted);
}

/** Every figure of the house, found by its words, with its ordinary figure a touch away. */
export function HouseRulesForm() {
  const rules = useHouseRules();
  const change = useChangeHouseRules();
  const { pressureUnit } = usePreferences();
  const [find, setFind] = useState('');
  const groups = [...ruleGroups, flowRows(rules)];
  const rows = groups.flatMap((group) => group.rows);
  const complete = completeRules(rules);
  const values = Object.fromEntries(
    rows.map((row) => [
      nameOf(row.path),
      writingOf(row, pressureUnit).show(figureAt(complete, row.path) ?? 0),
    ]),
  );
  const resolver: Resolver<Record<string, string>> = (texts) => {
    const parsed = readTexts(rules, rows, texts, pressureUnit);
    if (parsed.success) return { values: texts, errors: {} };
    const errors = Object.fromEntries(
      parsed.error.issues.map((issue) => [
        issue.path.map(String).join(':'),
        { type: 'rule', message: issueWords(issue) },
      ]),
    );
    return { values: {}, errors };
  };
  const { control, formState, handleSubmit } = useForm({ values, resolver, mode: 'onChange' });
  // Both are read on every render: the form tells only what was asked for.
  const { isDirty, isValid } = formState;
  const keep = handleSubmit((texts) => {
    const parsed = readTexts(rules, rows, texts, pressureUnit);
    if (parsed.success) change.mutate(parsed.data);
  });
  const found = groups.map((group) => matching(group, find)).filter((group) => group.rows.length);
  return (
    <YStack gap="$3">
      <TextInput
        aria-label="Find a figure"
        placeholder="Find a figure: gas, purge, blowdown"
        value={find}
        onChangeText={setFind}
      />
      {found.length === 0 ? <Muted>No figure is called so.</Muted> : null}
      {found.map((group) => (
        <YStack key={group.title} gap="$3">
          <Heading>{group.title}</Heading>
          {group.rows.map((row) => (
            <RuleField key={row.path} row={row} rules={rules} control={control} />
          ))}
        </YStack>
      ))}
      {change.isError ? (
        <Words color="$vermilion" role="alert">
          The server cannot be reached. The old figures stand; what you typed is still here.
        </Words>
      ) : null}
      <Allowed action="change_rules" what="To change a figure">
        <BigButton disabled={!isDirty || !isValid || change.isPending} onPress={() => void keep()}>
          Keep these figures
        </BigButton>
      </Allowed>
    </YStack>
  );
}

/** What is wrong with a figure, in words. */
const issueWords = ({ code, message }: { readonly code: string; readonly message: string }) =>
  code === 'invalid_type'
    ? 'A plain number is wanted. The old figure stands.'
    : `${message}. The old figure stands.`;

/** The rows of a group that a search means: all of it where its title is meant. */
export function matching(group: RuleGroup, find: string): RuleGroup {
  const words = find.trim().toLowerCase().split(/\s+/u);
  const rows = group.rows.filter(({ label }) =>
    words.every((word) => `${group.title} ${label}`.toLowerCase().includes(word)),
  );
  return { ...group, rows };
}

type RuleFieldProps = {
  readonly row: RuleRow;
  readonly rules: HouseRules;
  readonly control: Control<Record<string, string>>;
};

function RuleField({ row, rules, control }: RuleFieldProps) {
  const { pressureUnit } = usePreferences();
  const { unit, show } = writingOf(row, pressureUnit);
  const ordinary = ordinaryOf(rules, row);
  return (
    <Controller
      name={nameOf(row.path)}
      control={control}
      render={({ field, fieldState }) => {
        const isOwn = ordinary !== undefined && field.value !== show(ordinary);
        return (
          <YStack>
            <Field
              label={row.label}
              unit={unit}
              value={field.value}
              onChangeText={field.onChange}
              numeric
              error={fieldState.error?.message}
            />
            {isOwn ? (
              <WordButton onPress={() => field.onChange(show(ordinary))}>
                {`back to the ordinary ${show(ordinary)} ${unit}`.trim()}
              </WordButton>
            ) : null}
          </YStack>
        );
      }}
    />
  );
}
