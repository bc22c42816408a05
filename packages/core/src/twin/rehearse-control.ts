import type { Step } from '../procedure';
import { DIALLED, stepFitOf, sweepView } from '../run';
import { bandOfGain, simcSettings } from '../tune';
import { sweepPosition } from './controller-plant';
import type { Hand } from './hand';
import { actOnTwin, readScale, turnTwin } from './twin';

const MOST = 12;

/** Sweeps the band and turns the alignment until the output stays put; false when it never does. */
export function alignBySweep(hand: Hand, step: Step): boolean {
  for (let i = 0; i < MOST; i++) {
    for (let { nextGain } = sweepView(hand.run); nextGain !== undefined; { nextGain } = sweepView(hand.run)) {
      hand.twin = actOnTwin(hand.twin, { sweep: sweepPosition(nextGain) });
      hand.wait(12);
      hand.add({ type: 'swept', step_id: step.id, gain: nextGain, role: 'outlet', reading: { ...hand.read('outlet'), confirmed: true } });
    }
    const { alignment, turns } = sweepView(hand.run);
    if (alignment.ok && alignment.value.verdict === 'flat') {
      hand.add({ type: 'step_done', step_id: step.id });
      return true;
    }
    if (turns === undefined) return false;
    hand.wait(1);
    hand.add({ type: 'turned', adjuster: 'alignment', turns });
    hand.moves += 1;
    hand.twin = turnTwin(hand.twin, 'alignment', turns);
    hand.wait(2);
  }
  return false;
} // prettier-ignore

/** A step of the output in manual, logged until it rests, fitted and dialled; false when nothing can be proposed. */
export function tuneByStep(hand: Hand, step: Step): boolean {
  hand.twin = actOnTwin(hand.twin, { output: 0.5 });
  hand.wait(200);
  const samples: [number, number, number][] = [];
  for (let t = 0; t <= 240; t += 2) {
    if (t === 30) hand.twin = actOnTwin(hand.twin, { output: 0.58 });
    samples.push([t, t < 30 ? 50 : 58, 100 * (readScale(hand.twin) ?? 0)]);
    hand.wait(2);
  }
  hand.twin = actOnTwin(hand.twin, { output: 0.5 });
  hand.add({ type: 'step_tested', step_id: step.id, samples, source: 'linked' });
  const fit = stepFitOf(hand.run);
  if (!fit?.ok) return false;
  const settings = simcSettings(fit.value.model);
  const band = bandOfGain(settings.gain);
  hand.add({ type: 'observed', key: DIALLED.band, value: band.ok ? Math.round(band.value) : 100 });
  hand.add({
    type: 'observed',
    key: DIALLED.reset,
    value: Math.round((settings.integralTime ?? 60) / 0.6) / 100,
  });
  hand.add({ type: 'step_done', step_id: step.id });
  return true;
}
