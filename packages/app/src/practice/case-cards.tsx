import { faultsOf, twinFaults, valveOfDay, type TwinFault, type Valve } from '@holvek/core';
import { useState } from 'react';
import { faultNames } from './score-words';
import { newId } from '@/data/new-id';
import { Card } from '@/ui/card';
import { Choice } from '@/ui/field';
import { today } from '@/ui/local-day';
import { BigButton } from '@/ui/press';
import { Heading, Muted, Words } from '@/ui/words';

type Props = {
  readonly valves: readonly Valve[];
  readonly onGo: (href: string) => void;
};

const hrefOf = (valve: Valve, key: string, fault?: TwinFault): string =>
  `/valves/${valve.id}/start?practice=1&case=${encodeURIComponent(key)}${fault ? `&fault=${fault}` : ''}`;

/** The same valve with the same thing hidden in it for everybody, another one each day. */
export function CaseOfDay({ valves, onGo }: Props) {
  const day = today();
  const valve = valveOfDay(valves, day);
  if (!valve) return null;
  return (
    <Card testID="case-of-day">
      <Heading>The case of the day</Heading>
      <Words>
        {`${valve.tag} ${valve.name}. Something may be wrong with it, or nothing: set it, and say what you found.`}
      </Words>
      <BigButton onPress={() => onGo(hrefOf(valve, day))}>Take it on</BigButton>
      <Muted>Everybody here has the same one today.</Muted>
    </Card>
  );
}

/** A case with a fault of one's choice, on a valve of one's own register that can have it. */
export function CaseByFault({ valves, onGo }: Props) {
  const [tries, setTries] = useState(0);
  const inUse = valves.filter(({ retired }) => retired === undefined);
  const faults = twinFaults.filter((fault) =>
    inUse.some((valve) => faultsOf(valve).includes(fault)),
  );
  const [fault, setFault] = useState<TwinFault>();
  const fit = fault ? inUse.filter((valve) => faultsOf(valve).includes(fault)) : [];
  const valve = fit[tries % Math.max(1, fit.length)];
  if (faults.length === 0) return null;
  const begin = () => {
    if (!valve || !fault) return;
    setTries(tries + 1);
    onGo(hrefOf(valve, `own ${newId()}`, fault));
  };
  return (
    <Card>
      <Heading>Practise one fault</Heading>
      <Choice
        label="What is wrong"
        value={fault ?? ''}
        onChange={(value) => setFault(value as TwinFault)}
        options={faults.map((value) => ({ value, say: faultNames[value] }))}
      />
      <BigButton kind="outline" disabled={!valve} onPress={begin}>
        {valve ? `On ${valve.tag}` : 'Choose what is wrong'}
      </BigButton>
    </Card>
  );
}
