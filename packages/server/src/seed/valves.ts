import { instruments } from './instruments';
import { otherValves } from './other-valves';
import { temperatureValves } from './temperature-valves';
import { reducingValves } from './reducing-valves';
import type { DemoValve } from './demo-valve';

export const demoValves: readonly DemoValve[] = [
  ...reducingValves,
  ...otherValves,
  ...instruments,
  ...temperatureValves,
];
export { demoGauges } from './gauges';
export type { DemoValve } from './demo-valve';
