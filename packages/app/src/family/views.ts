import type { Family, PlateOf } from '@holvek/core';
import type { FamilyView } from './family-view';
import { reducingView } from './reducing/view';
import { sustainingView } from './sustaining/view';
import { reliefPilotView } from './relief-pilot/view';
import { reliefSpringView } from './relief-spring/view';
import { hydraulicView } from './hydraulic/view';
import { gasView } from './gas/view';
import { selfOperatedView } from './self-operated/view';
import { suctionView } from './suction/view';
import { pressureSwitchView } from './pressure-switch/view';
import { burnerPilotView } from './burner-pilot/view';
import { positionerView } from './positioner/view';
import { indicatorView } from './indicator/view';
import { controllerView } from './controller/view';
import { electronicPilotView } from './electronic-pilot/view';
import { temperatureView } from './temperature/view';

/** Every family as the screens show it: a new one is a folder and a line here. */
const views: { readonly [F in Family]: FamilyView<PlateOf<F>> } = {
  reducing: reducingView,
  sustaining: sustainingView,
  relief_pilot: reliefPilotView,
  relief_spring: reliefSpringView,
  hydraulic: hydraulicView,
  gas: gasView,
  self_operated: selfOperatedView,
  suction: suctionView,
  pressure_switch: pressureSwitchView,
  burner_pilot: burnerPilotView,
  positioner: positionerView,
  indicator: indicatorView,
  controller: controllerView,
  electronic_pilot: electronicPilotView,
  temperature: temperatureView,
};

export const familyView = (family: Family): FamilyView => views[family] as FamilyView;
