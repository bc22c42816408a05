import { dutySchema, type Duty } from '@holvek/core';
import { useMutation } from '@tanstack/react-query';
import { api } from '@/data/api';
import { queryClient } from '@/data/queries';
import { Refused } from '@/people/refused';
import { useMay } from '@/prefs/preferences';
import { Card } from '@/ui/card';
import { YStack } from '@/ui/kit';
import { TickRow } from '@/ui/tick-row';
import { Heading, Muted } from '@/ui/words';
import { dutyWords } from './countersign-words';
import { useCountersignRules } from './use-countersign';

/** Which duties want a second signature under their records. */
export function CountersignRulesCard() {
  const { data: rules } = useCountersignRules();
  const { may } = useMay('change_rules');
  const change = useMutation({
    mutationFn: api.putCountersignRules,
    onSuccess: (kept) => queryClient.setQueryData(['countersign-rules'], kept),
  });
  if (!rules) return null;
  const { duties } = rules;
  const toggle = (duty: Duty) =>
    duties.includes(duty) ? duties.filter((each) => each !== duty) : [...duties, duty];
  return (
    <Card>
      <Heading>Second signatures</Heading>
      <Muted>
        A record of a valve with one of these duties stays “to be countersigned” until a supervisor
        has looked at it.
      </Muted>
      <YStack role="group" aria-label="Duties that want a second signature">
        {dutySchema.options.map((duty) => (
          <TickRow
            key={duty}
            say={dutyWords[duty]}
            isTicked={duties.includes(duty)}
            isFixed={!may}
            onPress={() => change.mutate({ ...rules, duties: toggle(duty) })}
          />
        ))}
        <TickRow
          say="The signer may be the second too"
          isTicked={rules.signer_may}
          isFixed={!may}
          onPress={() => change.mutate({ ...rules, signer_may: !rules.signer_may })}
        />
      </YStack>
      <Refused error={change.error} />
    </Card>
  );
}
