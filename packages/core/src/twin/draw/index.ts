import type { Family, Plate, Targets, TwinSketch } from '../../valve';
import { drawBurner } from './burner-pilot';
import { drawController } from './controller';
import type { Draw, Drawn } from './drawn';
import { drawElectronicPilot } from './electronic-pilot';
import { drawGas } from './gas';
import { drawHydraulic } from './hydraulic';
import { drawLinkage } from './linkage';
import { drawSwitch } from './pressure-switch';
import { drawReducing } from './reducing';
import { drawPilotRelief } from './relief-pilot';
import { drawSpringRelief } from './relief-spring';
import { drawSelfOperated } from './self-operated';
import { drawSuction } from './suction';
import { drawSustaining } from './sustaining';

/** How each family's twin is drawn from its plate. */
const draws: { readonly [F in Family]: Draw<Extract<Plate, { family: F }>> } = {
  reducing: drawReducing,
  sustaining: drawSustaining,
  relief_pilot: drawPilotRelief,
  relief_spring: drawSpringRelief,
  hydraulic: drawHydraulic,
  gas: drawGas,
  self_operated: drawSelfOperated,
  suction: drawSuction,
  pressure_switch: drawSwitch,
  burner_pilot: drawBurner,
  positioner: drawLinkage,
  indicator: drawLinkage,
  controller: drawController,
  electronic_pilot: drawElectronicPilot,
};

export const drawTwin = (plate: Plate, targets: Targets, sketch: TwinSketch): Drawn =>
  (draws[plate.family] as Draw)(plate, targets, sketch);

export type { Drawn, DrawnPlant } from './drawn';
