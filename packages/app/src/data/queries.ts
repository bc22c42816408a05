import { defaultHouseRules, houseRulesSchema, type HouseRules } from '@holvek/core';
import { QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import type { Persister, PersistedClient } from '@tanstack/react-query-persist-client';
import { preferences } from '@/prefs/preferences';
import { api, Refusal, Unreachable, type Change } from './api';
import { showConflict } from './conflicts';
import { withKept, type ListName } from './kept-changes';
import { deviceDbIfKept, keptChanges, outbox, putPhoto, useKeptChanges } from './store';

const DAY = 86_400_000;
/** How long the register is readable without a network. */
export const KEEP_MS = 60 * DAY;
const CACHE_KEY = 'queries';

/** `always`: a fetch without a network fails at once and is said, rather than waiting unseen. */
export const queryClient = new QueryClient({
  defaultOptions: {
    // A timer cannot count to sixty days: what is kept is never dropped while the tab lives.
    queries: {
      networkMode: 'always',
      staleTime: 10_000,
      gcTime: Number.POSITIVE_INFINITY,
      retry: 1,
    },
    mutations: { networkMode: 'always' },
  },
});

/** Age of what was restored: older than anything, yet newer than nothing. */
const RESTORED_AT = 1;

/** A restored copy while the server has still to answer: not to be edited yet. */
export const isFromBefore = (query: {
  readonly dataUpdatedAt: number;
  readonly errorUpdateCount: number;
  readonly isFetching: boolean;
}): boolean =>
  query.isFetching && query.errorUpdateCount === 0 && query.dataUpdatedAt <= RESTORED_AT;

/**
 * Whatever has once been fetched is kept, also when it could not be fetched again: a failure without a
 * network must not take the register from the phone.
 */
export const keepsWhatItHas = {
  shouldDehydrateQuery: ({
    state,
    meta,
  }: {
    readonly state: { readonly data: unknown };
    readonly meta?: Readonly<Record<string, unknown>> | undefined;
  }) => state.data !== undefined && meta?.['isOnlyShown'] !== true,
};

type Restored = PersistedClient['clientState']['queries'][number]['state'];

/** As it was when it was fetched: the failures since then are forgotten. */
function asRestored(state: Restored): void {
  state.dataUpdatedAt = RESTORED_AT;
  if (state.data === undefined) return;
  state.status = 'success';
  state.error = null;
  state.fetchStatus = 'idle';
  state.errorUpdateCount = 0;
}

export const persister: Persister = {
  persistClient: async (client) =>
    void (await (await deviceDbIfKept)?.put('cache', client, CACHE_KEY)),
  restoreClient: async () => {
    const db = await deviceDbIfKept;
    const kept = (await db?.get('cache', CACHE_KEY)) as PersistedClient | undefined;
    // The copy on the device may be older than what was saved last: the server is always asked again.
    for (const { state } of kept?.clientState.queries ?? []) asRestored(state);
    return kept;
  },
  removeClient: async () => (await deviceDbIfKept)?.delete('cache', CACHE_KEY),
};

/** A list of the register, with what waits on this phone in its place. */
function useList<T extends { readonly id: string }>(list: ListName, queryFn: () => Promise<T[]>) {
  const kept = useKeptChanges();
  const select = useCallback((all: T[]) => [...withKept(all, list, kept)!], [kept, list]);
  return useQuery({ queryKey: [list], queryFn, select });
}
export const useSites = () => useList('sites', api.sites);
export const useValves = () => useList('valves', api.valves);
export const useGauges = () => useList('gauges', api.gauges);
export const useRounds = () => useList('rounds', api.rounds);
export const useSystems = () => useList('systems', api.systems);
export const usePeople = () => useQuery({ queryKey: ['people'], queryFn: api.people });
export const useSeasons = () => useList('seasons', api.seasons);
export const useRepairs = () => useList('repairs', api.repairs);
export const useNotices = () => useList('notices', api.notices);
export const usePhotos = () => useList('photos', api.photos);
export const useSheets = () => useQuery({ queryKey: ['sheets'], queryFn: api.sheets });
export const useSummaries = () => useQuery({ queryKey: ['summaries'], queryFn: api.summaries });
/** What other valves have taught of their kinds; without it a new one begins with its chart. */
export const useFleet = () => useQuery({ queryKey: ['fleet'], queryFn: api.fleet });
export const usePractice = () => useQuery({ queryKey: ['practice'], queryFn: api.practice });
export const useVerify = (valveId: string) =>
  useQuery({
    queryKey: ['verify', valveId],
    queryFn: () => api.verify(valveId),
    enabled: valveId !== '',
    retry: false,
  });

const useRules = () => useQuery({ queryKey: ['house-rules'], queryFn: api.houseRules });

/** What was fetched is read once, whoever asks: every row of a list does. */
const readRules = new WeakMap<object, HouseRules>();

/** The owner's figures; the ordinary ones until they have been fetched. */
export function useHouseRules(): HouseRules {
  const { data } = useRules();
  if (data === undefined) return defaultHouseRules;
  const known = readRules.get(data);
  if (known) return known;
  const parsed = houseRulesSchema.safeParse(data);
  const rules = parsed.success ? parsed.data : defaultHouseRules;
  readRules.set(data, rules);
  return rules;
}

/**
 * Whether what a run is started from is here: the owner's figures, the sheets before, what other
 * valves have taught, the job of the round. A run keeps what it was started with, so it waits for them, unless they cannot be had.
 */
export function useIsReadyToStart(): boolean {
  const rules = useRules();
  const visits = useSummaries();
  const repairs = useRepairs();
  const fleet = useFleet();
  const rounds = useRounds();
  return ![rules, visits, repairs, fleet, rounds].some(({ isPending }) => isPending);
}

/** A change on the server, after which what it touches is fetched anew. */
function useChange<T, R>(change: (value: T) => Promise<R>, key: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    // One after another: each is made over what the one before has left.
    scope: { id: key },
    onSuccess: () => client.invalidateQueries({ queryKey: [key] }),
  });
}

type Put<T> = (value: T, change: Change) => Promise<T>;
type Kept<T> = {
  readonly key: string;
  /** What this phone has seen last. */
  readonly seen: T | undefined;
  /** Puts what the server has kept into what this phone has seen. */
  readonly keep: (value: T) => void;
};

/**
 * A change from what this phone has seen last. A server that has it otherwise by now says so, and both
 * versions are shown.
 */
async function putOver<T>(put: Put<T>, value: T, { key, seen, keep }: Kept<T>): Promise<T> {
  const by = preferences().technician;
  try {
    const kept = await put(value, { over: seen, by });
    keep(kept);
    return kept;
  } catch (error) {
    if (error instanceof Refusal && error.code === 'document.changed')
      showConflict({
        kind: key,
        mine: value,
        theirs: error.detail,
        putMine: () => put(value, { over: error.detail, by }).then(keep),
      });
    throw error;
  }
}

/** Puts a document into the list that was fetched, at its place or behind the others. */
function keepInList<T extends { readonly id: string }>(list: ListName, kept: T): void {
  queryClient.setQueryData([list], (all: readonly T[] | undefined) =>
    all?.some(({ id }) => id === kept.id)
      ? all.map((each) => (each.id === kept.id ? kept : each))
      : all && [...all, kept],
  );
}
keptChanges.onTaken(({ list, value }) => keepInList(list, value));

/** A change to one document of a list. Without a network it is kept on the phone and sent later. */
const overSeen =
  <T extends { readonly id: string }>(list: ListName, put: Put<T>) =>
  async (value: T): Promise<T> => {
    const seen = queryClient.getQueryData<readonly T[]>([list])?.find(({ id }) => id === value.id);
    const wait = async () => {
      const by = preferences().technician;
      await keptChanges.keep({ list, value, over: seen, by, atMs: Date.now() });
      void outbox.flush();
      return value;
    };
    // What is changed again goes behind what still waits.
    if (keptChanges.waitingFor(list, value.id)) return wait();
    const keep = (kept: T) => keepInList(list, kept);
    return putOver(put, value, { key: list, seen, keep }).catch(async (error: unknown) => {
      // A browser that keeps nothing cannot wait: then it is said that nothing was changed.
      if (error instanceof Unreachable && (await deviceDbIfKept)) return wait();
      throw error;
    });
  };
export const useChangeSite = () => useChange(overSeen('sites', api.putSite), 'sites');
export const useChangeValve = () => useChange(overSeen('valves', api.putValve), 'valves');
export const useImportValves = () => useChange(api.importValves, 'valves');
export const useChangeGauge = () => useChange(overSeen('gauges', api.putGauge), 'gauges');
export const useChangeRound = () => useChange(overSeen('rounds', api.putRound), 'rounds');
export const useChangeSystem = () => useChange(overSeen('systems', api.putSystem), 'systems');
export const useChangeNotice = () => useChange(overSeen('notices', api.putNotice), 'notices');
export const useChangePhoto = () => useChange(overSeen('photos', putPhoto), 'photos');
export const useChangeSeason = () => useChange(overSeen('seasons', api.putSeason), 'seasons');
export const useChangeRepair = () => useChange(overSeen('repairs', api.putRepair), 'repairs');
export const useChangeHouseRules = () =>
  useChange((rules: HouseRules) => {
    const key = 'house-rules';
    const seen = queryClient.getQueryData<HouseRules>([key]);
    const keep = (kept: HouseRules) => queryClient.setQueryData([key], kept);
    return putOver(api.putHouseRules, rules, { key, seen, keep });
  }, 'house-rules');
