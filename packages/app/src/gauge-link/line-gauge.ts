import {
  heardLine,
  LineCutter,
  lineTrouble,
  measureOfUnit,
  nothingHeard,
  pollOf,
  readLine,
  TEMPERATURE_UNIT,
  type AbsolutePressure,
  type Gauge,
  type GaugeRole,
  type LineFormat,
  type LineTrouble,
} from '@holvek/core';
import type { GaugeLink, LinkLine } from './gauge-link';
import type { OpenLine, OpenSource } from './open-source';

/** Lines that are shown as they came. */
const SHOWN = 6;
/** ms between two looks whether all is well. */
const LOOK_EVERY_MS = 1000;

export type LineState = {
  readonly isOpen: boolean;
  /** As they came, latest last. */
  readonly raw: readonly string[];
  /** Pa that it shows; undefined before it has shown anything. */
  readonly shown: number | undefined;
  readonly trouble: LineTrouble | { readonly code: 'line.gone' | 'line.simulated' } | undefined;
};

/** Whether what it shows is what the gauge shows now: never where it is silent, unread, held or gone. */
export const canBeRead = ({ isOpen, trouble }: LineState): boolean =>
  isOpen && (trouble === undefined || trouble.code === 'line.over_range');

/** How a line stands that is not open. */
export const CLOSED: LineState = { isOpen: false, raw: [], shown: undefined, trouble: undefined };

const SIMULATED = { code: 'line.simulated' } as const;

export type LineGaugeOptions = {
  readonly role: GaugeRole;
  readonly gauge: Pick<Gauge, 'range_low_pa' | 'range_high_pa' | 'unit'>;
  readonly format: LineFormat;
  readonly barometer: AbsolutePressure;
  /** s by a clock that only goes forward. */
  readonly clock?: () => number;
};

/**
 * A gauge at the end of a line, through the same door as any other: what it sends is read as its format says,
 * and what is wrong with the line is said, so that the run goes on by hand.
 */
export class LineGauge implements GaugeLink {
  readonly kind = 'line';
  private state = CLOSED;
  private heard = nothingHeard;
  private line: OpenLine | undefined;
  private timers: ReturnType<typeof setInterval>[] = [];
  private readonly cutter = new LineCutter();
  private readonly lineListeners = new Set<(line: LinkLine) => void>();
  private readonly listeners = new Set<() => void>();
  private touchedAt: number | undefined;
  /** No gauge hangs at its end: what it says is shown, and goes no further. */
  private isSimulated = false;

  constructor(private readonly options: LineGaugeOptions) {}

  /** Opens it; false where the person chose none. @throws where it cannot be opened */
  async open(source: OpenSource): Promise<boolean> {
    const { format } = this.options;
    this.line = await source(format.baud, {
      onText: (text) => this.hear(text),
      onGone: () => this.become({ isOpen: false, trouble: { code: 'line.gone' } }),
      onSimulated: () => {
        this.isSimulated = true;
        this.become({ trouble: SIMULATED });
      },
    });
    if (!this.line) return false;
    this.become({ isOpen: true });
    this.timers.push(setInterval(() => this.look(), LOOK_EVERY_MS));
    if (format.poll !== '') this.timers.push(setInterval(() => this.ask(), format.every_s * 1000));
    return true;
  }

  async close(): Promise<void> {
    for (const timer of this.timers) clearInterval(timer);
    this.timers = [];
    await this.line?.close();
    this.line = undefined;
    this.become(CLOSED);
  }

  /** The valve was touched: a gauge that does not stir after it is held. */
  touched(): void {
    this.touchedAt = this.now();
  }

  now = (): number => (this.options.clock ?? (() => performance.now() / 1000))();

  subscribe: GaugeLink['subscribe'] = (onLine) => {
    this.lineListeners.add(onLine);
    return () => this.lineListeners.delete(onLine);
  };

  watch = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  snapshot = (): LineState => this.state;

  private ask(): void {
    this.line?.send(pollOf(this.options.format)).catch(() => undefined);
  }

  private hear(text: string): void {
    for (const raw of this.cutter.take(text)) this.hearLine(raw);
    this.look();
  }

  private hearLine(raw: string): void {
    const { format, barometer, role, gauge } = this.options;
    const read = readLine(format, raw, barometer, gauge.unit);
    const unit = measureOfUnit(gauge.unit) === 'temperature' ? TEMPERATURE_UNIT : 'Pa';
    const t = this.now();
    this.heard = heardLine(this.heard, t, read);
    this.become({ raw: [...this.state.raw, raw].slice(-SHOWN), shown: this.heard.shown });
    if (read.ok && !this.isSimulated)
      for (const listener of this.lineListeners)
        listener({ role, line: `${read.value} ${unit}`, t });
  }

  private look(): void {
    if (this.isSimulated) return;
    const { format, gauge } = this.options;
    const trouble = lineTrouble(this.heard, {
      now: this.now(),
      every: format.every_s,
      touchedAt: this.touchedAt,
      low: gauge.range_low_pa,
      high: gauge.range_high_pa,
    });
    if (this.state.isOpen && trouble?.code !== this.state.trouble?.code) this.become({ trouble });
  }

  private become(change: Partial<LineState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}
