import { differencePa, type GaugePressure, type PressureDifference } from '../quantity';

/**
 * Droop of a reducing valve: fall of its outlet between small and working flow.
 *
 *     droop = p(small flow) − p(working flow)
 *
 * @returns Pa, positive when the outlet falls
 * @example droop(520_000, 505_000) // → 15_000
 */
export const droop = (smallFlow: GaugePressure, workingFlow: GaugePressure): PressureDifference =>
  differencePa(smallFlow - workingFlow);
