import {
  formatReply,
  fromCounts,
  parseRequest,
  refuse,
  registerAt,
  registerOf,
  toCounts,
  type Register,
  type RegisterKey,
  type RegisterLineError,
} from '../device';
import {
  registerIn,
  RELAY_HYSTERESIS,
  RELAY_STEP,
  sensorShare,
  unitPressure,
  type ActuatorParams,
} from '../plant';
import { ok, type Result } from '../result';
import { relaySettings, relayTest, type StepSample } from '../tune';
import { actOnTwin, advanceTwin, type Twin } from './twin';

/** Fine enough to see a relay turn over. */
const PIECE = 0.25;
const AT_REST = 1e-4;
/** s without movement that count as an end, and s after which a task is given up. */
const STANDS = 1.5;
const PATIENCE = 900;
const SWINGS = 5;
/** mA at both ends of a current loop, as A. */
const LOOP_LOW = 0.004;
const LOOP_SPAN = 0.016;
/** So near to an end, as a share of the stroke, its contact closes. */
const END = 0.005;

type Task =
  | { readonly kind: 'rest' | 'done' | 'gave_up' }
  | { readonly kind: 'closing' | 'opening'; readonly since: number; readonly stoodSince: number }
  | { readonly kind: 'tuning'; readonly since: number; readonly samples: StepSample[] };

const stateCode: Record<Task['kind'], number> = {
  rest: 0,
  closing: 1,
  opening: 1,
  tuning: 2,
  done: 3,
  gave_up: 9,
};

/** Code of the end contact that is closed; 0 between the ends. */
const endContact = (opening: number): number => (opening <= END ? 1 : opening >= 1 - END ? 2 : 0);

/** The electronics of a pilot on its twin: registers, the search for both ends, and tuning by a relay. */
export class PilotDevice {
  private task: Task = { kind: 'rest' };
  private found: Partial<Record<RegisterKey, number>> = {};
  private closedAt = 0;

  constructor(private now: Twin) {
    if (now.plant.kind !== 'actuator')
      throw new Error('an electronic pilot on a twin without an actuator');
  }

  get twin(): Twin {
    return this.now;
  }
  /** Something is done to line or valve from outside. */
  move(how: (twin: Twin) => Twin): void {
    this.now = how(this.now);
  }

  /** Lives on for `seconds`, and carries on whatever task is on. */
  advance(seconds: number): void {
    const until = this.now.t + Math.max(0, seconds || 0);
    while (this.now.t < until - 1e-9) {
      const before = this.opening;
      const isBusy = 'since' in this.task;
      this.now = advanceTwin(
        this.now,
        isBusy ? Math.min(PIECE, until - this.now.t) : until - this.now.t,
      );
      if (isBusy) this.carryOn(Math.abs(this.opening - before));
    }
  }

  /** Answers one line of the protocol. */
  ask(line: string): string {
    return formatReply(this.answer(line));
  }

  private answer(
    line: string,
  ): Result<{ readonly address: number; readonly counts: readonly number[] }, RegisterLineError> {
    const request = parseRequest(line);
    if (!request.ok) return request;
    if (this.now.wanted['power'] === 'off') return refuse('no_power');
    const { address } = request.value;
    if (request.value.kind === 'read') {
      const many = Array.from({ length: request.value.count }, (_, i) => registerAt(address + i));
      if (many.some((register) => register === undefined)) return refuse('address');
      return ok({ address, counts: many.map((register) => this.countsOf(register!)) });
    }
    const register = registerAt(address)!;
    const { counts } = request.value;
    if (register.kind === 'input') return refuse('read_only');
    if (counts < register.low || counts > register.high) return refuse('range');
    if ('since' in this.task) return refuse('busy');
    this.write(register, counts);
    return ok({ address, counts: [counts] });
  }

  private write(register: Register, counts: number): void {
    const t = this.now.t;
    if (register.key === 'start_stroke') {
      this.begin({ kind: 'closing', since: t, stoodSince: t });
    } else if (register.key === 'start_tune') {
      this.begin({ kind: 'tuning', since: t, samples: [] });
    } else {
      this.now = actOnTwin(this.now, { [register.key]: String(fromCounts(register, counts)) });
    }
  }

  private begin(task: Task): void {
    this.task = task;
    this.now = actOnTwin(this.now, { task: task.kind });
  }

  private end(kind: 'done' | 'gave_up'): void {
    this.task = { kind };
    this.now = actOnTwin(this.now, { task: 'rest' });
  }

  private carryOn(moved: number): void {
    const { task, now } = this;
    if (!('since' in task)) return;
    if (now.t - task.since > PATIENCE) return this.end('gave_up');
    if (task.kind === 'tuning') return this.tune(task);
    if (moved > AT_REST) {
      this.task = { ...task, stoodSince: now.t };
      return;
    }
    if (now.t - task.stoodSince < STANDS) return;
    if (task.kind === 'closing') {
      this.found = { ...this.found, closed_counts: this.rawCounts() };
      this.closedAt = now.t;
      return this.begin({ kind: 'opening', since: task.since, stoodSince: now.t });
    }
    this.found = {
      ...this.found,
      open_counts: this.rawCounts(),
      stroke_time: task.stoodSince - this.closedAt,
    };
    this.now = actOnTwin(this.now, { stroked: 'yes' });
    this.end('done');
  }

  private tune(task: Extract<Task, { kind: 'tuning' }>): void {
    const [, line = 0, , relay = 0] = this.now.state;
    const output = 100 * (relay > 0.5 ? RELAY_STEP : -RELAY_STEP);
    task.samples.push({
      t: this.now.t,
      output,
      value: 100 * sensorShare(this.params, this.now.inputs, line),
    });
    const test = relayTest(task.samples, 100 * RELAY_HYSTERESIS);
    if (!test.ok || test.value.cycles < SWINGS) return;
    const { gain, integralTime } = relaySettings(test.value);
    this.found = {
      ...this.found,
      tune_period: test.value.period,
      tune_amplitude: test.value.amplitude / 100,
    };
    this.now = actOnTwin(this.now, {
      gain: String(gain),
      integral_time: String(integralTime),
      mode: '0',
    });
    this.end('done');
  }

  private countsOf(register: Register): number {
    const counts = toCounts(register, this.valueOf(register.key));
    return counts.ok ? counts.value : 0;
  }

  private valueOf(key: RegisterKey): number {
    const { inputs, state } = this.now;
    const line = state[1] ?? 0;
    switch (key) {
      case 'pressure':
        return Math.max(0, unitPressure(this.params, inputs, line));
      case 'current':
        return LOOP_LOW + LOOP_SPAN * sensorShare(this.params, inputs, line);
      case 'position':
        return this.opening;
      case 'counts':
        return this.rawCounts();
      case 'analog_out':
        return this.told('analog_output', LOOP_LOW + LOOP_SPAN * this.opening);
      case 'contact_out':
        return this.told('contact_output', endContact(this.opening));
      case 'state':
        return stateCode[this.task.kind];
      case 'closed_counts':
      case 'open_counts':
      case 'stroke_time':
      case 'tune_period':
      case 'tune_amplitude':
        return this.found[key] ?? 0;
      default:
        return this.heldIn(key);
    }
  }

  /** What was written, or found; a command is there to be given. */
  private heldIn(key: RegisterKey): number {
    return registerOf(key).kind === 'coil' ? 1 : registerIn(this.params, this.now.wanted, key);
  }
  /** What an output tells; nothing while it is off. */
  private told(output: RegisterKey, value: number): number {
    return registerIn(this.params, this.now.wanted, output) === 1 ? value : 0;
  }
  private get params(): ActuatorParams {
    return this.now.plant.params as ActuatorParams;
  }
  private get opening(): number {
    return this.now.state[0] ?? 0;
  }
  private rawCounts(): number {
    const { closedCounts, openCounts } = this.params;
    return Math.round(closedCounts + this.opening * (openCounts - closedCounts));
  }
}
