import { doubtsOf, gaugeSchema, type Sheet } from '@holvek/core';
import type { Beside } from '@holvek/paper';
import type { Store } from '../db/open';
import { countersignRulesOf, countersignStateOf } from '../sheet/countersigns';
import { lineOf } from '../sheet/log';
import { documentsOf } from './documents';

/** The day where this house stands: checks of gauges are dated by its calendar. */
const localDay = (ms: number): string => new Date(ms).toLocaleDateString('sv-SE');

/** What is known of a sheet now: where it was filed, and which of its gauges failed a check since. */
export async function besideOf(store: Store, sheet: Sheet): Promise<Beside> {
  const { hash, body } = sheet;
  const gauges = await documentsOf(store, 'gauges', gaugeSchema).all();
  return {
    filed: await lineOf(store.tables, hash),
    doubts: doubtsOf(body, gauges, localDay),
    second: await countersignStateOf(store.tables, sheet, await countersignRulesOf(store.tables)),
  };
}
