import type { z } from 'zod';
import type { LicenceKind } from '../people';
import type { Draw } from '../plant';
import type { Measure } from '../quantity';
import type { Procedure } from '../step';
import type { AdjusterSpec, AnyPlate, Duty, PlateFact, Side, Targets, TwinFault } from '../valve';
import type { LineFluid } from './line-fluid';
import type { Slots } from './slots';
import type { ToldTo } from './told-words';
import type { ToolName } from './tool-names';

/** Something wrong with a plate or its targets; `stops` means that no run may start on it. */
export type Issue = { readonly code: `valve.${string}`; readonly stops: boolean };

/** What the rest of the house needs to know of a family without asking which one it is. */
export type FamilyFacts = {
  readonly name: string;
  /** What the leading adjuster does, before its figure. */
  readonly holds: string;
  /** The verb of a round: "reduce to 520 kPa". */
  readonly verb: string;
  readonly adjusters: readonly AdjusterSpec[];
  /** What the gauges are called where they stand. */
  readonly gauges: Readonly<Partial<Record<Side, string>>>;
  /** Wants a low-range gauge of its own. */
  readonly wantsLowRange?: boolean;
  /** The gauge by which the setting is judged. */
  readonly judge: Side;
  /** What that gauge shows; pressure where it is not said. Every figure of its plate and targets is of that kind. */
  readonly measures?: Measure;
  /** Who has to know before one of it is touched, beside who gives the permit. */
  readonly tells: readonly ToldTo[];
  /** What is brought to every valve of it; what only one valve wants is worked out from its plate. */
  readonly tools: readonly ToolName[];
  /**
   * How a person sees at a hand-held gauge that the valve rules what it shows, and how that it does not;
   * absent where nothing is set by readings.
   */
  readonly control?: { readonly rules: string; readonly doesNot: string };
  /** What stands in the line between tapping and gauge, kg/m³; gas and vapour weigh nothing there. */
  readonly lineDensity?: number;
  /** What it is ordinarily there for; process where it is not said. */
  readonly duty?: Duty;
  /** What local law may ask of the hand that sets it. */
  readonly licence?: LicenceKind;
};

/** A family's plate as a schema that tells its family. */
export type PlateSchema = z.ZodObject<{ family: z.ZodLiteral<string> } & z.ZodRawShape> &
  z.ZodType<AnyPlate>;

/** A family, whole: everything that is its own stands in its folder. */
export type FamilyDefinition<S extends PlateSchema, I extends Issue> = {
  readonly plateSchema: S;
  /** What facts of every plate are called on its own, by their path, where the ordinary words do not fit. */
  readonly says?: Readonly<Record<string, Pick<PlateFact, 'label' | 'why'>>>;
  /** What only its plate says, as it is asked for; none where it says only what every plate does. */
  readonly plateFacts?: readonly PlateFact[];
  /** Further adjusters that a valve of it need not have. */
  readonly mayLack?: readonly string[];
  readonly facts: FamilyFacts;
  /** As it is walked now. */
  readonly procedure: Procedure;
  /** As stored runs were walked: kept for ever. */
  readonly earlier?: readonly Procedure[];
  readonly draw: Draw<z.infer<S>>;
  /** On which side its leading adjuster holds, where the plate decides that. */
  readonly holdsOn?: (plate: z.infer<S>) => Side;
  /** What its line carries, where the plate says it. */
  readonly carries?: (plate: z.infer<S>) => LineFluid | undefined;
  /** What may be wrong with its twin, and by which of its causes a person would name it. */
  readonly hides?: Readonly<Partial<Record<TwinFault, readonly string[]>>>;
  /** A wrong spring is work of the run, not a reason not to start. */
  readonly changesSpringInRun?: boolean;
  /** Rules between the family's own figures. */
  readonly checks?: (plate: z.infer<S>, targets: Targets) => readonly I[];
  /** Texts' slots that only this family fills. */
  readonly slots?: Slots<z.infer<S>>;
};

export const defineFamily = <S extends PlateSchema, I extends Issue = never>(
  definition: FamilyDefinition<S, I>,
): FamilyDefinition<S, I> => definition;
