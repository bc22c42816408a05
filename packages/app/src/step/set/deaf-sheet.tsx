import { adjusterPlate, type Evidence, type SettingView, type Settling } from '@holvek/core';
import { CausesList } from '../parts/causes-list';
import { useDesk } from '@/desk/use-desk';
import type { LinkSight } from '@/gauge-link/gauge-link';

type Props = {
  readonly view: SettingView;
  readonly adjuster: string;
  readonly settling: Settling | undefined;
  readonly sight: LinkSight | undefined;
  readonly onClose: () => void;
};

/** Why the adjuster seems to do nothing: causes in order, with the check that tells them apart. */
export function DeafSheet({ view, adjuster, settling, sight, onClose }: Props) {
  const { run, add } = useDesk();
  const evidence = gather(run.observed, view, settling, sight);
  const plated = adjusterPlate(run.started.plate, adjuster).clockwise;
  const isReversedNow = (view.rate?.mean ?? 1) < 0 || plated === 'lowers';
  const flip = () => {
    const clockwise = run.directions[adjuster]
      ? run.directions[adjuster] === 'lowers'
        ? 'raises'
        : 'lowers'
      : isReversedNow && plated === 'lowers'
        ? 'raises'
        : 'lowers';
    void add({ type: 'direction_corrected', adjuster, clockwise }).then(onClose);
  };
  return (
    <CausesList
      evidence={evidence}
      actionOf={(id) =>
        id === 'reversed'
          ? { say: 'Turn the direction round', run: flip }
          : {
              say: id === 'main_filling' ? 'Wait, watch it' : 'Do that, then read again',
              run: onClose,
            }
      }
    />
  );
}

/** What is known without asking: how the gauge answered and moves, the supply, the travel, the vent. */
function gather(
  observed: Evidence,
  view: SettingView,
  settling: Settling | undefined,
  sight: LinkSight | undefined,
): Evidence {
  const answer =
    view.answer === undefined || view.answer === 'as_foretold' ? undefined : view.answer;
  const room = view.aim.room;
  const least = room ? Math.min(room.clockwise, room.anticlockwise - 0.5) : undefined;
  const isAtLowEnd =
    view.dots.every(({ pressure }) => pressure < 0.04 * view.aim.target) && view.dots.length > 1;
  return {
    answer,
    trend: trendOf(settling, view),
    travel: isAtLowEnd
      ? 'low_end'
      : least === undefined
        ? undefined
        : least < 0.5 && view.position !== 0
          ? 'high_end'
          : 'middle',
    ...(sight
      ? {
          vent: sight.ventRuns ? 'flows' : 'quiet',
          flow: sight.wideOpen ? 'strong' : sight.flow > 1e-4 ? 'ok' : 'none',
        }
      : {}),
    ...observed,
  };
}

function trendOf(settling: Settling | undefined, view: SettingView): string | undefined {
  if (settling?.state === 'hunting') return 'swinging';
  if (settling?.state === 'settled') return view.isInControl ? 'still' : 'creeping_up';
  if (settling?.state === 'creeping') return settling.rate > 0 ? 'creeping_up' : 'falling';
  if (settling?.state === 'settling') return settling.slope > 0 ? 'creeping_up' : 'falling';
  return undefined;
}
