import { defaultPeopleRules, peopleRulesSchema, type PeopleRules } from '@holvek/core';
import type { Tables } from '../db/tables';

export const PEOPLE_RULES = 'people_rules';

/** What the owner asks of those who make records; the ordinary where he has said nothing. */
export async function peopleRulesOf(tables: Tables): Promise<PeopleRules> {
  const row = await tables.settings.findByPk(PEOPLE_RULES, { raw: true });
  return row ? peopleRulesSchema.parse(JSON.parse(row.body)) : defaultPeopleRules;
}
