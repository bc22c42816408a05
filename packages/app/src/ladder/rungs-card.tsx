import type { Rung, System } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { kindWord } from './ladder-words';
import { Card } from '@/ui/card';
import { Press, WordButton } from '@/ui/press';
import { Heading, Muted, Spoken, Strong } from '@/ui/words';

type Props = {
  readonly system: System;
  readonly onEdit: (rung: Rung) => void;
  readonly onAdd: () => void;
  readonly onFound: () => void;
};

/** The pressures of the system: what each is, what feeds it, which valve holds it. */
export function RungsCard({ system, onEdit, onAdd, onFound }: Props) {
  const nameOf = (id: string) => system.rungs.find((rung) => rung.id === id)?.name ?? id;
  return (
    <Card>
      <XStack justifyContent="space-between" alignItems="center">
        <Heading>Pressures</Heading>
        <WordButton onPress={onAdd}>add a rung</WordButton>
      </XStack>
      {system.rungs.map((rung) => (
        <Press
          key={rung.id}
          onPress={() => onEdit(rung)}
          minHeight={52}
          justifyContent="center"
          borderTopWidth={1}
          borderColor="$line"
        >
          <Spoken>Change</Spoken>
          <XStack justifyContent="space-between" gap="$2" alignItems="center">
            <YStack flexShrink={1}>
              <Strong>{rung.name}</Strong>
              <Muted>
                {[
                  kindWord[rung.kind],
                  rung.fed_by ? `fed by ${nameOf(rung.fed_by)}` : '',
                  rung.open_when ? `open at ${rung.open_when}` : '',
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Muted>
            </YStack>
            {rung.valve_id ? <Muted>{rung.valve_id.toUpperCase()}</Muted> : null}
          </XStack>
        </Press>
      ))}
      {system.rungs.some(({ valve_id: valve }) => valve !== undefined) ? (
        <WordButton onPress={onFound}>take what the last sheets found</WordButton>
      ) : null}
    </Card>
  );
}
