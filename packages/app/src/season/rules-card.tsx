import { readSpans, type Season, type SeasonRule } from '@holvek/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { newId } from '@/data/new-id';
import { useValves } from '@/data/queries';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { Choice } from '@/ui/field';
import { FormField } from '@/ui/form-field';
import { XStack, YStack } from '@/ui/kit';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted, Strong, Words } from '@/ui/words';
import { ruleWords } from './season-words';

type Props = {
  readonly rules: Season['rules'];
  readonly onRules: (rules: Season['rules']) => void;
};

/** What a plan never breaks, in the owner's words. */
export function RulesCard({ rules, onRules }: Props) {
  const valves = useValves().data ?? [];
  const [isOpen, setOpen] = useState(false);
  const tagOf = (id: string) => valves.find((valve) => valve.id === id)?.tag ?? id;
  return (
    <Card>
      <Heading>What binds it</Heading>
      <Muted>
        Upstream before downstream, as the ladder has it; licences; one gauge in one bag. And what
        you say here:
      </Muted>
      {rules.map((rule) => (
        <XStack
          key={rule.id}
          justifyContent="space-between"
          gap="$2"
          borderTopWidth={1}
          borderColor="$line"
        >
          <YStack flexShrink={1} paddingVertical="$2">
            <Strong>{rule.why}</Strong>
            <Muted>{ruleWords(rule, tagOf)}</Muted>
          </YStack>
          <WordButton
            tone="$vermilion"
            label={`Take out: ${rule.why}`}
            onPress={() => onRules(rules.filter(({ id }) => id !== rule.id))}
          >
            take out
          </WordButton>
        </XStack>
      ))}
      <BigButton kind="outline" onPress={() => setOpen(true)}>
        Add a rule
      </BigButton>
      <RuleSheet
        isOpen={isOpen}
        onClose={() => setOpen(false)}
        onRule={(rule) => {
          onRules([...rules, rule]);
          setOpen(false);
        }}
      />
    </Card>
  );
}

type Texts = { readonly tags: string; readonly days: string; readonly why: string };
const EMPTY: Texts = { tags: '', days: '', why: '' };

function RuleSheet({
  isOpen,
  onClose,
  onRule,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly onRule: (rule: SeasonRule) => void;
}) {
  const valves = useValves().data ?? [];
  const [kind, setKind] = useState<SeasonRule['kind']>('not_between');
  const [trouble, setTrouble] = useState<string>();
  const { control, handleSubmit, reset } = useForm<Texts>({ defaultValues: EMPTY });
  const isByDays = kind === 'only_between' || kind === 'not_between';
  const keep = handleSubmit((texts) => {
    const known = new Map(valves.map(({ id, tag }) => [tag.toLowerCase(), id]));
    const made = ruleFrom(kind, texts, known);
    if (typeof made === 'string') {
      setTrouble(made);
      return;
    }
    setTrouble(undefined);
    reset(EMPTY);
    onRule(made);
  });
  return (
    <BottomSheet isOpen={isOpen} title="A rule" onClose={onClose}>
      <Choice
        label="What it says"
        value={kind}
        onChange={setKind}
        options={[
          { value: 'not_between', say: 'not on these days' },
          { value: 'only_between', say: 'only on these days' },
          { value: 'together', say: 'in one visit' },
          { value: 'before', say: 'one before the other' },
        ]}
      />
      <FormField control={control} name="tags" label="Tags, in their order" hint="PRV-08, PRV-14" />
      {isByDays ? (
        <FormField control={control} name="days" label="Days" hint="2026-12-07 to 2026-12-11" />
      ) : null}
      <FormField control={control} name="why" label="Why" hint="Guns run; lift stands still" />
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <BigButton onPress={() => void keep()}>Add it</BigButton>
    </BottomSheet>
  );
}

/** A rule from what was typed, or what is wrong with it. */
export function ruleFrom(
  kind: SeasonRule['kind'],
  { tags, days, why }: Texts,
  byTag: ReadonlyMap<string, string>,
): SeasonRule | string {
  const typed = tags
    .split(/[,;\s]+/u)
    .map((tag) => tag.trim())
    .filter((tag) => tag !== '');
  const unknown = typed.find((tag) => !byTag.has(tag.toLowerCase()));
  if (unknown !== undefined) return `There is no valve ${unknown.slice(0, 40)}.`;
  const ids = typed.map((tag) => byTag.get(tag.toLowerCase())!);
  const [first, then] = ids;
  if (first === undefined) return 'Which valves? Type their tags.';
  if (why.trim() === '') return 'Why? Whoever plans later will ask.';
  const common = { id: newId(), why: why.trim().slice(0, 200) };
  if (kind === 'before')
    return then === undefined || then === first
      ? 'Two tags: the first before the second.'
      : { kind, ...common, first, then };
  if (kind === 'together')
    return new Set(ids).size < 2
      ? 'Two tags or more are visited in one go.'
      : { kind, ...common, valve_ids: [...new Set(ids)] };
  const spans = readSpans(days);
  const span = spans.ok ? spans.value[0] : undefined;
  if (!span) return 'Which days? As 2026-12-07 to 2026-12-11.';
  return { kind, ...common, valve_ids: ids, from: span.from, to: span.to };
}
