import { z } from 'zod';

const share = z.number().positive().max(0.5);
const sure = z.number().min(0.5).max(0.9999);

/** How sure is sure enough, how near is near enough: figures of the trade that a house may see otherwise. */
export const judgementRulesSchema = z.object({
  /** How well the height of a gauge is known, m either way. */
  height_known_m: z.number().nonnegative().max(5),
  /** How well an eye catches a first dribble, divisions of the gauge. */
  eye_divisions: z.number().nonnegative().max(10),
  /** How sure it must be that a setting stands in its lane before it is done. */
  done_sure: sure,
  /** How sure the shape of a rise with nothing flowing must be before it is believed. */
  no_flow_sure: sure,
  /** A positioner's output begins within this share of its signal, and reaches its supply within the last. */
  signal_ends: share,
  /** Share of a plate's stroke that may be missing or too much. */
  stroke_slack: share,
  /** Flame signal from which a flame counts as lit, and from which it counts as good. */
  flame_lit: z.number().positive().max(1),
  flame_good: z.number().positive().max(1),
  /** Minutes that the clock of an electronic pilot may be off when it is set. */
  clock_slack_min: z.number().nonnegative().max(60),
  /** A controller's first band, and its first reset, minutes a repeat. */
  first_band: z.number().positive().max(5),
  first_reset_min: z.number().positive().max(60),
});
export type JudgementRules = z.infer<typeof judgementRulesSchema>;

export const defaultJudgement: JudgementRules = {
  height_known_m: 0.05,
  eye_divisions: 0.5,
  done_sure: 0.99,
  no_flow_sure: 0.9,
  signal_ends: 0.04,
  stroke_slack: 0.1,
  flame_lit: 0.5,
  flame_good: 0.65,
  clock_slack_min: 2,
  first_band: 1,
  first_reset_min: 0.1,
};

/** What a run was begun with; one of before there were any was judged by the ordinary ones. */
export const judgementOf = ({
  judgement,
}: {
  readonly judgement?: JudgementRules | undefined;
}): JudgementRules => judgement ?? defaultJudgement;
