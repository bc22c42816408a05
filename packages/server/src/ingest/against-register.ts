import {
  defaultHouseRules,
  earlierHouseRules,
  digestOf,
  gaugeSchema,
  houseRulesSchema,
  isPractice,
  repairSchema,
  valveSchema,
  type EventOf,
  type Gauge,
} from '@holvek/core';
import type { Tables } from '../db/tables';

export type RegisterError = {
  readonly code:
    | 'valve.not_found'
    | 'plate.never_so'
    | 'gauge.not_found'
    | 'gauge.never_so'
    | 'rules.never_so'
    | 'repair.never_so';
  readonly detail: { readonly id: string };
};

/**
 * Checks the beginning of a run against the register: its valve is there, and for a record, plate,
 * target, gauges and rules are as the register has them or once had them (a phone may be behind).
 */
export async function registerError(
  tables: Tables,
  started: EventOf<'started'>,
): Promise<RegisterError | undefined> {
  const { valve_id: id } = started;
  if (!(await tables.valves.findByPk(id, { raw: true })))
    return { code: 'valve.not_found', detail: { id } };
  if (isPractice(started)) return undefined;
  if (!(await hasStood(tables, ['valves', id], settingOf, settingOf(started))))
    return { code: 'plate.never_so', detail: { id } };
  for (const gauge of Object.values(started.gauges)) {
    const error = await gaugeError(tables, gauge);
    if (error) return error;
  }
  return (await repairError(tables, started)) ?? rulesError(tables, started);
}

/** The repair that a run answers was made on its valve. */
async function repairError(
  tables: Tables,
  { valve_id, answers_repair: answered }: EventOf<'started'>,
): Promise<RegisterError | undefined> {
  if (!answered) return undefined;
  const placeOf = (value: unknown) => {
    const { id, at_ms, valve_id: made } = repairSchema.parse(value);
    return { id, at_ms, valve_id: made };
  };
  const { id } = answered;
  return (await hasStood(tables, ['repairs', id], placeOf, { ...answered, valve_id }))
    ? undefined
    : { code: 'repair.never_so', detail: { id } };
}

async function rulesError(
  tables: Tables,
  { house_rules: rules }: EventOf<'started'>,
): Promise<RegisterError | undefined> {
  for (const ordinary of [defaultHouseRules, ...earlierHouseRules]) {
    const rulesOf = (value: unknown) =>
      houseRulesSchema.parse({ ...ordinary, ...(value as object) });
    if (digestOf(rules) === digestOf(ordinary)) return undefined;
    if (await hasStood(tables, ['settings', 'house_rules'], rulesOf, rules)) return undefined;
  }
  return { code: 'rules.never_so', detail: { id: 'house_rules' } };
}

/** Checks that a gauge is, or once was, of the register, with this face. */
export async function gaugeError(tables: Tables, gauge: Gauge): Promise<RegisterError | undefined> {
  const { id } = gauge;
  if (!(await tables.gauges.findByPk(id, { raw: true })))
    return { code: 'gauge.not_found', detail: { id } };
  return (await hasStood(tables, ['gauges', id], facePart, facePart(gauge)))
    ? undefined
    : { code: 'gauge.never_so', detail: { id } };
}

type Setting = Pick<EventOf<'started'>, 'plate' | 'target' | 'other_targets'>;
const settingOf = (value: unknown): Setting => {
  const { plate, target, other_targets } = valveSchema
    .pick({ plate: true, target: true, other_targets: true })
    .parse(value);
  return { plate, target, ...(other_targets ? { other_targets } : {}) };
};

/** What a gauge can tell; its next calibration may have been entered since, and how high it hangs is said at the run. */
const facePart = (value: unknown) => {
  const {
    calibrated_on: _,
    calibration_due_on: _due,
    certificate: _of,
    failures: _later,
    as_found: _found,
    height_above_tapping_m: _here,
    ...face
  } = gaugeSchema.parse(value);
  return face;
};

/** Whether some version of a document has had this part. */
async function hasStood(
  tables: Tables,
  [kind, id]: readonly [kind: string, id: string],
  partOf: (body: unknown) => unknown,
  part: unknown,
): Promise<boolean> {
  const versions = await tables.history.findAll({ where: { kind, id }, raw: true });
  const wanted = digestOf(part);
  return versions.some(({ body }) => digestOf(partOf(JSON.parse(body))) === wanted);
}
