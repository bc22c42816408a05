import type { Pilot } from '../../plant';

/** Seconds in which a pilot-operated valve follows its pilot. */
export const valveLag = 0.35;

/** A pilot with memory: it holds its pressure without droop, and hunts when it is hurried. */
export const pilotHolding = (setting: string, holds: Pilot['holds']): Pilot => ({
  setting,
  holds,
  band: 140,
  integral: 1.5e-3,
  lockup: 0,
});
