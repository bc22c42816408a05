import type { NextMove } from '../../coach';
import { hasContact, MAIN, type SwitchBand } from '../../valve';
import { recordOf, stepOfKind, type RunState, type SettingMark } from '../run-state';
import { settingView, type SettingView } from '../set/setting-view';
import type { StepOf } from '../shapes';
import type { SwitchMark } from './shape';

/** Cut-in and cut-out of one cycle; undefined until both are marked. */
export function bandOfCycle(marks: readonly SwitchMark[], cycle: number): SwitchBand | undefined {
  const at = (edge: SwitchMark['edge']) =>
    marks.findLast((mark) => mark.cycle === cycle && mark.edge === edge)?.pressure;
  const [cutIn, cutOut] = [at('cut_in'), at('cut_out')];
  return cutIn === undefined || cutOut === undefined ? undefined : { cutIn, cutOut };
}

/** Every whole cycle that was marked in a step. */
export const allCycles = (run: RunState, stepId: string): readonly SwitchBand[] => {
  const marks = switchMarksOf(run, stepId);
  return [...new Set(marks.map(({ cycle }) => cycle))].flatMap(
    (cycle) => bandOfCycle(marks, cycle) ?? [],
  );
};

/** Whole cycles of a step since a screw was last turned: what was seen before tells of another setting. */
export function switchCycles(run: RunState, stepId: string): readonly SwitchBand[] {
  const turned = ['main', 'differential']
    .flatMap((id) => run.marks[id] ?? [])
    .filter(({ kind }) => kind === 'turned');
  const since = Math.max(0, ...turned.map(({ atMs }) => atMs));
  const marks = switchMarksOf(run, stepId).filter(({ atMs }) => atMs >= since);
  return [...new Set(marks.map(({ cycle }) => cycle))].flatMap(
    (cycle) => bandOfCycle(marks, cycle) ?? [],
  );
}

export type SwitchView = {
  readonly cycles: readonly SwitchBand[];
  /** The edge and the cycle that the next mark belongs to. */
  readonly next: { readonly edge: SwitchMark['edge']; readonly cycle: number };
  /** The screw to turn next; undefined while a cycle has to be seen first, or both hold. */
  readonly move:
    | {
        readonly adjuster: 'main' | 'differential';
        readonly move: NextMove;
        readonly view: SettingView;
      }
    | undefined;
  readonly holds: boolean;
};

/** A switch as its cycles show it: the scale is brought in first, the differential after it. */
export function switchView(run: RunState, step: StepOf<'switching'>): SwitchView {
  const { marks } = recordOf(run, step);
  const cycles = switchCycles(run, step.id);
  const last = marks.at(-1);
  const isOpen = last !== undefined && bandOfCycle(marks, last.cycle) === undefined;
  const wasTurned = last !== undefined && cycles.length === 0 && !isOpen;
  const next = !last
    ? ({ edge: 'cut_out', cycle: 1 } as const)
    : isOpen && !wasTurned
      ? {
          edge: last.edge === 'cut_out' ? ('cut_in' as const) : ('cut_out' as const),
          cycle: last.cycle,
        }
      : { edge: 'cut_out' as const, cycle: last.cycle + 1 };
  const moves = (['main', 'differential'] as const).map((adjuster) => {
    const view = settingView(run, adjuster);
    return { adjuster, view, move: view.move };
  });
  const isSetting = step.purpose === 'setting' && cycles.length > 0 && !isOpen;
  const wanted = moves.find(({ move }) => move && 'turns' in move);
  return {
    cycles,
    next,
    move: isSetting && wanted?.move ? { ...wanted, move: wanted.move } : undefined,
    holds: cycles.length > 0 && moves.every(({ move }) => move?.kind === 'done'),
  };
}

/** What was marked in a step, as it stands. */
export function switchMarksOf(run: RunState, stepId: string): readonly SwitchMark[] {
  const step = stepOfKind(run, 'switching', stepId);
  return step ? recordOf(run, step).marks : [];
}

/** How many whole cycles a step wants. */
export const switchCyclesWanted = (run: RunState, { count }: StepOf<'switching'>): number =>
  typeof count === 'number' ? count : run.started.house_rules.proving_cycles;

/** Both edges of a cycle are a reading of the scale and of the differential at once. */
export function bandMarks(
  run: RunState,
  marks: readonly SwitchMark[],
  { eventId, cycle, atMs }: SwitchMark,
): readonly { readonly adjuster: string; readonly mark: SettingMark }[] {
  const band = bandOfCycle(marks, cycle);
  const { plate } = run.started;
  if (!band || !hasContact(plate)) return [];
  const read = (pressure: number): SettingMark => ({
    kind: 'read',
    eventId,
    pressure,
    inControl: true,
    atMs,
  });
  return [
    { adjuster: MAIN, mark: read(plate.scale === 'additive' ? band.cutIn : band.cutOut) },
    { adjuster: 'differential', mark: read(band.cutOut - band.cutIn) },
  ];
}
