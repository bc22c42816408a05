import { defaultHouseRules, houseRulesSchema, type HouseRules } from '@holvek/core';
import type { Tables } from '../db/tables';

export const HOUSE_RULES = 'house_rules';

/** The owner’s figures; the ordinary one for what he has said nothing of. */
export async function houseRulesOf(tables: Tables): Promise<HouseRules> {
  const row = await tables.settings.findByPk(HOUSE_RULES, { raw: true });
  return houseRulesSchema.parse({ ...defaultHouseRules, ...(row ? JSON.parse(row.body) : {}) });
}
