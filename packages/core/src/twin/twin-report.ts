import { measureOfUnit, TEMPERATURE_UNIT } from '../quantity';
import { isWideOpen, readScale, readTwin, twinOutputs, type Twin } from './twin';

/** One line from a gauge, or from a travel scale, as it would come over a cable; `t` in s of the twin. */
export type TwinLine = {
  readonly role: 'inlet' | 'outlet' | 'travel';
  readonly line: string;
  readonly t: number;
};
/** What can be seen beside the gauges. */
export type TwinSight = {
  readonly wideOpen: boolean;
  readonly ventRuns: boolean;
  readonly flow: number;
  readonly fill: number;
  readonly opening: number;
  readonly signal: number;
};
export type TwinReport = { readonly lines: readonly TwinLine[]; readonly sight: TwinSight };

const VENT_RUNS = 1e-6;

/** What the gauges on a twin say at this moment, in the line protocol that real ones speak too. */
export function linesOf(twin: Twin): readonly TwinLine[] {
  const travel = readScale(twin);
  const seen = (['outlet', 'inlet'] as const).flatMap((role): TwinLine[] => {
    const shown = readTwin(twin, role);
    return shown === undefined
      ? []
      : [{ role, line: lineOf(shown, twin.gauges[role]!.unit), t: twin.t }];
  });
  return travel === undefined
    ? seen
    : [...seen, { role: 'travel', line: `${(travel * 100).toFixed(1)} %`, t: twin.t }];
}

const lineOf = (shown: number, unit: string): string =>
  measureOfUnit(unit) === 'temperature'
    ? `${shown.toFixed(3)} ${TEMPERATURE_UNIT}`
    : `${(shown / 1000).toFixed(3)} kPa`;

export function sightOf(twin: Twin): TwinSight {
  const { vent, flow, fill, opening } = twinOutputs(twin);
  return {
    wideOpen: isWideOpen(twin),
    ventRuns: vent > VENT_RUNS,
    flow,
    fill,
    opening,
    signal: Number(twin.inputs['signal'] ?? 0),
  };
}

/** Longest stretch that is lived through at once, s: a tab or a machine that slept. */
const LONGEST_SLEEP = 120;
/** A fast twin still reports twice a second of its own time, so that settling can be seen. */
const PIECE = 0.5;

/** Lives on for `seconds` by `advance`, reporting as it goes. */
export function liveOn(seconds: number, advance: (seconds: number) => Twin): TwinReport {
  const whole = Math.min(LONGEST_SLEEP, Math.max(0, seconds));
  const pieces = Math.max(1, Math.round(whole / PIECE));
  const lines: TwinLine[] = [];
  let twin = advance(whole / pieces);
  lines.push(...linesOf(twin));
  for (let i = 1; i < pieces; i++) {
    twin = advance(whole / pieces);
    lines.push(...linesOf(twin));
  }
  return { lines, sight: sightOf(twin) };
}
