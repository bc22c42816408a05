import {
  backupStateSchema,
  type Countersign,
  countersignRulesSchema,
  countersignSchema,
  type CountersignRules,
  digestOf,
  evidenceSummarySchema,
  clientLinkSchema,
  clientViewSchema,
  feedSchema,
  newClientLinkSchema,
  type ClientLinkAsked,
  type FeedAbout,
  newFeedSchema,
  type Notice,
  noticeSchema,
  fleetKindSchema,
  gaugeSchema,
  headSchema,
  houseRulesSchema,
  importedSchema,
  type FirstOwner,
  ingestedSchema,
  logLineSchema,
  personSchema,
  type PeopleRules,
  peopleRulesSchema,
  type PersonChange,
  keptPictureSchema,
  larkhollowSchema,
  photoSchema,
  type Photo,
  type Receipt,
  placeOfSessionSchema,
  problemSchema,
  repairSchema,
  roundSchema,
  runRowSchema,
  seasonSchema,
  sessionSchema,
  sheetSchema,
  type SignedCorrection,
  type SignIn,
  siteSchema,
  storedRunSchema,
  systemSchema,
  valveSchema,
  valveSummarySchema,
  type Gauge,
  type HouseRules,
  type Repair,
  type Round,
  type RunEvent,
  type Season,
  type Site,
  type System,
  type Valve,
} from '@holvek/core';
import { z } from 'zod';

/** The server understood and said no: its code and what it told of it. Anything else is no network. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly detail?: unknown,
  ) {
    super(code);
  }
}

/** The server could not be reached, or answered what only a server in trouble answers: try again later. */
export class Unreachable extends Error {}

type Send = {
  readonly method: 'PUT' | 'POST' | 'DELETE';
  readonly body?: unknown;
  /** A file, sent as it is in place of a body. */
  readonly file?: ArrayBuffer;
  /** What was changed, as it was before: a server that has it otherwise now says so. */
  readonly over?: unknown;
  readonly by?: string;
};

/** One request; the answer is what its schema says, or a Refusal, or a failure of the network. */
async function ask<S extends z.ZodType>(path: string, schema: S, send?: Send): Promise<z.infer<S>> {
  const response = await reach(`/api${path}`, {
    headers: headersOf(send),
    ...(send
      ? {
          method: send.method,
          ...bodyOf(send),
        }
      : {}),
  });
  const text = await response.text().catch(unreachable);
  if (!response.ok) throw refusedBy(response.status, text);
  return schema.parse(toJson(text));
}

function refusedBy(status: number, text: string): Error {
  const problem = problemSchema.safeParse(toJson(text));
  return problem.success
    ? new Refusal(status, problem.data.error.code, problem.data.error.detail)
    : new Unreachable(`the server answered ${status}`);
}

/** A file that the server makes. */
async function fetchBlob(path: string): Promise<Blob> {
  const response = await reach(`/api${path}`, { headers: headersOf() });
  if (!response.ok) throw refusedBy(response.status, await response.text().catch(unreachable));
  return response.blob().catch(unreachable);
}

const bodyOf = ({ file, body }: Send): Pick<RequestInit, 'body'> => {
  if (file) return { body: file };
  return body === undefined ? {} : { body: JSON.stringify(body) };
};

const headersOf = (send?: Send): Record<string, string> => ({
  accept: 'application/json',
  'content-type': send?.file ? 'application/octet-stream' : 'application/json',
  ...(send?.over === undefined ? {} : { 'if-match': `"${digestOf(send.over)}"` }),
  ...(send?.by ? { 'x-changed-by': encodeURIComponent(send.by) } : {}),
});

const unreachable = (cause: unknown): never => {
  throw new Unreachable('no answer from the server', { cause });
};
const reach = (path: string, request: RequestInit): Promise<Response> =>
  fetch(path, request).catch(unreachable);

function toJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

const enc = encodeURIComponent;

export type Change = Pick<Send, 'over' | 'by'>;

/** Every call the app makes, each answer parsed by the schema that core keeps for it. */
export const api = {
  session: () => ask('/session', sessionSchema),
  signIn: (body: SignIn) => ask('/session', sessionSchema, { method: 'POST', body }),
  signOut: () => ask('/session', sessionSchema, { method: 'DELETE' }),
  becomeOwner: (body: FirstOwner) => ask('/first-owner', sessionSchema, { method: 'POST', body }),
  changeSecret: (body: { readonly old: string; readonly secret: string }) =>
    ask('/session/secret', z.object({ changed: z.boolean() }), { method: 'PUT', body }),
  people: () => ask('/people', z.array(personSchema)),
  putPerson: (body: PersonChange) =>
    ask(`/people/${enc(body.person.id)}`, personSchema, { method: 'PUT', body }),
  peopleRules: () => ask('/people-rules', peopleRulesSchema),
  putPeopleRules: (rules: PeopleRules) =>
    ask('/people-rules', peopleRulesSchema, { method: 'PUT', body: rules }),
  sessions: () => ask('/sessions', z.array(placeOfSessionSchema)),
  endSession: (id: string) =>
    ask(`/sessions/${enc(id)}`, z.object({ ended: z.boolean() }), { method: 'DELETE' }),
  countersigns: () => ask('/countersigns', z.array(countersignSchema)),
  countersign: (sheetId: string, body: Countersign) =>
    ask(`/sheets/${enc(sheetId)}/countersigns`, countersignSchema, { method: 'POST', body }),
  countersignRules: () => ask('/countersign-rules', countersignRulesSchema),
  putCountersignRules: (body: CountersignRules) =>
    ask('/countersign-rules', countersignRulesSchema, { method: 'PUT', body }),
  clientLinks: () => ask('/client-links', z.array(clientLinkSchema)),
  makeClientLink: (body: ClientLinkAsked) =>
    ask('/client-links', newClientLinkSchema, { method: 'POST', body }),
  endClientLink: (id: string) =>
    ask(`/client-links/${enc(id)}`, z.array(clientLinkSchema), { method: 'DELETE' }),
  clientView: (token: string) => ask(`/client/${enc(token)}`, clientViewSchema),
  receive: (token: string, receipt: Omit<Receipt, 'at_ms'>) =>
    ask(`/client/${enc(token)}/received`, clientViewSchema, {
      method: 'POST',
      body: receipt,
    }),
  feeds: () => ask('/feeds', z.array(feedSchema)),
  makeFeed: (about: FeedAbout) => ask('/feeds', newFeedSchema, { method: 'POST', body: { about } }),
  endFeed: (id: string) => ask(`/feeds/${id}`, z.array(feedSchema), { method: 'DELETE' }),
  backups: () => ask('/backups', backupStateSchema),
  larkhollow: () => ask('/larkhollow', larkhollowSchema, { method: 'POST', body: {} }),
  archive: () => fetchBlob('/archive.zip'),
  takeBackup: () => ask('/backups', backupStateSchema, { method: 'POST' }),
  sites: () => ask('/sites', z.array(siteSchema)),
  putSite: (site: Site, change: Change = {}) =>
    ask(`/sites/${enc(site.id)}`, siteSchema, { method: 'PUT', body: site, ...change }),
  valves: () => ask('/valves', z.array(valveSchema)),
  putValve: (valve: Valve, change: Change = {}) =>
    ask(`/valves/${enc(valve.id)}`, valveSchema, { method: 'PUT', body: valve, ...change }),
  importValves: (csv: string) =>
    ask('/valves/import', importedSchema, { method: 'POST', body: { csv } }),
  previewValves: (csv: string) =>
    ask('/valves/import', importedSchema, { method: 'POST', body: { csv, preview: true } }),
  verify: (valveId: string) =>
    ask(`/valves/${enc(valveId)}/verify`, z.object({ sheets: z.number(), entries: z.number() })),
  evidence: (sheetId: string) => ask(`/sheets/${enc(sheetId)}/evidence`, evidenceSummarySchema),
  log: (after: number) =>
    ask(`/log?after=${after}`, z.object({ head: headSchema, lines: z.array(logLineSchema) })),
  gauges: () => ask('/gauges', z.array(gaugeSchema)),
  putGauge: (gauge: Gauge, change: Change = {}) =>
    ask(`/gauges/${enc(gauge.id)}`, gaugeSchema, { method: 'PUT', body: gauge, ...change }),
  rounds: () => ask('/rounds', z.array(roundSchema)),
  putRound: (round: Round, change: Change = {}) =>
    ask(`/rounds/${enc(round.id)}`, roundSchema, { method: 'PUT', body: round, ...change }),
  seasons: () => ask('/seasons', z.array(seasonSchema)),
  putSeason: (season: Season, change: Change = {}) =>
    ask(`/seasons/${enc(season.id)}`, seasonSchema, { method: 'PUT', body: season, ...change }),
  systems: () => ask('/systems', z.array(systemSchema)),
  putSystem: (system: System, change: Change = {}) =>
    ask(`/systems/${enc(system.id)}`, systemSchema, { method: 'PUT', body: system, ...change }),
  notices: () => ask('/notices', z.array(noticeSchema)),
  putNotice: (notice: Notice, change: Change = {}) =>
    ask(`/notices/${enc(notice.id)}`, noticeSchema, { method: 'PUT', body: notice, ...change }),
  repairs: () => ask('/repairs', z.array(repairSchema)),
  putRepair: (repair: Repair, change: Change = {}) =>
    ask(`/repairs/${enc(repair.id)}`, repairSchema, { method: 'PUT', body: repair, ...change }),
  photos: () => ask('/photos', z.array(photoSchema)),
  putPhoto: (photo: Photo, change: Change = {}) =>
    ask(`/photos/${enc(photo.id)}`, photoSchema, { method: 'PUT', body: photo, ...change }),
  putPicture: (name: string, file: ArrayBuffer) =>
    ask(`/pictures/${name}`, keptPictureSchema, { method: 'PUT', file }),
  houseRules: () => ask('/house-rules', houseRulesSchema),
  putHouseRules: (rules: HouseRules, change: Change = {}) =>
    ask('/house-rules', houseRulesSchema, { method: 'PUT', body: rules, ...change }),
  sheets: () => ask('/sheets', z.array(sheetSchema)),
  summaries: () => ask('/summaries', z.array(valveSummarySchema)),
  fleet: () => ask('/fleet', z.array(fleetKindSchema)),
  practice: () => ask('/practice', z.array(sheetSchema)),
  sheet: (id: string) => ask(`/sheets/${enc(id)}`, sheetSchema),
  revise: (id: string, body: SignedCorrection) =>
    ask(`/sheets/${enc(id)}/revisions`, sheetSchema, { method: 'POST', body }),
  runs: () => ask('/runs', z.array(runRowSchema)),
  run: (id: string) => ask(`/runs/${enc(id)}`, storedRunSchema),
  runSize: (id: string) => ask(`/runs/${enc(id)}/size`, z.object({ entries: z.number() })),
  postEvents: (runId: string, events: readonly RunEvent[]) =>
    ask(`/runs/${enc(runId)}/events`, ingestedSchema, { method: 'POST', body: { events } }),
} as const;
export type Api = typeof api;
