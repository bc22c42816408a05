import {
  actOnTwin,
  liveOn,
  PilotDevice,
  replayTwin,
  standInCallSchema,
  type StandInCall,
  type StandInWord,
} from '@holvek/core';

/** Longest text that is listened to: the events of a long run. */
export const LONGEST_TEXT = 4 * 1024 * 1024;

/**
 * An electronic pilot that nobody has to wire up. Plain lines are for its registers and are answered
 * in turn; lines of JSON say which run it stands in for and what the hand does to the valve.
 */
export class StandIn {
  private device: PilotDevice | undefined;
  private speed = 1;

  constructor(private readonly say: (text: string) => void) {}

  /** Takes one line, and answers it before the next one is heard. */
  hear(text: string): void {
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
    const twin = replayTwin(run);
    if (!twin) return this.tell({ id, error: 'run_unsound' });
    if (twin.plant.kind !== 'actuator') return this.tell({ id, error: 'not_electronic' });
    this.device = new PilotDevice(twin);
    this.tell({ id, t: twin.t });
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
