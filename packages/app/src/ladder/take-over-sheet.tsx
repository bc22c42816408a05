import { takeOver, type Ladder, type Round, type SettingPlan, type System } from '@holvek/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { precedenceWord } from './ladder-words';
import { api, Refusal } from '@/data/api';
import { useHouseRules, useValves } from '@/data/queries';
import { newId } from '@/data/new-id';
import { changePreferences } from '@/prefs/preferences';
import { useUnits } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Card } from '@/ui/card';
import { BigButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';
import { plateTrouble } from '@/words/plate-trouble';
import { refusalWords } from '@/words/trouble';
import { today } from '@/ui/local-day';

type Props = {
  readonly system: System;
  readonly ladder: Ladder;
  readonly plan: SettingPlan;
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

/** Targets into the register and the order into a round: what changes is shown first. */
export function TakeOverSheet({ system, ladder, plan, isOpen, onClose }: Props) {
  const router = useRouter();
  const units = useUnits();
  const client = useQueryClient();
  const valves = useValves().data ?? [];
  const [trouble, setTrouble] = useState<string>();
  const [isBusy, setBusy] = useState(false);
  const taken = takeOver(system, ladder, plan.order, { valves, rules: useHouseRules() });
  const byId = new Map(valves.map((valve) => [valve.id, valve]));
  const nameOf = (id: string) => system.rungs.find((rung) => rung.id === id)?.name ?? id;
  const carryOut = async () => {
    setBusy(true);
    const round: Round = {
      id: newId(),
      name: system.name,
      site_id: system.site_id,
      day: today(),
      valve_ids: [...taken.order],
      why_this_order:
        plan.order.reasons.map((reason) => precedenceWord(reason, nameOf)).join('\n') ||
        'One valve only.',
      system_id: system.id,
    };
    try {
      for (const valve of taken.valves) await api.putValve(valve);
      await api.putRound(round);
      await client.invalidateQueries();
      changePreferences({ round: round.id });
      router.replace('/');
    } catch (error) {
      setTrouble(
        error instanceof Refusal
          ? refusalWords(error.code)
          : 'The server cannot be reached. What was already changed stays; try again.',
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <BottomSheet isOpen={isOpen} title="Into a round" onClose={onClose}>
      {taken.order.length === 0 ? (
        <Words>
          No rung is held by a valve of the register. Say which valve holds each, then take it over.
        </Words>
      ) : null}
      {taken.order.map((id, i) => {
        const valve = byId.get(id)!;
        const next = taken.valves.find((each) => each.id === id);
        return (
          <Card key={id} padding="$3">
            <Strong>{`${i + 1}. ${valve.tag} ${valve.name}`}</Strong>
            <Muted>
              {next
                ? `${units.withUnit(next.target.set_point_pa)}, until now ${units.figure(valve.target.set_point_pa)}`
                : `stays at ${units.withUnit(valve.target.set_point_pa)}`}
            </Muted>
          </Card>
        );
      })}
      {taken.refused.map(({ valve, issue }) => (
        <Card key={valve.id} tone="warn">
          <Words color="$onBrassSoft">{`${valve.tag} keeps its old target. ${plateTrouble(issue, units)}`}</Words>
        </Card>
      ))}
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : null}
      <BigButton
        disabled={taken.order.length === 0 || isBusy}
        onPress={() => void carryOut()}
        testID="make-round"
      >
        Make the round
      </BigButton>
    </BottomSheet>
  );
}
