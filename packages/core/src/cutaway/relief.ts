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

/** N/kPa on the disc, and by how much more once its skirt is lifted into the stream. */
const DISC = 1;
const SKIRT = 0.09;
const SKIRT_LIFT = 0.6;
/** N a turn, N/mm, mm. */
const TURN = 100;
const RATE = 10;
const TRAVEL = 6;
const DAMPING = 0.6;
/** L/s of the pump against no pressure, kPa at which it gives nothing more. */
const PUMP = 6;
const DEAD_HEAD = 1600;
const CAPACITY = 0.2;
const DRAW = 0.14;
const COMPLIANCE = 0.012;
const GRAIN = 0.006;
/** Share of the line's pressure that stands behind a disc whose discharge is shut. */
const BACKED = 0.85;
const CHOKED = 0.06;
/** N that hold a stuck disc. */
const STUCK = 260;

const LIFT = 0;
const LINE = 1;

/** kPa behind the disc where nothing can leave. */
const behind = ([lift = 0, line = 0]: readonly number[]): number =>
  BACKED * line * limit(lift / SKIRT_LIFT, 0, 1);

function forcesOn(state: readonly number[], hands: CutawayHands): readonly CutawayForce[] {
  const [lift = 0, line = 0] = state;
  const area = DISC * (1 + SKIRT * limit(lift / SKIRT_LIFT, 0, 1));
  const backed = hands.fault === 'discharge_shut' ? behind(state) * DISC : 0;
  const held = hands.fault === 'stuck_disc' && lift <= 0 ? STUCK : 0;
  return [
    { id: 'inlet', newtons: area * line, opens: true },
    { id: 'spring', newtons: TURN * hands.knob + RATE * lift + held, opens: false },
    ...(backed > 0 ? [{ id: 'back_pressure' as const, newtons: backed, opens: false }] : []),
  ];
}

const flowOf = (state: readonly number[], hands: CutawayHands): number => {
  const choked = hands.fault === 'discharge_shut' ? CHOKED : 1;
  const grain = hands.fault === 'dirt_on_seat' ? GRAIN : 0;
  return ((CAPACITY * state[LIFT]!) / TRAVEL + grain) * choked * throttled(state[LINE]!);
};

function doingOf(state: readonly number[], hands: CutawayHands): CutawayDoing {
  const [lift = 0, line = 0] = state;
  const net = netForce(forcesOn(state, hands));
  if (line < 5) return 'no_supply';
  if (lift >= TRAVEL) return 'wide_open';
  if (hands.fault === 'discharge_shut' && behind(state) > 50) return 'held_down';
  if (lift > 0) {
    if (Math.abs(net) < 12) return 'relieving';
    return net > 0 ? 'opening' : 'closing';
  }
  return flowOf(state, hands) > 0.01 ? 'dribbling' : 'waiting';
}

/**
 * A spring-loaded relief: the line against the spring on one disc. Lifted, the stream pushes on its skirt
 * too; so it opens at once, and shuts only below the pressure at which it opened.
 *
 *     damper·v = line·A(lift) − spring − back pressure        C·dp/dt = pumped − drawn − relieved
 */
export const reliefMechanism: Mechanism = {
  rest: [0, 0],
  stillness: [2e-3, 0.05],
  step: (state, hands) => {
    const [lift = 0, line = 0] = state;
    const speed = netForce(forcesOn(state, hands)) / (DAMPING * 10);
    const pumped = PUMP * hands.supply * limit(1 - line / DEAD_HEAD, 0, 1);
    const out = DRAW * hands.draw * throttled(line) + flowOf(state, hands);
    return [
      limit(lift + STEP * speed, 0, TRAVEL),
      limit(line + (STEP * (pumped - out)) / COMPLIANCE, 0, DEAD_HEAD),
    ];
  },
  view: (state, hands) => ({
    inlet: state[LINE]! * 1000,
    outlet: hands.fault === 'discharge_shut' ? behind(state) * 1000 : 0,
    lift: state[LIFT]! / TRAVEL,
    flow: flowOf(state, hands) / 1000,
    vents: false,
    forces: forcesOn(state, hands),
    doing: doingOf(state, hands),
  }),
  looks: [
    { id: 'below', hands: { knob: 8, supply: 0.6, draw: 0.6, fault: null } },
    { id: 'above', hands: { knob: 8, supply: 1, draw: 0.2, fault: null } },
    { id: 'falls_again', hands: { knob: 8, supply: 0.6, draw: 0.6, fault: null } },
    { id: 'dribbles', hands: { knob: 8, supply: 0.6, draw: 0.6, fault: 'dirt_on_seat' } },
  ],
};
