import { limit } from '../plant';
import {
  STEP,
  throttled,
  type CutawayDoing,
  type CutawayForce,
  type CutawayHands,
  type Mechanism,
} from './cutaway';

const SUPPLY = 920;
/** N/kPa on the pilot's diaphragm, N a turn of its spring, N for its full lift. */
const PILOT = 0.8;
const TURN = 40;
const BAND = 160;
/** N/kPa on the main diaphragm; half of it is the seat, which the inlet pushes on. */
const MAIN = 12;
const SEAT = MAIN / 2;
/** L/s per √kPa through needle and pilot, L under the stroke of the chamber. */
const NEEDLE = 0.02;
const PILOT_CAPACITY = 0.06;
const CHAMBER = 1;
const CAPACITY = 0.3;
const DRAW = 0.18;
const COMPLIANCE = 0.001;
/** L/s per √kPa past a grain on the pilot's seat. */
const GRAIN = 0.03;
/** Air in the chamber gives way at once, and the plug follows late: how much more readily, and s. */
const AIR_GIVES = 3;
const AIR_LAG = 4;
const SEAT_LAG = 0.05;
const TORN = 0.3;

const LIFT = 1;
const OUTLET = 2;
const DRAWN = 3;
/** s in which a cock downstream is opened or shut. */
const COCK_LAG = 1;

/** kPa that the pilot's diaphragm feels. */
function sensed(outlet: number, { fault }: CutawayHands): number {
  if (fault === 'sensing_line_shut') return 0;
  return fault === 'pilot_diaphragm_torn' ? outlet * TORN : outlet;
}

function pilotForces(state: readonly number[], hands: CutawayHands): readonly CutawayForce[] {
  return [
    { id: 'spring', newtons: TURN * hands.knob, opens: true },
    { id: 'sensed', newtons: PILOT * sensed(state[OUTLET]!, hands), opens: false },
  ];
}

const pilotLift = (state: readonly number[], hands: CutawayHands): number => {
  const [spring, felt] = pilotForces(state, hands);
  return limit((spring!.newtons - felt!.newtons) / BAND, 0, 1);
};

const throughPilot = (state: readonly number[], hands: CutawayHands): number =>
  PILOT_CAPACITY * pilotLift(state, hands) + (hands.fault === 'dirt_on_pilot_seat' ? GRAIN : 0);
const throughNeedle = ({ fault }: CutawayHands): number =>
  fault === 'needle_plugged' ? 0 : NEEDLE;

/** kPa over the main diaphragm: what balances it on its way, what the two flows leave at a stop. */
function chamberOf(state: readonly number[], hands: CutawayHands): number {
  const inlet = SUPPLY * hands.supply;
  const outlet = state[OUTLET]!;
  const lift = state[LIFT]!;
  if (lift > 0.001 && lift < 0.999) return (inlet + outlet) / 2;
  const [a, b] = [throughNeedle(hands) ** 2, throughPilot(state, hands) ** 2];
  return a + b === 0 ? outlet : (a * inlet + b * outlet) / (a + b);
}

const flowOf = (state: readonly number[], hands: CutawayHands): number =>
  Math.max(0, CAPACITY * state[LIFT]! ** 1.5 * throttled(SUPPLY * hands.supply - state[OUTLET]!)) +
  Math.max(0, throughPilot(state, hands) * throttled(chamberOf(state, hands) - state[OUTLET]!)) /
    10;

function mainForces(state: readonly number[], hands: CutawayHands): readonly CutawayForce[] {
  const outlet = state[OUTLET]!;
  return [
    { id: 'inlet', newtons: SEAT * SUPPLY * hands.supply, opens: true },
    { id: 'outlet', newtons: (MAIN - SEAT) * outlet, opens: true },
    { id: 'chamber', newtons: MAIN * chamberOf(state, hands), opens: false },
  ];
}

/** L/s that leave the chamber, less what enters: what opens the main valve. */
function leaving(state: readonly number[], hands: CutawayHands): number {
  const inlet = SUPPLY * hands.supply;
  const outlet = state[OUTLET]!;
  const between = (inlet + outlet) / 2;
  return (
    throughPilot(state, hands) * throttled(between - outlet) -
    throughNeedle(hands) * throttled(inlet - between)
  );
}

function doingOf(state: readonly number[], hands: CutawayHands): CutawayDoing {
  const lift = state[LIFT]!;
  const going = leaving(state, hands);
  if (hands.supply < 0.01) return 'no_supply';
  if (lift >= 0.995) return 'wide_open';
  if (lift <= 0.005) return hands.knob <= 0 ? 'spring_free' : 'locked_up';
  if (pilotLift(state, hands) === 0 && Math.abs(going) < 0.02) return 'passing';
  if (Math.abs(going) < 0.02) return 'balanced';
  return going > 0 ? 'opening' : 'closing';
}

/**
 * A pilot-operated reducing valve: what the pilot lets out of the chamber, less what the needle lets in,
 * moves the main plug.
 *
 *     V·dx/dt = pilot·√(p_c − p₂) − needle·√(p₁ − p_c)        pilot = (spring − A·p₂)/band
 */
export const pilotMechanism: Mechanism = {
  rest: [0, 0, 0, 0],
  stillness: [2e-4, 2e-4, 0.05, 1e-3],
  step: (state, hands) => {
    const [filled = 0, lift = 0, outlet = 0] = state;
    const hasAir = hands.fault === 'air_in_chamber';
    const lag = hasAir ? AIR_LAG : SEAT_LAG;
    const room = hasAir ? CHAMBER / AIR_GIVES : CHAMBER;
    const drawn = DRAW * state[DRAWN]! * throttled(outlet);
    const rise = (STEP * (flowOf(state, hands) - drawn)) / COMPLIANCE;
    return [
      limit(filled + (STEP * leaving(state, hands)) / room, 0, 1),
      limit(lift + (STEP * (filled - lift)) / lag, 0, 1),
      limit(outlet + rise, 0, SUPPLY),
      state[DRAWN]! + (STEP * (hands.draw - state[DRAWN]!)) / COCK_LAG,
    ];
  },
  view: (state, hands) => ({
    inlet: SUPPLY * hands.supply * 1000,
    outlet: state[OUTLET]! * 1000,
    chamber: chamberOf(state, hands) * 1000,
    lift: state[LIFT]!,
    pilotLift: pilotLift(state, hands),
    flow: flowOf(state, hands) / 1000,
    vents: false,
    forces: [...pilotForces(state, hands), ...mainForces(state, hands)],
    doing: doingOf(state, hands),
  }),
  looks: [
    { id: 'supply_on', hands: { knob: 0, supply: 1, draw: 0, fault: null } },
    { id: 'knob_in', hands: { knob: 7, supply: 1, draw: 0.3, fault: null } },
    { id: 'more_drawn', hands: { knob: 7, supply: 1, draw: 1, fault: null } },
    { id: 'nothing_drawn', hands: { knob: 7, supply: 1, draw: 0, fault: null } },
    { id: 'no_shut_off', hands: { knob: 0, supply: 1, draw: 0, fault: 'dirt_on_pilot_seat' } },
  ],
};
