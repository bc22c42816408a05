import { armScaleOf, type AnyPlate, type ArmScale } from '../../valve';
import type { RunState } from '../run-state';

/** The adjuster that a range arm takes the place of. */
export const ARM = 'span';

/** A range arm, and the figure on its scale that it stands at. */
export type RangeArm = ArmScale & { readonly at: number };

/** Least slide that is made on purpose, as a share of the smallest mark. */
const LEAST = 1 / 16;
/** How far between two marks an arm can be seen, as a share of the smallest. */
const PART = 1 / 4;

type Known = Pick<RunState, 'started' | 'measured' | 'marks'>;

/** The range arm of a run as it stands: where it was found, and how far it was slid since. Undefined where a screw sets its span. */
export function rangeArmOf({ started, measured, marks }: Known): RangeArm | undefined {
  const scale = armScaleOf(started.plate as AnyPlate);
  if (!scale) return undefined;
  const found = measured['range_arm'];
  const slid = (marks[ARM] ?? []).reduce(
    (sum, mark) => sum + (mark.kind === 'turned' ? mark.turns : 0),
    0,
  );
  const from = found ?? (scale.least + scale.most) / 2;
  return { ...scale, at: rounded(from + slid) };
}

/** Span that a figure on the scale is worth, about: span goes with the length of the arm. */
export const perFigure = ({ at, most }: RangeArm): number => 1 / (at > 0 ? at : most);

/** How far to slide it: by quarters of a mark, one at the least, never off its scale; 0 where it stands at its end. */
export function slideOf(by: number, { at, least, most, division }: RangeArm): number {
  const part = division * PART;
  const far = Math.sign(by) * Math.max(1, Math.round(Math.abs(by) / part)) * part;
  return rounded(Math.min(most, Math.max(least, at + far)) - at);
}

export type SlideError = {
  readonly code: 'run.off_its_scale';
  readonly least: number;
  readonly most: number;
};

/** What speaks against a slide of the arm: it ends off its scale, or is too small to be made. */
export function slideError(
  by: number,
  arm: RangeArm,
): SlideError | { readonly code: 'coach.turn_of_nothing' } | undefined {
  const isNothing = !Number.isFinite(by) || Math.abs(by) < arm.division * LEAST;
  return isNothing ? { code: 'coach.turn_of_nothing' } : offScale(arm.at + by, arm);
}

/** What speaks against a figure that is no place on the scale. */
export function offScale(figure: number, { least, most }: ArmScale): SlideError | undefined {
  const isOn = rounded(figure) >= least && rounded(figure) <= most;
  return isOn ? undefined : { code: 'run.off_its_scale', least, most };
}

/** Without the dust of binary fractions: it is shown, and added up. */
const rounded = (figure: number): number => Number(figure.toPrecision(9));
