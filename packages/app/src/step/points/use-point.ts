import {
  asOnMeter,
  instrumentOf,
  instrumentRules,
  parsePressure,
  parseQuantity,
  signalAt,
  toSI,
  type ParsedQuantity,
} from '@holvek/core';
import { useBarometer } from '@/units/use-barometer';
import { useDesk } from '@/desk/use-desk';
import { latest, useTrace } from '@/gauge-link/trace';
import { useSettling } from '@/gauge-link/use-settling';
import { signalFigure, signalUnit, signalWithUnit } from '@/words/signal-words';
import { parseTrouble } from '@/words/trouble';

export type TypedOutput = { readonly value: number; readonly entered: ParsedQuantity['entered'] };

/** Giving a signal and taking what comes of it: from the linked stand-in as it stands, or as typed. */
export function usePoint(stepId: string) {
  const { run, trace, add, isLinked, units, drive } = useDesk();
  const plate = instrumentOf(run);
  const barometer = useBarometer();
  const seen = useTrace(trace);
  const live = isLinked ? latest(seen, 'travel') : undefined;
  const finest = instrumentRules(run.started.house_rules).scale_reading;
  const settling = useSettling(trace, 'travel', isLinked ? finest : undefined);
  const isSettled = settling?.state === 'settled';
  const output = (travel: number) => signalAt(plate.output, travel);
  const wanted = (at: number) => output(plate.action === 'direct' ? at : 1 - at);

  const take = (
    { at, direction, pass }: { at: number; direction: 'up' | 'down'; pass: number },
    typed?: TypedOutput,
  ): Promise<boolean> => {
    const share = isSettled ? settling.level : live?.value;
    if (!typed && share === undefined) return Promise.resolve(false);
    const entered = typed?.entered ?? asOnMeter(plate.output.kind, output(share!));
    const value = typed?.value ?? toSI(Number(entered.text), entered.unit);
    return add({
      type: 'cal_point',
      step_id: stepId,
      at,
      direction,
      pass: Math.min(99, pass),
      output: value,
      entered,
      source: typed ? 'typed' : 'linked',
    });
  };

  /** What was typed as an output, or what is wrong with it. */
  const read = (
    text: string,
    kind = plate.output.kind,
  ): TypedOutput | { readonly error: string } | undefined => {
    if (text.trim() === '') return undefined;
    const unit = signalUnit(kind, units);
    const parsed =
      kind === 'pressure' ? parsePressure(text, unit, barometer) : parseQuantity(text, kind, unit);
    return parsed.ok
      ? { value: parsed.value.si, entered: parsed.value.entered }
      : { error: parseTrouble(parsed.error, units) };
  };

  return {
    plate,
    isLinked,
    settling,
    isSettled,
    /** Output as it stands, SI. */
    live: live && output(live.value),
    /** Where the linked calibrator stands, 0 … 1. */
    signal: seen.sight?.signal,
    /** Share of the air supply that stands at the output of the stand-in. */
    outputShare: seen.sight?.fill,
    set: (at: number) => drive({ signal: Math.min(1, Math.max(0, at)) }),
    take,
    read,
    signalSay: (at: number) => signalWithUnit(plate.input.kind, signalAt(plate.input, at), units),
    outputSay: (si: number) => signalWithUnit(plate.output.kind, si, units),
    wantedSay: (at: number) => signalWithUnit(plate.output.kind, wanted(at), units),
    outputFigure: (si: number) => signalFigure(plate.output.kind, si, units),
    outputUnit: signalUnit(plate.output.kind, units),
    ends: [0, 1].map((at) =>
      signalWithUnit(plate.input.kind, signalAt(plate.input, at), units),
    ) as [string, string],
  };
}
