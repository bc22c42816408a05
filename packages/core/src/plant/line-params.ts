/**
 * A line of vessels and what lies between them, as data: any number of pumps, cocks, regulators and
 * reliefs, so that setting one valve moves the gauges of the others. Inside: kPa, L/s, s.
 *
 *     volume · dp/dt = Σ flows in − Σ flows out            flow = capacity · opening · √Δp
 */
export type LineNode = {
  readonly id: string;
  /** L/kPa. */
  readonly compliance: number;
  readonly start: number;
};
type Between = {
  readonly id: string;
  /** null: the open air. */ readonly from: string | null;
  readonly to: string | null;
};
/** A pressure that runs to the level its input names, at a slew, and sags with flow. */
export type Source = Between & {
  readonly kind: 'source';
  readonly levels: Readonly<Record<string, number>>;
  readonly input: string;
  readonly slew: number;
  /** kPa per (L/s)². */
  readonly resistance: number;
};
export type Cock = Between & {
  readonly kind: 'cock';
  readonly capacity: number;
  readonly input: string;
};
export type Pilot = {
  readonly setting: string;
  /** Which of its two pressures it holds. */
  readonly holds: 'from' | 'to';
  /** kPa of error for full travel. */
  readonly band: number;
  /** Share of full travel a second and kPa of error; 0: proportional only. */
  readonly integral: number;
  /** kPa over the set point at which it is shut tight. */
  readonly lockup: number;
};
export type Regulator = Between & {
  readonly kind: 'regulator';
  readonly capacity: number;
  readonly pilots: readonly Pilot[];
  readonly lag: number;
  readonly leak: number;
  /** Air in the chamber at the start, 0 … 1: slows it until it is bled. */
  readonly air: number;
  readonly selector?: string;
};
export type Relief = Between & {
  readonly kind: 'relief';
  readonly setting: string;
  /** L/s at full lift. */
  readonly capacity: number;
  /** kPa over the set point for full lift, and under it to reseat. */
  readonly band: number;
  readonly blowdown: number;
  readonly lag: number;
  readonly leak: number;
  /** Share by which its friction makes it wander from opening to opening. */
  readonly sticking: number;
  /** Shut off unless this input stands so. */
  readonly when?: { readonly input: string; readonly is: string };
};
/** A pump that cuts its stroke as its pressure nears the compensator's setting. */
export type CompensatedPump = Between & {
  readonly kind: 'pump';
  readonly setting: string;
  readonly flow: number;
  readonly band: number;
  /** Input that, standing at `on`, holds it at full stroke. */
  readonly override: string;
};
export type LineElement = Source | Cock | Regulator | Relief | CompensatedPump;
export type LineParams = {
  readonly nodes: readonly LineNode[];
  readonly elements: readonly LineElement[];
  /** Where the gauges stand, and the element that the run is about. */
  readonly inlet: string;
  readonly outlet: string;
  readonly about: string;
  /** −1 where everything is a vacuum: inside it is reckoned by its size. */
  readonly sign: 1 | -1;
  /** kPa that no pressure can pass: what drives the line. */
  readonly highest: number;
  /** Wide open is out of control: more, or less, is drawn than its setting can rule. */
  readonly wideIsDeaf: boolean;
  /** Pressures at the outlet between which a flame lights, kPa, and over how much luck decides. */
  readonly flame?: { readonly low: number; readonly high: number; readonly soft: number };
  /** Settings that are loaded by a supply: the set point counts in the share of this input. */
  readonly loadedBy?: string;
};
