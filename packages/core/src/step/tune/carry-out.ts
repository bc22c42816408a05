import { bandOfGain, simcSettings } from '../../tune';
import { confirm } from '../behaviour';
import type { Hand } from '../hand';
import type { StepOf } from '../shapes';
import { DIALLED, stepFitOf } from './tune-view';

/** A step of the output in manual, logged until it rests, fitted and dialled; false when nothing can be proposed. */
export function tuneByStep(hand: Hand, step: StepOf<'tune'>): boolean {
  hand.act({ output: 0.5 });
  hand.wait(200);
  const samples: [number, number, number][] = [];
  for (let t = 0; t <= 240; t += 2) {
    if (t === 30) hand.act({ output: 0.58 });
    samples.push([t, t < 30 ? 50 : 58, 100 * hand.scale()]);
    hand.wait(2);
  }
  hand.act({ output: 0.5 });
  hand.add({ type: 'step_tested', step_id: step.id, samples, source: 'linked' });
  const fit = stepFitOf(hand.run);
  if (!fit?.ok) return false;
  const settings = simcSettings(fit.value.model);
  const band = bandOfGain(settings.gain);
  const percent = band.ok ? Math.round(band.value) : 100;
  const minutes = Math.round((settings.integralTime ?? 60) / 0.6) / 100;
  hand.add({ type: 'observed', key: DIALLED.band, value: percent });
  hand.add({ type: 'observed', key: DIALLED.reset, value: minutes });
  return confirm(hand, step);
}
