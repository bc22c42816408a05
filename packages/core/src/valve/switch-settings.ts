import { err, ok, type Result } from '../result';

/** What is printed on the scale: additive, where it cuts in; subtractive, where it cuts out. */
export type SwitchKind = 'additive' | 'subtractive';

/** The band a switch works in: it makes at cut-in as the pressure falls, and breaks at cut-out above it. */
export type SwitchBand = { readonly cutIn: number; readonly cutOut: number };
export type SwitchSettings = { readonly scale: number; readonly differential: number };

export type SwitchError =
  | { readonly code: 'valve.differential_not_positive'; readonly differential: number }
  | {
      readonly code: 'valve.differential_too_small';
      readonly differential: number;
      readonly least: number;
    };

/**
 * Settings of an on-off pressure switch for a wanted band.
 *
 *     additive      scale = cut-in     differential = cut-out − cut-in
 *     subtractive   scale = cut-out    differential = cut-out − cut-in
 *
 * @param band   Pa gauge
 * @param least  least differential recommended, Pa
 * @errors  valve.differential_not_positive · valve.differential_too_small
 * @example switchSettings('additive', { cutIn: 60_000, cutOut: 80_000 }, 10_000)
 *   // → ok({ scale: 60_000, differential: 20_000 })
 */
export function switchSettings(
  kind: SwitchKind,
  { cutIn, cutOut }: SwitchBand,
  least: number,
): Result<SwitchSettings, SwitchError> {
  const differential = cutOut - cutIn;
  if (!(differential > 0)) return err({ code: 'valve.differential_not_positive', differential });
  if (differential < least)
    return err({ code: 'valve.differential_too_small', differential, least });
  return ok({ scale: kind === 'additive' ? cutIn : cutOut, differential });
}

/**
 * The band that a scale and a differential give.
 *
 * @errors  valve.differential_not_positive
 * @example switchBand('subtractive', { scale: 80_000, differential: 20_000 })
 *   // → ok({ cutIn: 60_000, cutOut: 80_000 })
 */
export function switchBand(
  kind: SwitchKind,
  { scale, differential }: SwitchSettings,
): Result<SwitchBand, SwitchError> {
  if (!(differential > 0)) return err({ code: 'valve.differential_not_positive', differential });
  return ok(
    kind === 'additive'
      ? { cutIn: scale, cutOut: scale + differential }
      : { cutIn: scale - differential, cutOut: scale },
  );
}

/** Which kind a switch is, by the words printed at its scale; undefined when they do not tell. */
export function switchKindOf(printed: string): SwitchKind | undefined {
  const words = printed.toLowerCase().replaceAll('-', ' ');
  const cutsIn = /\b(cut ?in|low|lower|on at|makes?)\b/u.test(words);
  const cutsOut = /\b(cut ?out|high|higher|off at|breaks?)\b/u.test(words);
  return cutsIn === cutsOut ? undefined : cutsIn ? 'additive' : 'subtractive';
}
