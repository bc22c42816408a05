import { defaultHouseRules, houseRulesSchema, type HouseRules } from '@holvek/core';
import { QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Persister, PersistedClient } from '@tanstack/react-query-persist-client';
import { preferences } from '@/settings/preferences';
import { api, type Change } from './api';
import { deviceDbIfKept } from './store';

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
  shouldDehydrateQuery: ({ state }: { readonly state: { readonly data: unknown } }) =>
    state.data !== undefined,
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

export const useSites = () => useQuery({ queryKey: ['sites'], queryFn: api.sites });
export const useValves = () => useQuery({ queryKey: ['valves'], queryFn: api.valves });
export const useGauges = () => useQuery({ queryKey: ['gauges'], queryFn: api.gauges });
export const useRounds = () => useQuery({ queryKey: ['rounds'], queryFn: api.rounds });
export const useSystems = () => useQuery({ queryKey: ['systems'], queryFn: api.systems });
export const useSheets = () => useQuery({ queryKey: ['sheets'], queryFn: api.sheets });
export const useSummaries = () => useQuery({ queryKey: ['summaries'], queryFn: api.summaries });
export const usePractice = () => useQuery({ queryKey: ['practice'], queryFn: api.practice });
export const useVerify = (valveId: string) =>
  useQuery({
    queryKey: ['verify', valveId],
    queryFn: () => api.verify(valveId),
    enabled: valveId !== '',
    retry: false,
  });

const useRules = () => useQuery({ queryKey: ['house-rules'], queryFn: api.houseRules });

/** The owner's figures; the ordinary ones until they have been fetched. */
export function useHouseRules(): HouseRules {
  const parsed = houseRulesSchema.safeParse(useRules().data);
  return parsed.success ? parsed.data : defaultHouseRules;
}

/**
 * Whether what a run is started from is here: the owner's figures and the sheets before. A run keeps
 * what it was started with, so it waits for them, unless they cannot be had.
 */
export function useIsReadyToStart(): boolean {
  const rules = useRules();
  const visits = useSummaries();
  return !rules.isPending && !visits.isPending;
}

/** A change on the server, after which what it touches is fetched anew. */
function useChange<T, R>(change: (value: T) => Promise<R>, ...keys: readonly string[]) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => Promise.all(keys.map((key) => client.invalidateQueries({ queryKey: [key] }))),
  });
}

/** A change from what this phone has seen last: a server that has it otherwise now says so. */
const overSeen =
  <T extends { readonly id: string }>(key: string, put: (value: T, change: Change) => Promise<T>) =>
  (value: T): Promise<T> => {
    const seen = queryClient.getQueryData<readonly T[]>([key])?.find(({ id }) => id === value.id);
    return put(value, { over: seen, by: preferences().technician });
  };
export const useChangeValve = () => useChange(overSeen('valves', api.putValve), 'valves');
export const useImportValves = () => useChange(api.importValves, 'valves');
export const useChangeGauge = () => useChange(overSeen('gauges', api.putGauge), 'gauges');
export const useChangeRound = () => useChange(api.putRound, 'rounds');
export const useChangeSystem = () => useChange(api.putSystem, 'systems');
export const useChangeHouseRules = () =>
  useChange(
    (rules: HouseRules) =>
      api.putHouseRules(rules, {
        over: queryClient.getQueryData(['house-rules']),
        by: preferences().technician,
      }),
    'house-rules',
  );
