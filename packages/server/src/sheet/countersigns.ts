import {
  countersignOf,
  countersignRulesSchema,
  countersignSchema,
  defaultCountersignRules,
  valveSchema,
  type Countersign,
  type CountersignRules,
  type CountersignState,
  type Duty,
  type Sheet,
} from '@holvek/core';
import type { Tables } from '../db/tables';

export const COUNTERSIGN_RULES = 'countersign_rules';

/** What the owner wants a second signature under; nothing where he has said nothing. */
export async function countersignRulesOf(tables: Tables): Promise<CountersignRules> {
  const row = await tables.settings.findByPk(COUNTERSIGN_RULES, { raw: true });
  return row ? countersignRulesSchema.parse(JSON.parse(row.body)) : defaultCountersignRules;
}

export const toCountersign = ({ body }: { readonly body: string }): Countersign =>
  countersignSchema.parse(JSON.parse(body));

/** How a sheet stands with its second signature. */
export async function countersignStateOf(
  tables: Tables,
  sheet: Sheet,
  rules: CountersignRules,
): Promise<CountersignState> {
  const said = await tables.countersigns.findAll({
    where: { sheet: sheet.hash },
    order: [['seq', 'ASC']],
    raw: true,
  });
  const duty = await dutyIn(tables, sheet.body.valve_id);
  return countersignOf(sheet, said.map(toCountersign), { duty, rules });
}

/** What the register says that a valve is there for. */
async function dutyIn(tables: Tables, valveId: string): Promise<Duty | undefined> {
  const row = await tables.valves.findByPk(valveId, { raw: true });
  return row ? valveSchema.parse(JSON.parse(row.body)).duty : undefined;
}
