import {
  canonicalJson,
  feedSchema,
  onlyNameOf,
  renamedAreas,
  seasonSchema,
  siteSchema,
  valveSchema,
  withRenamedAreas,
  type RenamedAreas,
  type Site,
} from '@holvek/core';
import { keepDocument } from '../db/keep';
import type { Tables } from '../db/tables';

type Renaming = { readonly before: Site | undefined; readonly value: Site; readonly who?: string };

/** Seasons and calendars speak of areas by name: they follow when a place is called otherwise. */
export async function followAreas(
  tables: Tables,
  { before, value, who = '' }: Renaming,
): Promise<void> {
  if (before && before.name === value.name && before.under === value.under) return;
  const rows = await tables.sites.findAll({ raw: true });
  const now = rows.map(({ body }) => siteSchema.parse(JSON.parse(body)));
  const then = [...now.filter(({ id }) => id !== value.id), ...(before ? [before] : [])];
  const valves = await tables.valves.findAll({ raw: true });
  const names = renamedAreas(
    then,
    now,
    valves.map(({ body }) => valveSchema.parse(JSON.parse(body))),
  );
  if (names.size === 0) return;
  await renameInSeasons(tables, names, who);
  await renameInFeeds(tables, names);
}

async function renameInSeasons(tables: Tables, names: RenamedAreas, who: string): Promise<void> {
  for (const { id, body } of await tables.seasons.findAll({ raw: true })) {
    const season = seasonSchema.parse(JSON.parse(body));
    const next = withRenamedAreas(season, names);
    if (canonicalJson(next) !== canonicalJson(season))
      await keepDocument(tables, 'seasons', { id, body: JSON.stringify(next) }, who);
  }
}

async function renameInFeeds(tables: Tables, names: RenamedAreas): Promise<void> {
  for (const { id, body } of await tables.feeds.findAll({ raw: true })) {
    const feed = feedSchema.parse(JSON.parse(body));
    const area = feed.about.kind === 'area' ? onlyNameOf(names, feed.about.area) : undefined;
    if (area === undefined) continue;
    const next = { ...feed, about: { kind: 'area' as const, area } };
    await tables.feeds.update({ body: JSON.stringify(next) }, { where: { id } });
  }
}
