import {
  atPlace,
  clientLinkSchema,
  doubtsOf,
  gaugeSchema,
  siteSchema,
  valveSchema,
  type Receipt,
  type Sheet,
} from '@holvek/core';
import type { Beside } from '@holvek/paper';
import type { Store } from '../db/open';
import { countersignRulesOf, countersignStateOf } from '../sheet/countersigns';
import { lineOf } from '../sheet/log';
import { documentsOf } from './documents';

/** The day by the clock of a place, or by the house's own: checks of gauges are dated by its calendar. */
const dayIn =
  (timeZone: string | undefined) =>
  (ms: number): string =>
    new Date(ms).toLocaleDateString('sv-SE', timeZone === undefined ? {} : { timeZone });

/** Files of the pictures that a sheet names, as far as they have come. */
async function picturesOf(
  { pictures }: Store,
  named: readonly { readonly picture: string }[],
): Promise<NonNullable<Beside['pictures']>> {
  const files: Record<string, ArrayBuffer> = {};
  for (const { picture } of named) {
    const file = await pictures.read(picture, 'whole');
    if (file) files[picture] = new Uint8Array(file).buffer;
  }
  return files;
}

/** Who has received a sheet, where it was handed out: the first who said so. */
async function receiptOf({ tables }: Store, sheetId: string): Promise<Receipt | undefined> {
  const links = (await tables.client_links.findAll({ raw: true })).map(({ body }) =>
    clientLinkSchema.parse(JSON.parse(body)),
  );
  return links
    .flatMap(({ sheet_ids: ids, received }) =>
      received && ids.includes(sheetId) ? [received] : [],
    )
    .sort((a, b) => a.at_ms - b.at_ms)[0];
}

/** What is known of a sheet now: where it was filed, and which of its gauges failed a check since. */
export async function besideOf(store: Store, sheet: Sheet): Promise<Beside> {
  const { hash, body } = sheet;
  const gauges = await documentsOf(store, 'gauges', gaugeSchema).all();
  const places = await documentsOf(store, 'sites', siteSchema).all();
  const valve = await store.tables.valves.findByPk(body.valve_id, { raw: true });
  const placeId = valve ? valveSchema.parse(JSON.parse(valve.body)).place_id : undefined;
  return {
    filed: await lineOf(store.tables, hash),
    doubts: doubtsOf(body, gauges, dayIn(atPlace(places, placeId).time_zone)),
    pictures: await picturesOf(store, body.pictures ?? []),
    received: await receiptOf(store, sheet.id),
    second: await countersignStateOf(store.tables, sheet, await countersignRulesOf(store.tables)),
  };
}
