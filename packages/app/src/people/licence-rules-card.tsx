import { licenceKinds, licenceKindSchema } from '@holvek/core';
import { useMutation } from '@tanstack/react-query';
import { Refused } from './refused';
import { usePeopleRules } from './use-licence';
import { api } from '@/data/api';
import { queryClient } from '@/data/queries';
import { useMay } from '@/prefs/preferences';
import { Card } from '@/ui/card';
import { YStack } from '@/ui/kit';
import { TickRow } from '@/ui/tick-row';
import { Heading, Muted } from '@/ui/words';

/** Which licences the owner asks of those who make records. */
export function LicenceRulesCard() {
  const { data: rules } = usePeopleRules();
  const { may } = useMay('invite');
  const change = useMutation({
    mutationFn: api.putPeopleRules,
    onSuccess: (kept) => queryClient.setQueryData(['people-rules'], kept),
  });
  if (!rules) return null;
  const asked = rules.licences_asked;
  return (
    <Card>
      <Heading>Licences asked for</Heading>
      <Muted>
        A record of a valve that calls for one is begun and signed by a hand that has it. Local law
        decides; say here what it asks.
      </Muted>
      <YStack role="group" aria-label="Licences asked for">
        {licenceKindSchema.options.map((kind) => {
          const isAsked = asked.includes(kind);
          const others = asked.filter((each) => each !== kind);
          return (
            <TickRow
              key={kind}
              say={licenceKinds[kind]}
              isTicked={isAsked}
              isFixed={!may}
              onPress={() =>
                change.mutate({ licences_asked: isAsked ? others : [...others, kind] })
              }
            />
          );
        })}
      </YStack>
      <Refused error={change.error} />
    </Card>
  );
}
