import { settingView, twinOutputs, unwrap, freezeSheet } from '@holvek/core';
import {
  familySamples,
  familyStarted,
  rehearsedFamily,
  type SampleName,
} from '../../packages/core/src/testing/family-samples';

/** The coach carried through whole runs on seeded twins: turns a setting, and where they ended. */
export function familiesBench(count: number) {
  return (Object.keys(familySamples) as SampleName[]).map((name) => {
    const moves: number[] = [];
    let settings = 0;
    let pastLane = 0;
    let pastLimit = 0;
    let inLane = 0;
    let unfinished = 0;
    for (let seed = 1; seed <= count; seed++) {
      const draft = familyStarted(name);
      const { run, twin } = rehearsedFamily(name, { twin: { ...draft.twin!, seed } });
      if (run.status !== 'signed') {
        unfinished += 1;
        continue;
      }
      const body = unwrap(freezeSheet(run, null));
      for (const { adjuster, as_left_pa: left, target } of body.settings) {
        const { dots, aim, sign } = settingView(run, adjuster);
        settings += 1;
        moves.push((run.marks[adjuster] ?? []).filter(({ kind }) => kind === 'turned').length);
        // Parked above, a reading over the lane on the way down is no overshoot.
        const isOver = ({ pressure }: { pressure: number }) =>
          aim.approach === 'from_below' ? pressure > aim.upper : pressure < aim.lower;
        if (dots.slice(1).some(isOver)) pastLane += 1;
        if (aim.approach === 'from_below' && dots.some(({ pressure }) => pressure > aim.limit))
          pastLimit += 1;
        if (Math.abs(sign * left - sign * target.set_point_pa) <= target.tolerance_pa) inLane += 1;
      }
      if (!Number.isFinite(twinOutputs(twin).inlet))
        throw new Error(`${name} ${seed} left its bounds`);
    }
    moves.sort((a, b) => a - b);
    return {
      family: name,
      'turns, mean': moves.reduce((a, b) => a + b, 0) / moves.length,
      p95: moves[Math.floor(0.95 * moves.length)] ?? Number.NaN,
      'past lane, %': (100 * pastLane) / settings,
      'past limit, %': (100 * pastLimit) / settings,
      'left in lane, %': (100 * inLane) / settings,
      'not signed': unfinished,
    };
  });
}
