import type { CutawayHands, CutawayView } from '@holvek/core';

export type PictureProps = { readonly view: CutawayView; readonly hands: CutawayHands };
