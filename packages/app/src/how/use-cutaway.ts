import {
  cutawayAtRest,
  isCutawayStill,
  looksOf,
  stepCutaway,
  viewCutaway,
  type CutawayHands,
  type CutawayKind,
  type CutawayView,
} from '@holvek/core';
import { useEffect, useState } from 'react';

/** Frames without a visible change after which the picture rests: a swing turns in fewer. */
const QUIET_FRAMES = 20;
/** s that are gone through at once where motion is not wanted. */
const JUMP = 12;

type Now = {
  readonly kind: CutawayKind;
  readonly state: readonly number[];
  readonly hands: CutawayHands;
  readonly quiet: number;
};

const AT_REST: CutawayHands = { knob: 0, supply: 0, draw: 0.3, fault: null };
const begin = (kind: CutawayKind): Now => ({
  kind,
  state: cutawayAtRest(kind),
  hands: { ...AT_REST, ...looksOf(kind)[0]?.hands },
  quiet: 0,
});

function advance(now: Now, seconds: number): Now {
  const state = stepCutaway(now.kind, now.state, now.hands, seconds);
  const isStill = isCutawayStill(now.kind, now.state, state);
  return { ...now, state, quiet: isStill ? now.quiet + 1 : 0 };
}

/** Where it stands some seconds on, without showing the way there. */
function settle(now: Now): Now {
  let next = now;
  for (let t = 0; t < JUMP; t += 0.1) next = advance(next, 0.1);
  return { ...next, quiet: QUIET_FRAMES };
}

const wantsNoMotion = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** A mechanism of one kind that runs frame by frame while anything moves, and rests when nothing does. */
export function useCutaway(kind: CutawayKind): {
  readonly view: CutawayView;
  readonly hands: CutawayHands;
  readonly move: (hands: Partial<CutawayHands>) => void;
} {
  const [now, setNow] = useState(() => begin(kind));
  const isMoving = now.quiet < QUIET_FRAMES;
  useEffect(() => {
    if (!isMoving) return;
    let last: number | undefined;
    let handle = requestAnimationFrame(function frame(at) {
      const seconds = last === undefined ? 1 / 60 : (at - last) / 1000;
      last = at;
      setNow((before) => advance(before, seconds));
      handle = requestAnimationFrame(frame);
    });
    return () => cancelAnimationFrame(handle);
  }, [isMoving]);
  const move = (hands: Partial<CutawayHands>) =>
    setNow((before) => {
      const next = { ...before, hands: { ...before.hands, ...hands }, quiet: 0 };
      return wantsNoMotion() ? settle(next) : next;
    });
  return { view: viewCutaway(kind, now.state, now.hands), hands: now.hands, move };
}
