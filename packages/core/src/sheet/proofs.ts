import { crackingResult, droop, noFlowVerdict } from '../prove';
import {
  captureCycles,
  dialledIn,
  lastReading,
  lightsView,
  stepFitOf,
  sweepView,
  switchCycles,
  type Run,
} from '../run';
import type { SheetBody } from './sheet';

/** Droop and lockup of a run so far; null where the readings are not there. */
export function noFlowOf(run: Run): Pick<SheetBody, 'droop_pa' | 'no_flow'> {
  const small = lastReading(run, 'setting')?.reading.si;
  const working = lastReading(run, 'working_flow');
  const record = run.readings
    .filter(({ purpose }) => purpose === 'no_flow')
    .map(({ reading, elapsed, atMs }) => ({ t: elapsed ?? atMs / 1000, value: reading.si }));
  const gauge = run.gauges.outlet;
  const verdict =
    gauge && small !== undefined
      ? noFlowVerdict(record, small, gauge.resolution_pa, run.started.house_rules)
      : undefined;
  const isOutlet = working?.role === 'outlet';
  return {
    droop_pa: small !== undefined && isOutlet ? droop(small, working.reading.si) : null,
    no_flow: verdict?.ok
      ? {
          shape: verdict.value.shape,
          sure: verdict.value.sure,
          rise_pa: verdict.value.rise,
          allowed_pa: verdict.value.allowed,
          creep_pa_per_s: verdict.value.creepRate,
          passes: verdict.value.passes,
        }
      : null,
  };
}

/** Cracking and reseat over the proving cycles of a relief; null where none were captured. */
export function crackingOf(run: Run): SheetBody['cracking'] {
  const step = run.steps.find(({ kind, id }) => kind === 'capture' && (run.captures[id] ?? []).length > 0);
  if (!step) return null;
  const cycles = captureCycles(run, step.id);
  const result = crackingResult(cycles);
  if (!result.ok) return null;
  const { value } = result;
  const isLog = run.captures[step.id]!.some(({ source }) => source === 'log');
  return {
    cycles: cycles.map(({ cracked, fullFlow, reseated }) => ({
      cracked_pa: cracked ?? null,
      full_flow_pa: fullFlow ?? null,
      reseated_pa: reseated ?? null,
    })),
    cracking_pa: value.cracking,
    cracking_spread_pa: value.crackingSpread,
    repeatability_pa: value.repeatability,
    reseat_pa: value.reseat ?? null,
    reseat_spread_pa: value.reseatSpread,
    blowdown: value.blowdown ?? null,
    overpressure: value.overpressure ?? null,
    source: isLog ? 'log' : 'marked',
  };
}

/** Cycles of a switch as left; undefined for anything else. */
export function switchOf(run: Run): Pick<SheetBody, 'switch_cycles'> {
  const step = run.steps.find(({ kind, purpose }) => kind === 'switching' && purpose === 'as_left');
  const cycles = step ? switchCycles(run, step.id) : [];
  if (cycles.length === 0) return {};
  return { switch_cycles: cycles.map(({ cutIn, cutOut }) => ({ cut_in_pa: cutIn, cut_out_pa: cutOut })) };
}

/** Edges of a flame and every try that found them; undefined for anything else. */
export function edgesOf(run: Run): Pick<SheetBody, 'edges'> {
  if (run.started.plate.family !== 'burner_pilot' || run.lights.length === 0) return {};
  const { search } = lightsView(run);
  const left = lastReading(run, 'as_left')?.reading.si;
  const { lit: low } = search.low;
  const { lit: high } = search.high;
  if (low === undefined || high === undefined || left === undefined) return {};
  return {
    edges: {
      low_pa: low,
      high_pa: high,
      to_low_pa: left - low,
      to_high_pa: high - left,
      lights: run.lights.map(({ pressure, lit, weak }) => ({
        pressure_pa: pressure,
        lit,
        weak: weak ?? false,
      })),
    },
  };
}

/** Alignment and tuning of a controller; undefined for anything else. */
export function controlOf(run: Run): Pick<SheetBody, 'control'> {
  const dialled = dialledIn(run);
  if (run.started.plate.family !== 'controller' || !dialled) return {};
  const { alignment } = sweepView(run);
  const fit = stepFitOf(run);
  const model = fit?.ok ? fit.value.model : undefined;
  return {
    control: {
      alignment_offset: alignment.ok ? alignment.value.offset : 0,
      alignment_spread_pa: alignment.ok ? alignment.value.spread : 0,
      band_percent: dialled.band,
      reset_minutes: dialled.reset,
      model: model
        ? { gain: model.gain, time_constant_s: model.timeConstant, dead_time_s: model.deadTime }
        : null,
    },
  };
}
