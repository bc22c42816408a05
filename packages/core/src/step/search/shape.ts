import type { CaptureMark } from '../capture/marks';
import type { GaugeRole } from '../step';
import { fields, stepShape } from '../step-shape';

export type SearchRecord = { readonly kind: 'search'; readonly marks: readonly CaptureMark[] };

/** Its marks are those of a capture. */
export const searchShape = stepShape({
  kind: 'search',
  fields: fields<{
    readonly adjuster: string;
    readonly role: GaugeRole;
    /** Which way in small moves until the valve is seen to crack. */
    readonly toward: 'lower' | 'raise';
  }>(),
  empty: { kind: 'search', marks: [] } as SearchRecord,
  events: [],
});
