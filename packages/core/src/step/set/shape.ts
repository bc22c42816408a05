import type { GaugeRole } from '../step';
import { fields, plainShape } from '../step-shape';

export const setShape = plainShape(
  'set',
  fields<{
    readonly adjuster: string;
    readonly role: GaugeRole;
    readonly purpose: 'setting';
    /** What is done before and after each turn, said with it. */
    readonly around?: string;
  }>(),
);
