import { limit } from '../plant';
import {
  netForce,
  STEP,
  throttled,
  type CutawayDoing,
  type CutawayForce,
  type CutawayHands,
  type Mechanism,
} from './cutaway';

const SUPPLY = 920;
/** N/kPa: a diaphragm of 60 cm², a seat of 2 cm². */
const DIAPHRAGM = 6;
const SEAT = 0.2;
/** N/mm, and how far a turn presses the spring, mm. */
const RATE = 200;
const PITCH = 1.5;
const TRAVEL = 1.5;
/** kg and N·s/mm as they move in the slowed picture. */
const MASS = 150;
const DAMPING = 18;
const FED = 3;
const CAPACITY = 0.2;
const DRAW = 0.15;
const COMPLIANCE = 0.008;
/** L/s per √kPa past a grain on the seat, and N that press the seat tight. */
const GRAIN = 0.012;
const TIGHT = 60;
/** mm of air over the diaphragm, kPa of air outside, and by how much a blocked vent slows it. */
const BONNET = 6;
const AIR = 101;
const VENT_SLOWS = 6;
/** Share of the outlet's push that a torn diaphragm keeps. */
const TORN = 0.3;

const LIFT = 0;
const OUTLET = 2;

/** kPa in a bonnet that cannot breathe: less as the diaphragm goes down. */
const trapped = (lift: number): number => (AIR * BONNET) / (BONNET + lift) - AIR;

function forcesOn(state: readonly number[], hands: CutawayHands): readonly CutawayForce[] {
  const [lift = 0, , outlet = 0] = state;
  const share = hands.fault === 'torn_diaphragm' ? TORN : 1;
  const bonnet = hands.fault === 'blocked_vent' ? trapped(lift) * DIAPHRAGM : 0;
  return [
    {
      id: 'spring',
      newtons: Math.max(0, RATE * (PITCH * hands.knob - lift) + bonnet),
      opens: true,
    },
    { id: 'outlet', newtons: DIAPHRAGM * share * outlet, opens: false },
    { id: 'inlet', newtons: SEAT * Math.max(0, SUPPLY * hands.supply - outlet), opens: false },
  ];
}

/** L/s per √kPa through the seat: a shut one passes until it is pressed tight. */
function opening(state: readonly number[], hands: CutawayHands): number {
  const lift = state[LIFT]!;
  const pressed = limit(-netForce(forcesOn(state, hands)) / TIGHT, 0, 1);
  const grain = hands.fault === 'dirt_on_seat' ? GRAIN : 0;
  return (CAPACITY * lift) / TRAVEL + (lift > 0 ? 0 : 0.004 * (1 - pressed)) + grain;
}

const flowOf = (state: readonly number[], hands: CutawayHands): number =>
  Math.max(0, opening(state, hands) * throttled(SUPPLY * hands.supply - state[OUTLET]!));

function dampingOf({ fault }: CutawayHands): number {
  // Without it the stream feeds the swing.
  if (fault === 'damper_lost') return -FED;
  return fault === 'blocked_vent' ? DAMPING * VENT_SLOWS : DAMPING;
}

function doingOf(state: readonly number[], hands: CutawayHands): CutawayDoing {
  const [lift = 0, , outlet = 0] = state;
  const net = netForce(forcesOn(state, hands));
  if (hands.supply < 0.01) return 'no_supply';
  if (hands.fault === 'torn_diaphragm' && outlet > 5) return 'venting';
  if (lift <= 0 && flowOf(state, hands) > 0.01) return 'passing';
  if (hands.knob <= 0) return 'spring_free';
  if (lift >= TRAVEL) return 'wide_open';
  if (lift <= 0) return 'locked_up';
  if (Math.abs(net) < 25) return 'balanced';
  return net > 0 ? 'opening' : 'closing';
}

/**
 * A spring-loaded reducing valve: spring against outlet on one diaphragm, the plug under its seat.
 *
 *     m·a = spring − outlet·A − (inlet − outlet)·a_seat − damper·v
 *     C·dp₂/dt = flow in − drawn
 */
export const directMechanism: Mechanism = {
  rest: [0, 0, 0],
  stillness: [5e-4, 5e-2, 0.05],
  step: (state, hands) => {
    const [lift = 0, speed = 0, outlet = 0] = state;
    const net = netForce(forcesOn(state, hands));
    const damped = speed + (STEP * net * 1000) / MASS;
    const next = damped / (1 + (STEP * dampingOf(hands) * 1000) / MASS);
    const moved = limit(lift + STEP * next, 0, TRAVEL);
    const isAtStop = moved === 0 || moved === TRAVEL;
    const drawn = DRAW * hands.draw * throttled(outlet);
    const rise = (STEP * (flowOf(state, hands) - drawn)) / COMPLIANCE;
    return [moved, isAtStop ? 0 : next, limit(outlet + rise, 0, SUPPLY)];
  },
  view: (state, hands) => ({
    inlet: SUPPLY * hands.supply * 1000,
    outlet: state[OUTLET]! * 1000,
    lift: state[LIFT]! / TRAVEL,
    flow: flowOf(state, hands) / 1000,
    vents: hands.fault === 'torn_diaphragm' && state[OUTLET]! > 5,
    forces: forcesOn(state, hands),
    doing: doingOf(state, hands),
  }),
  looks: [
    { id: 'knob_out', hands: { knob: 0, supply: 0, draw: 0.3, fault: null } },
    { id: 'supply_on', hands: { knob: 0, supply: 1, draw: 0, fault: null } },
    { id: 'knob_in', hands: { knob: 6, supply: 1, draw: 0.3, fault: null } },
    { id: 'more_drawn', hands: { knob: 6, supply: 1, draw: 1, fault: null } },
    { id: 'nothing_drawn', hands: { knob: 6, supply: 1, draw: 0, fault: null } },
    { id: 'no_shut_off', hands: { knob: 0, supply: 1, draw: 0, fault: 'dirt_on_seat' } },
  ],
};
