import { spanOf } from '../../quantity';
import type { InstrumentPlate } from '../../valve';

/** What can be wrong with the plate of anything that is judged by points. */
export type InstrumentIssue =
  | {
      readonly code: 'valve.span_of_zero';
      readonly stops: true;
      readonly side: 'input' | 'output';
    }
  | { readonly code: 'valve.screw_missing'; readonly stops: true };

/** A span of nothing cannot be calibrated. */
export const instrumentIssues = (plate: InstrumentPlate): readonly InstrumentIssue[] =>
  (['input', 'output'] as const)
    .filter((side) => spanOf(plate[side]) === 0)
    .map((side) => ({ code: 'valve.span_of_zero', stops: true, side }));

/** Zero alone sets nothing: there has to be a span screw. */
export const spanScrewIssues = (plate: InstrumentPlate): readonly InstrumentIssue[] =>
  plate.others?.['span'] ? [] : [{ code: 'valve.screw_missing', stops: true }];

/** What every linkage with its own screws is asked. */
export const linkageIssues = (plate: InstrumentPlate): readonly InstrumentIssue[] => [
  ...instrumentIssues(plate),
  ...spanScrewIssues(plate),
];
