import { gaugeFitness, guardedVerdict, resultUncertainty } from '../gauge';
import { droop, noFlowVerdict } from '../prove';
import { err, ok, type Result } from '../result';
import { lastReading, settingView, signingError, type EventError, type Run } from '../run';
import type { SheetBody } from './sheet';

export type FreezeError = EventError | { readonly code: 'sheet.not_signed' };

/**
 * What a signed run comes to: as-found, as-left, verdict, proofs, rate and everything put back.
 *
 * @param run           signed, with every step passed and no open end
 * @param previousHash  of the valve's sheet before this one, null for the first
 * @errors  sheet.not_signed, and whatever keeps a run from being signed
 */
export function freezeSheet(run: Run, previousHash: string | null): Result<SheetBody, FreezeError> {
  const blocked = signingError(run);
  if (blocked) return err(blocked);
  if (!run.signed) return err({ code: 'sheet.not_signed' });
  const { started, signed } = run;
  const adjuster = run.procedure.adjusters[0]!.id;
  const view = settingView(run, adjuster);
  const asLeft = lastReading(run, 'as_left')!.reading.si;
  const gauge = run.gauges.outlet;
  const uncertainty = gauge ? resultUncertainty(gauge) : 0;
  const day = new Date(signed.at_ms).toISOString().slice(0, 10);
  const left = run.steps.flatMap(({ id, caution }) =>
    caution && run.done[id] !== undefined
      ? [{ step_id: id, hazard: caution.hazard, accepted_at_ms: run.done[id] }]
      : [],
  );
  return ok({
    format: 'holvek.sheet',
    version: 1,
    revision: 1,
    previous_hash: previousHash,
    run_id: run.id,
    valve_id: started.valve_id,
    valve_tag: started.valve_tag,
    valve_name: started.valve_name,
    technician: signed.name,
    school: started.school,
    procedure_version: started.procedure_version,
    rehearsal: started.twin !== undefined,
    started_at_ms: started.at_ms,
    signed_at_ms: signed.at_ms,
    plate: started.plate,
    target: started.target,
    house_rules: started.house_rules,
    gauges: run.gauges,
    gauge_findings: gauge
      ? gaugeFitness(gauge, started.target, day, started.house_rules).findings.map(({ code }) => code)
      : [],
    as_found_pa: lastReading(run, 'as_found')?.reading.si ?? null,
    as_left_pa: asLeft,
    uncertainty_pa: uncertainty,
    verdict: guardedVerdict(asLeft, view.aim, uncertainty),
    rate_pa_per_turn: view.rate?.mean ?? null,
    rate_sd_pa_per_turn: view.rate?.sd ?? null,
    clockwise: clockwiseLearned(run, view.rate?.chanceClockwiseRaises),
    turns_net: view.position,
    dots: view.dots.map(({ pressure, turns }) => ({ pressure_pa: pressure, turns })),
    readings: run.readings.map(({ role, purpose, reading, settled, atMs, elapsed }) => ({
      role,
      purpose,
      reading,
      settled,
      at_ms: atMs,
      ...(elapsed === undefined ? {} : { elapsed_s: elapsed }),
    })),
    ...proofs(run),
    open_ends: run.openEnds.map(({ id, say, state, reason }) => ({
      id,
      say,
      state,
      ...(reason ? { reason } : {}),
    })),
    cautions: left,
    skipped: Object.entries(run.skipped).map(([step_id, reason]) => ({ step_id, reason })),
    notes: run.notes.map(({ text }) => text),
  });
}

/** What the screw has shown, when it is sure; else what the plate says. */
function clockwiseLearned(run: Run, chanceRaises: number | undefined): SheetBody['clockwise'] {
  if (chanceRaises !== undefined && chanceRaises > 0.99) return 'raises';
  if (chanceRaises !== undefined && chanceRaises < 0.01) return 'lowers';
  return run.directions['main'] ?? run.started.plate.clockwise;
}

/** Droop and lockup of a run so far; null where the readings are not there. */
export function proofs(run: Run): Pick<SheetBody, 'droop_pa' | 'no_flow'> {
  const small = lastReading(run, 'setting')?.reading.si;
  const working = lastReading(run, 'working_flow')?.reading.si;
  const record = run.readings
    .filter(({ purpose }) => purpose === 'no_flow')
    .map(({ reading, elapsed, atMs }) => ({ t: elapsed ?? atMs / 1000, value: reading.si }));
  const gauge = run.gauges.outlet;
  const verdict =
    gauge && small !== undefined
      ? noFlowVerdict(record, small, gauge.resolution_pa, run.started.house_rules)
      : undefined;
  return {
    droop_pa: small !== undefined && working !== undefined ? droop(small, working) : null,
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
