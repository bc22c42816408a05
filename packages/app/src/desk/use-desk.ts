import {
  atTapping,
  hasElectronics,
  measureOf,
  movesOf,
  runView,
  type FreezeError,
  type Positions,
  type Run,
  type RunEvent,
  type RunEventDraft,
  type RunView,
} from '@holvek/core';
import {
  createContext,
  useCallback,
  useContext,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { openDeviceLink } from '@/device/device-link';
import type { StorageError } from '@/data/run-shelf';
import { shelf } from '@/data/store';
import { typedLink, type SeenRole } from '@/gauge-link/gauge-link';
import { Trace } from '@/gauge-link/trace';
import { useLines, type Lines } from '@/gauge-link/use-lines';
import { preferences } from '@/prefs/preferences';
import { useBarometer } from '@/units/use-barometer';
import { useUnits, type Units } from '@/units/use-units';
import { openTwinLink, type TwinLink } from '@/twin/twin-link';
import { eventTrouble } from '@/words/trouble';
import { Offers } from './offers';

/** All that a step needs: the run, what it comes to, the gauge, and the one way to add to it. */
export type Desk = {
  readonly run: Run;
  readonly view: RunView;
  readonly units: Units;
  readonly trace: Trace;
  readonly isLinked: boolean;
  /** Hand-held gauges that speak over a line. */
  readonly gaugeLines: Lines;
  readonly hurry: (factor: number) => void;
  /** The line to an electronic pilot has dropped, and is being opened again. */
  readonly isLineDown: boolean;
  /** A line to the registers of an electronic pilot; undefined where none is linked. */
  readonly ask: ((line: string) => Promise<string | undefined>) | undefined;
  /** Moves the simulated line without a word in the record: a ramp up or down between two marks. */
  readonly drive: (does: Positions) => void;
  /** Adds an event; false when it was refused or must first be confirmed (`doubt`). */
  readonly add: (draft: RunEventDraft) => Promise<boolean>;
  readonly trouble: string | undefined;
  readonly clearTrouble: () => void;
  /** A reading that looks wrong and waits to be confirmed. */
  readonly doubt:
    | { readonly draft: Extract<RunEventDraft, { type: 'reading' }>; readonly say: string }
    | undefined;
  readonly settleDoubt: (isRight: boolean) => void;
  readonly undo: () => Promise<boolean>;
  readonly canUndo: boolean;
};

const DeskContext = createContext<Desk | undefined>(undefined);
export const DeskProvider = DeskContext.Provider;
export function useDesk(): Desk {
  const desk = useContext(DeskContext);
  if (!desk) throw new Error('a step outside its run');
  return desk;
}

const asks = (error: FreezeError | StorageError): boolean => 'asks' in error && error.asks;

export function useOpenDesk(run: Run, events: readonly RunEvent[]): Desk {
  const units = useUnits();
  const trace = useMemo(() => new Trace(), []);
  const [trouble, setTrouble] = useState<string>();
  const [doubt, setDoubt] = useState<Desk['doubt']>();
  const isLinked = run.started.twin !== undefined;
  const [isLineDown, setLineDown] = useState(false);
  const linkRef = useTwin({ run, events, trace, onLine: (isUp) => setLineDown(!isUp) });

  const gaugeLines = useLines(run, trace);
  const { touched } = gaugeLines;
  const offers = useRef(new Offers());
  const add = useCallback(
    async (draft: RunEventDraft): Promise<boolean> => {
      if (!offers.current.accept(run.lamport, draft)) return false;
      const author = preferences().technician;
      const kept = shelf.add(run.id, draft, author);
      // Held from the tap on: what the gauge still says meanwhile is of the state before.
      if (!LEAVES_ALONE.has(draft.type))
        void trace.disturb(
          kept.then((error) => {
            if (error) return undefined;
            return linkRef.current ? doOnTwin(linkRef.current, run, draft) : touched();
          }),
        );
      const error = await kept;
      if (error) {
        offers.current.release(run.lamport, draft);
        const say = eventTrouble(error, units);
        if (asks(error) && draft.type === 'reading') setDoubt({ draft, say });
        else setTrouble(say);
        return false;
      }
      setTrouble(undefined);
      return true;
    },
    [linkRef, run, touched, trace, units],
  );

  const ask = useCallback(
    (line: string) => linkRef.current?.ask?.(line) ?? Promise.resolve(undefined),
    [linkRef],
  );
  const undone = lastUndoable(events);
  const undo = useCallback(async () => {
    if (!undone || !(await add({ type: 'undone', undoes: undone.id }))) return false;
    const events = shelf.snapshot().get(run.id)?.events;
    if (events && linkRef.current) void trace.disturb(linkRef.current.replace(events));
    return true;
  }, [add, linkRef, run.id, trace, undone]);

  return {
    run,
    view: useMemo(() => runView(run), [run]),
    units,
    trace,
    isLinked,
    gaugeLines,
    isLineDown,
    hurry: (factor) => linkRef.current?.hurry(factor),
    ask: isLinked && hasElectronics(run.started.plate) ? ask : undefined,
    drive: (does) => {
      if (linkRef.current) void trace.disturb(linkRef.current.act(does));
    },
    add,
    trouble,
    clearTrouble: () => setTrouble(undefined),
    doubt,
    settleDoubt: (isRight) => {
      setDoubt(undefined);
      if (isRight && doubt)
        void add({ ...doubt.draft, reading: { ...doubt.draft.reading, confirmed: true } });
    },
    undo,
    canUndo: undone !== undefined && run.status === 'open',
  };
}

/** Opens the simulated gauge where the events have left it; a typed run has a silent link. */
function useTwin({
  run,
  events,
  trace,
  onLine,
}: {
  readonly run: Run;
  readonly events: readonly RunEvent[];
  readonly trace: Trace;
  readonly onLine: (isUp: boolean) => void;
}): { readonly current: TwinLink | undefined } {
  const linkRef = useRef<TwinLink | undefined>(undefined);
  const firstRef = useRef(events);
  const isSigned = run.status === 'signed';
  const barometer = useBarometer();
  // Before any effect of a step: one that moves the line as it opens must find the link there.
  useLayoutEffect(() => {
    const opened =
      run.started.twin && !isSigned ? openLink(run, firstRef.current, onLine) : undefined;
    if (!opened) return trace.listen(typedLink, barometer);
    linkRef.current = opened;
    const { twinSpeed } = preferences();
    if (twinSpeed !== 1) opened.hurry(twinSpeed);
    const tappingOf = (role: SeenRole, shown: number) => {
      const { started, gauges } = shelf.snapshot().get(run.id)?.run ?? run;
      return role === 'travel' ? shown : atTapping(started.plate, gauges[role], shown);
    };
    const stop = trace.listen(opened, barometer, tappingOf, measureOf(run.started.plate));
    return () => {
      stop();
      opened.close();
      linkRef.current = undefined;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the run’s beginning never changes
  }, [isSigned, run.started.twin, trace]);
  return linkRef;
}

/** An electronic pilot stands at the end of its line; every other valve’s twin lives in this tab. */
const openLink = (
  run: Run,
  events: readonly RunEvent[],
  onLine: (isUp: boolean) => void,
): TwinLink | undefined =>
  hasElectronics(run.started.plate)
    ? openDeviceLink({ events: () => shelf.snapshot().get(run.id)?.events ?? events, onLine })
    : openTwinLink(events);

/** What is only seen or said does not touch the valve; a calibrator stands already where a point is taken. */
const LEAVES_ALONE: ReadonlySet<RunEventDraft['type']> = new Set([
  'reading',
  'observed',
  'note',
  'plate_corrected',
  'pictured',
  'cal_point',
]);

/** Confirming a step or a turn does it to the twin; the time at which the last of it took effect, s. */
async function doOnTwin(
  link: TwinLink,
  run: Run,
  draft: RunEventDraft,
): Promise<number | undefined> {
  if (draft.type === 'turned') return link.turn(draft.adjuster, draft.turns);
  const effects = movesOf(draft as RunEvent, run.steps).map((does) => link.act(does));
  return (await Promise.all(effects)).at(-1);
}

/** The last event that still counts and may be taken back. */
function lastUndoable(events: readonly RunEvent[]): RunEvent | undefined {
  const withdrawn = new Set(
    events.flatMap((event) => (event.type === 'undone' ? [event.undoes] : [])),
  );
  return events.findLast(
    ({ id, type }) =>
      !withdrawn.has(id) && type !== 'undone' && type !== 'started' && type !== 'signed',
  );
}
