import type { RegisterKey } from '../device';
import { limit, positionOf, type Plant } from './plant';
import type { Positions } from './positions';

/** An electronic pilot: a sensor, a motor that strokes the valve, and the line that answers. Inside: kPa, s. */
export type ActuatorParams = {
  /** Share of the sensor’s range that a whole stroke moves the line by; negative when opening lowers it. */
  readonly gain: number;
  readonly timeConstant: number;
  readonly deadTime: number;
  /** Share at which the line stands with the valve half open. */
  readonly rest: number;
  /** kPa at 4 mA, and from there to 20 mA. */
  readonly low: number;
  readonly span: number;
  readonly strokeSeconds: number;
  /** Counts at both ends, and the share of the stroke below which something stands in the way. */
  readonly closedCounts: number;
  readonly openCounts: number;
  readonly blockedAt: number;
  /** Both ends were found on an earlier visit. */
  readonly isStroked: boolean;
  /** Errors of the sensor, shares of its span. */
  readonly sensorZero: number;
  readonly sensorSpan: number;
  /** Registers as they are found, in their units. */
  readonly found: Readonly<Partial<Record<RegisterKey, number>>>;
};

/** Half of the relay’s step while it tunes itself, share of the stroke, and its hysteresis, share of the range. */
export const RELAY_STEP = 0.08;
export const RELAY_HYSTERESIS = 0.002;
const RAW_COUNTS = 4095;
const LAGS = 4;
/** s in which the motor closes two thirds of a small gap. */
const SERVO = 0.4;
const TRACKING = 0.5;

/** A register as it stands: what was written since, or what was found. */
export const registerIn = (p: ActuatorParams, inputs: Positions, key: RegisterKey): number =>
  Number(inputs[key] ?? p.found[key] ?? 0);

/** What the sensor says as a share of its range, trims included, of the line or of a calibrator. */
export function sensorShare(p: ActuatorParams, inputs: Positions, line: number): number {
  const isOnTest = positionOf(inputs, 'isolating_cock') < 0.5;
  const felt = isOnTest ? positionOf(inputs, 'signal') : line;
  const raw = p.sensorZero + (1 + p.sensorSpan) * felt;
  return (raw + registerIn(p, inputs, 'trim_zero')) * (1 + registerIn(p, inputs, 'trim_span'));
}

/** What the unit takes the pressure for, Pa: by the range it was given, right or wrong. */
export const unitPressure = (p: ActuatorParams, inputs: Positions, line: number): number => {
  const low = registerIn(p, inputs, 'range_low');
  return low + sensorShare(p, inputs, line) * (registerIn(p, inputs, 'range_high') - low);
};

/** What a contact of the unit that is closed drives it to. */
export type Override = 'shut' | 'open' | 'stay';
const overrides: readonly Override[] = ['shut', 'open', 'stay'];

/**
 * The contact that drives the unit: of those closed the one that its register lets win, else shut before open
 * before stay. Undefined where none is closed, or none may override.
 */
export function overrideOf(p: ActuatorParams, inputs: Positions): Override | undefined {
  if (registerIn(p, inputs, 'contacts') !== 1) return undefined;
  const first = overrides[registerIn(p, inputs, 'contact_first') - 1];
  const order = first ? [first, ...overrides] : overrides;
  return order.find((contact) => inputs[`contact_${contact}`] === 'closed');
}

/** The set value that it follows, Pa: its own, or what an analog command asks of its range. */
function setValueOf(p: ActuatorParams, inputs: Positions): number {
  const at = (key: RegisterKey) => registerIn(p, inputs, key);
  if (at('command_source') !== 2 || inputs['command'] === undefined) return at('set_value');
  return at('range_low') + positionOf(inputs, 'command') * (at('range_high') - at('range_low'));
}

/** State: opening, line, integral, relay, value at which the relay turns over, then the lags of the dead time. */
export const actuatorPlant: Plant<ActuatorParams> = {
  initial: (p, inputs) => {
    const opening = limit(registerIn(p, inputs, 'manual_output'), 0, 1);
    const line = p.rest + p.gain * (opening - 0.5);
    return [opening, line, opening, 1, line, ...Array.from({ length: LAGS }, () => opening)];
  },
  scale: () => Array.from({ length: LAGS + 5 }, () => 1),
  derivative: (p, inputs) => {
    const at = (key: RegisterKey) => registerIn(p, inputs, key);
    const isOn = inputs['power'] !== 'off';
    const task = inputs['task'] ?? 'rest';
    const isTuning = task === 'tuning';
    const override = task === 'rest' ? overrideOf(p, inputs) : undefined;
    const isAutomatic = !isTuning && override === undefined && at('mode') === 1;
    const byHand = at('manual_output');
    const setValue = setValueOf(p, inputs);
    const gain = at('gain');
    const integralTime = Math.max(0.1, at('integral_time'));
    const sense = at('application') === 2 ? -1 : 1;
    const range = at('range_high') - at('range_low') || 1;
    const positionFor = strokeOf(p, inputs);
    return ([opening = 0, line = 0, integral = 0, relay = 0, reference = 0, ...lags], _, out) => {
      const seen = sensorShare(p, inputs, line);
      const error = (sense * (setValue - unitPressure(p, inputs, line))) / range;
      const turned = sense * (reference - seen);
      const wanted = relayWanted(turned, relay);
      const unforced = isAutomatic ? gain * error + integral : byHand;
      const asked = isTuning ? byHand + relayStep(relay) : unforced;
      const goal = goalOf(task, override, opening) ?? positionFor(limit(asked, 0, 1));
      out[0] = isOn ? stemSpeed(p, opening, goal) : 0;
      out[1] = (p.rest + p.gain * ((lags.at(-1) ?? 0.5) - 0.5) - line) / p.timeConstant;
      const follows = (byHand - gain * error - integral) / TRACKING;
      out[2] = isAutomatic ? (gain * error) / integralTime : follows;
      out[3] = isTuning ? (wanted - relay) / 0.1 : (1 - relay) / TRACKING;
      out[4] = isTuning ? 0 : (seen - reference) / TRACKING;
      lags.forEach((lag, i) => {
        out[i + 5] = ((lags[i - 1] ?? opening) - lag) / (p.deadTime / LAGS);
      });
    };
  },
  clamp: (p, state) =>
    state.map((value, i) => {
      const sound = Number.isFinite(value) ? value : 0;
      return i === 0 ? limit(sound, p.blockedAt, 1) : limit(sound, -1, 2);
    }),
  outputs: (p, inputs, _, [opening = 0, line = 0]) => ({
    inlet: 1000 * (p.low + positionOf(inputs, 'signal') * p.span),
    outlet: 1000 * Math.max(0, p.low + line * p.span),
    flow: opening * 0.004,
    vent: 0,
    opening,
    fill: 1,
    isInControl: true,
  }),
};

/** Where the stem is driven for a share of the stroke: of its counts as they come, until both ends are known. */
function strokeOf(p: ActuatorParams, inputs: Positions): (share: number) => number {
  if (inputs['stroked'] === 'yes' || p.isStroked) return (share) => share;
  const span = p.openCounts - p.closedCounts;
  return (share) => (share * RAW_COUNTS - p.closedCounts) / span;
}

const relayStep = (relay: number): number => (relay > 0.5 ? RELAY_STEP : -RELAY_STEP);

/** The side to which the relay goes: beyond its hysteresis by what it sees, within it as it stands. */
function relayWanted(turned: number, relay: number): 0 | 1 {
  if (Math.abs(turned) > RELAY_HYSTERESIS) return turned > 0 ? 1 : 0;
  return relay > 0.5 ? 1 : 0;
}

/** Shares of the stroke a second towards a goal; none through what stands in the way. */
function stemSpeed(p: ActuatorParams, opening: number, goal: number): number {
  const speed = limit((goal - opening) / SERVO, -1 / p.strokeSeconds, 1 / p.strokeSeconds);
  return opening <= p.blockedAt && speed < 0 ? 0 : speed;
}

/** Where a task or a contact drives the stem, as a share of the stroke; undefined where neither does. */
function goalOf(
  task: string | number,
  override: Override | undefined,
  opening: number,
): number | undefined {
  if (task === 'closing' || override === 'shut') return -0.5;
  if (task === 'opening' || override === 'open') return 1.5;
  return override === 'stay' ? opening : undefined;
}
