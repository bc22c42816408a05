import { clashesOf } from '@holvek/core';
import { useMemo } from 'react';
import { Card } from '@/ui/card';
import { Heading, Words } from '@/ui/words';
import { ruleWords } from './season-words';
import type { SeasonDesk } from './use-season-desk';

/** Rules that cannot all hold, each with its owner's words; and where nobody is to blame but the hours. */
export function ClashCards({ desk }: { readonly desk: SeasonDesk }) {
  const clashes = useMemo(() => clashesOf(desk.season, desk.made), [desk]);
  const tagOf = (id: string) => desk.valves.get(id)?.tag ?? id;
  const blamed = clashes.filter(({ rules }) => rules.length > 0);
  const alone = clashes.filter(({ rules }) => rules.length === 0).flatMap(({ valves }) => valves);
  const hasNoHours = desk.made.problem.capacity.every((days) => days.every((day) => day === 0));
  return (
    <>
      {hasNoHours ? (
        <Card tone="stop">
          <Heading>Nobody has hours in this season</Heading>
          <Words color="$onVermilionSoft">Say who works and how long, under what binds it.</Words>
        </Card>
      ) : alone.length > 0 ? (
        <Card tone="stop">
          <Heading>{`Nobody here may do ${alone.map(tagOf).join(', ')}`}</Heading>
          <Words color="$onVermilionSoft">
            Nobody with the licence that it calls for has hours in this season.
          </Words>
        </Card>
      ) : null}
      {blamed.map(({ valves, rules }) => (
        <Card key={rules.map(({ id }) => id).join()} tone="stop">
          <Heading>{`${valves.map(tagOf).join(' and ')}: these cannot all hold`}</Heading>
          {rules.map((rule) => (
            <Words key={rule.id} color="$onVermilionSoft">
              {`${rule.why}: ${ruleWords(rule, tagOf)}`}
            </Words>
          ))}
        </Card>
      ))}
    </>
  );
}
