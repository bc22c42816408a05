import type { CutawayForce, CutawayHands, CutawayView } from '@holvek/core';

export type PictureProps = { readonly view: CutawayView; readonly hands: CutawayHands };

/** One of the forces by its name, N; nothing where it does not act. */
export const forceOf = ({ forces }: CutawayView, id: CutawayForce['id']): number =>
  forces.find((each) => each.id === id)?.newtons ?? 0;
