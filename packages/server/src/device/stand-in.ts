import {
  actOnTwin,
  liveOn,
  PilotDevice,
  replaySeconds,
  replaySlices,
  standInCallSchema,
  type StandInCall,
  type StandInWord,
  type Twin,
} from '@holvek/core';

/** Longest text that is listened to: the events of a long run. */
export const LONGEST_TEXT = 4 * 1024 * 1024;

/** Most entries, and most s of its own time, that are lived through again: a long day of work. */
const MOST_ENTRIES = 2000;
const MOST_SECONDS = 6 * 3600;
/** Longest that it works without letting others be served, and most lines that wait meanwhile. */
const SLICE_MS = 20;
const MOST_WAITING = 50;

/**
 * An electronic pilot that nobody has to wire up. Plain lines are for its registers and are answered
 * in turn; lines of JSON say which run it stands in for and what the hand does to the valve.
 */
export class StandIn {
  private device: PilotDevice | undefined;
  private speed = 1;
  /** Lines that came while a run is lived through again; undefined while none is. */
  private waiting: string[] | undefined;

  constructor(private readonly say: (text: string) => void) {}

  /** Takes one line, and answers it before the next one is heard. */
  hear(text: string): void {
    if (this.waiting) {
      if (this.waiting.length < MOST_WAITING) this.waiting.push(text);
      else this.tell({ id: null, error: 'busy' });
      return;
    }
    if (text.trimStart().startsWith('{')) return this.obey(text);
    this.say(this.device ? this.device.ask(text) : '! no_power');
  }

  /** Lets `seconds` of the clock pass, and says what the gauges show. */
  tick(seconds: number): void {
    const { device } = this;
    if (!device) return;
    const report = liveOn(seconds * this.speed, (piece) => {
      device.advance(piece);
      return device.twin;
    });
    this.tell({ lines: [...report.lines], sight: report.sight });
  }

  private obey(text: string): void {
    const call = parse(text);
    if (!call) return this.tell({ id: null, error: 'unreadable' });
    if ('run' in call) return this.standFor(call);
    if (!this.device) return this.tell({ id: call.id, error: 'no_run' });
    if ('hurry' in call) this.speed = call.hurry;
    else this.device.move((twin) => actOnTwin(twin, call.act));
    this.tell({ id: call.id, t: this.device.twin.t });
  }

  private standFor({ id, run }: Extract<StandInCall, { run: unknown }>): void {
    if (run.length > MOST_ENTRIES || replaySeconds(run) > MOST_SECONDS)
      return this.tell({ id, error: 'too_long' });
    this.waiting = [];
    this.replay(id, replaySlices(run));
  }

  /** Lives a run through again, a little at a time. */
  private replay(id: number, slices: ReturnType<typeof replaySlices>): void {
    let until: number | undefined;
    do {
      const { done, value } = slices.next();
      if (done) return this.stand(id, value);
      until ??= performance.now() + SLICE_MS;
    } while (performance.now() < until);
    setImmediate(() => this.replay(id, slices));
  }

  private stand(id: number, twin: Twin | undefined): void {
    if (!twin) this.tell({ id, error: 'run_unsound' });
    else if (twin.plant.kind !== 'actuator') this.tell({ id, error: 'not_electronic' });
    else {
      this.device = new PilotDevice(twin);
      this.tell({ id, t: twin.t });
    }
    const waited = this.waiting ?? [];
    this.waiting = undefined;
    for (const text of waited) this.hear(text);
  }

  private tell(word: StandInWord): void {
    this.say(JSON.stringify(word));
  }
}

function parse(text: string): StandInCall | undefined {
  try {
    const read = standInCallSchema.safeParse(JSON.parse(text));
    return read.success ? read.data : undefined;
  } catch {
    return undefined;
  }
}
