import { settling, type Settling } from '../coach';
import { atTapping } from '../family';
import type { Sample } from '../numerics';
import type { Positions } from '../plant';
import { decimalsFor, fromSI, unitOf, type Seconds } from '../quantity';
import { unwrap } from '../result';
import {
  checkEvent,
  extendRun,
  reduceRun,
  type Run,
  type RunEvent,
  type RunEventDraft,
} from '../run';
import type { GaugeRole, Hand, Reading, RegisterLine, Sight, Step } from '../step';
import { PilotDevice } from './pilot-device';
import {
  actOnTwin,
  advanceTwin,
  readScale,
  readTwin,
  turnTwin,
  twinOutputs,
  type Twin,
} from './twin';

export type RehearsalOptions = {
  readonly started: Extract<RunEventDraft, { type: 'started' }>;
  readonly runId: string;
  readonly twin: Twin;
  readonly author: string;
  readonly startAtMs: number;
  readonly newId: (atMs: number) => string;
  /** Stop before this step, leaving the run as it is; undefined runs to the signature. */
  readonly stopBefore?: string;
  /** Stop after this many turns of the adjuster. */
  readonly stopAfterTurns?: number;
  /** What the eye says of a check that can fail; sound when not given. */
  readonly judge?: (step: Step) => 'sound' | 'fails';
};
const SAMPLE = 0.5;
/** What moves by more than so many divisions within so many samples need not be looked at closely. */
const CALM = 4;
const LOOKED_AT = 8;

function isCalm(samples: readonly Sample[], resolution: number): boolean {
  const late = samples.slice(-LOOKED_AT).map(({ value }) => value);
  return Math.max(...late) - Math.min(...late) <= CALM * resolution;
}

/** A hand on a twin: writes events as a device would, with the twin's time as its clock. */
export class TwinHand implements Hand {
  readonly events: RunEvent[] = [];
  run: Run;
  twin: Twin;
  moves = 0;
  private readonly t0: number;
  private device: PilotDevice | undefined;

  constructor(private readonly options: RehearsalOptions) {
    this.twin = options.twin;
    this.t0 = options.twin.t;
    this.events.push(this.stamp(options.started));
    this.run = unwrap(reduceRun(this.events));
  }

  get author(): string {
    return this.options.author;
  }

  get stopAfterTurns(): number {
    return this.options.stopAfterTurns ?? Number.POSITIVE_INFINITY;
  }

  private stamp(draft: RunEventDraft): RunEvent {
    const atMs = Math.round(this.options.startAtMs + (this.twin.t - this.t0) * 1000);
    const { runId, author, newId } = this.options;
    return {
      ...draft,
      id: newId(atMs),
      run_id: runId,
      author,
      at_ms: atMs,
      lamport: this.events.length + 1,
    } as RunEvent;
  }

  add(draft: RunEventDraft): void {
    const refused = checkEvent(this.run, draft);
    if (refused) throw new Error(`rehearsal refused: ${draft.type} ${JSON.stringify(refused)}`);
    const event = this.stamp(draft);
    this.events.push(event);
    this.run = extendRun(this.run, event) ?? unwrap(reduceRun(this.events));
  }

  wait(seconds: number): void {
    if (this.device) {
      this.device.advance(seconds);
      this.twin = this.device.twin;
    } else this.twin = advanceTwin(this.twin, seconds);
  }

  act(positions: Positions): void {
    this.device = undefined;
    this.twin = actOnTwin(this.twin, positions);
  }

  turn(adjuster: string, turns: number): void {
    this.device = undefined;
    this.add({ type: 'turned', adjuster, turns });
    this.moves += 1;
    this.twin = turnTwin(this.twin, adjuster, turns);
  }

  scale(): number {
    return readScale(this.twin) ?? 0;
  }

  look(): Sight {
    const { flow, opening, fill, isInControl } = twinOutputs(this.twin);
    return { flow, opening, fill, isWideOpen: !isInControl };
  }

  line(): RegisterLine {
    const device = (this.device ??= new PilotDevice(this.twin));
    return {
      ask: (text) => {
        const reply = device.ask(text);
        this.twin = device.twin;
        return reply;
      },
    };
  }

  read(role: GaugeRole): Reading {
    const gauge = this.run.gauges[role]!;
    const shown = readTwin(this.twin, role) ?? 0;
    const decimals = decimalsFor(gauge.resolution_pa / unitOf(gauge.unit).factor);
    const text = fromSI(shown, gauge.unit).toFixed(decimals);
    const si = atTapping(this.run.started.plate, gauge, shown);
    return { si, entered: { text, unit: gauge.unit }, gauge_id: gauge.id, source: 'linked' };
  }

  private readonly learned = new Map<GaugeRole, Seconds>();

  settle(role: GaugeRole): Settling['state'] {
    const gauge = this.run.gauges[role]!;
    const samples: Sample[] = [];
    let state: Settling = { state: 'too_few' };
    for (let waited = 0; waited < 300 && state.state !== 'settled'; waited += SAMPLE) {
      this.wait(SAMPLE);
      samples.push({ t: this.twin.t, value: readTwin(this.twin, role) ?? 0 });
      if (samples.length % 4 === 0 && isCalm(samples, gauge.resolution_pa))
        state = settling(samples, gauge.resolution_pa, this.learned.get(role));
    }
    if (state.state === 'settled' && state.timeConstant !== undefined)
      this.learned.set(role, state.timeConstant);
    return state.state;
  }
}
