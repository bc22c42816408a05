import type { GaugeRole, Purpose } from '../step';
import { fields, plainShape } from '../step-shape';

export const readShape = plainShape(
  'read',
  fields<{ readonly role: GaugeRole; readonly purpose: Purpose }>(),
);
