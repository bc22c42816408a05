import { furtherOf, isJudgedByPoints, mayLack, type FactGroup } from '@holvek/core';
import { YStack } from '@/ui/kit';
import { FactField } from './fact-field';
import { SpringStrip } from './spring-strip';
import { SumCard } from './sum-card';
import type { ValveForm } from './use-valve-form';
import { Choice } from '@/ui/field';
import { WordButton } from '@/ui/press';
import { Heading } from '@/ui/words';
import { PlateIssues } from '@/valve/plate-issues';

/** Most springs that a chart has. */
const MOST_SPRINGS = 12;

type FieldsProps = {
  readonly form: ValveForm;
  /** Only what stands on its plate: its name and what it must hold are not asked. */
  readonly part?: 'plate';
};

/** All that is asked of a valve, group by group, and what contradicts itself. */
export function ValveFields({ form, part }: FieldsProps) {
  const { groups, control, now, pressure } = form;
  return (
    <YStack gap="$5">
      {(part ? groups.flatMap(onlyPlate) : groups).map((group) => (
        <YStack key={group.id} gap="$3" role="group" aria-label={group.title}>
          <Heading>{group.title}</Heading>
          {group.facts.map((fact) => (
            <FactField key={fact.path} fact={fact} control={control} pressure={pressure} />
          ))}
          {group.id.startsWith('target:') ? (
            <SumCard form={form} adjuster={group.id.slice('target:'.length)} />
          ) : null}
          {group.adjuster === undefined ? null : <Springs group={group} form={form} />}
        </YStack>
      ))}
      {part ? null : <Further form={form} />}
      <PlateIssues issues={now.plate} />
    </YStack>
  );
}

/** What of a group stands on the plate itself; nothing where none of it does. */
function onlyPlate(group: FactGroup): readonly FactGroup[] {
  const facts = group.facts.filter(({ path }) => path.startsWith('plate.'));
  return facts.length === 0 ? [] : [{ ...group, facts }];
}

/** The chart of an adjuster as far as it is written, and another spring for it. */
function Springs({ group, form }: { readonly group: FactGroup; readonly form: ValveForm }) {
  const { shape, reshape, now } = form;
  const adjuster = group.adjuster!;
  const count = shape.springs[adjuster] ?? 1;
  if (isJudgedByPoints(shape.family)) return null;
  const become = (springs: number) =>
    reshape({ ...shape, springs: { ...shape.springs, [adjuster]: springs } });
  return (
    <YStack>
      {now.valve ? <SpringStrip valve={now.valve} adjuster={adjuster} /> : null}
      {count < MOST_SPRINGS ? (
        <WordButton onPress={() => become(count + 1)}>another spring of its chart</WordButton>
      ) : null}
      {count > 1 ? (
        <WordButton tone="$vermilion" onPress={() => become(count - 1)}>
          leave the last spring out
        </WordButton>
      ) : null}
    </YStack>
  );
}

/** Adjusters that a valve of this kind may have or lack. */
function Further({ form }: { readonly form: ValveForm }) {
  const { shape, reshape } = form;
  return furtherOf(shape.family)
    .filter(({ id }) => mayLack(shape.family, id))
    .map(({ id, name }) => {
      const rest = shape.further.filter((each) => each !== id);
      return (
        <Choice
          key={id}
          label={`Has it a ${name.toLowerCase()} too?`}
          value={shape.further.includes(id) ? 'yes' : 'no'}
          options={[
            { value: 'yes', say: 'yes' },
            { value: 'no', say: 'no' },
          ]}
          onChange={(answer) =>
            reshape({ ...shape, further: answer === 'yes' ? [...rest, id] : rest })
          }
        />
      );
    });
}
