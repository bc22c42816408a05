import type { Question } from './ask/shape';
import { confirm } from './behaviour';
import type { Hand } from './hand';
import type { Watched } from './reading';
import type { Step } from './shapes';
import { rangeArmOf } from './linkage/range-arm';
import type { GaugeRole, Purpose } from './step';

/** s until what was moved by hand has come to rest. */
const AFTER_ACT = 16;

/** Does what a step says and confirms it. */
export function actOut(hand: Hand, step: Step): boolean {
  hand.act(step.does ?? {});
  hand.wait(AFTER_ACT);
  return confirm(hand, step);
}

/** Takes a reading for a step. */
export function takeReading(
  hand: Hand,
  step: { readonly id: string; readonly role: GaugeRole; readonly purpose: Purpose },
  record: { readonly elapsed_s?: number; readonly between?: Watched[] } = {},
): void {
  hand.add({
    type: 'reading',
    step_id: step.id,
    role: step.role,
    purpose: step.purpose,
    reading: { ...hand.read(step.role), confirmed: true },
    settled: true,
    in_control: !hand.look().isWideOpen,
    ...record,
  });
}

/** What a practised hand answers: the flow as it runs, the outlets as they stand, what is in order. */
export function answer(hand: Hand, step: Step & { readonly asks: Question }): boolean {
  const { key, choices, kind, optional } = step.asks;
  const numbers: Readonly<Record<string, number>> = {
    flow: Math.max(hand.look().flow, 0),
    outlets_normal: 4,
    outlets_open: 8,
    range_arm: rangeArmOf(hand.run)?.at ?? 0,
  };
  const words: Readonly<Record<string, string>> = {
    gauge_moved: 'no',
    small_flow: 'yes',
    supply_ok: 'yes',
  };
  const told = kind === 'words' && optional !== true ? 'none' : undefined;
  const value = numbers[key] ?? words[key] ?? choices?.[0]?.value ?? told;
  if (value !== undefined) hand.add({ type: 'observed', key, value });
  return confirm(hand, step);
}
