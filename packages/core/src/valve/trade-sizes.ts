/** Nominal pipe sizes, inches by DN; source: ISO 6708 beside the inch sizes of the trade. */
const inches: Readonly<Record<number, string>> = {
  8: '1/4',
  10: '3/8',
  15: '1/2',
  20: '3/4',
  25: '1',
  32: '1 1/4',
  40: '1 1/2',
  50: '2',
  65: '2 1/2',
  80: '3',
  100: '4',
  125: '5',
  150: '6',
  200: '8',
  250: '10',
  300: '12',
  350: '14',
  400: '16',
  450: '18',
  500: '20',
  600: '24',
};

/**
 * A nominal size as both trades call it.
 *
 * @example sizeWords(80) // → 'DN 80, 3 in'
 */
export function sizeWords(dn: number): string {
  const inch = inches[dn];
  return inch === undefined ? `DN ${dn}` : `DN ${dn}, ${inch} in`;
}

const AWG_36_MM = 0.127;
const AWG_RATIO = 92;
const AWG_STEPS = 39;

/**
 * Cross-section of a conductor by its gauge number.
 *
 *     d = 0.127 mm · 92^((36 − n) / 39),   area = π/4 · d²
 *
 * @param awg  0 … 40
 * @returns m²
 * @source  ASTM B258
 * @example awgArea(36) // → 1.2668e-8
 */
export function awgArea(awg: number): number {
  const diameter = AWG_36_MM * 1e-3 * AWG_RATIO ** ((36 - awg) / AWG_STEPS);
  return (Math.PI / 4) * diameter ** 2;
}

/**
 * A conductor as both trades call it, by the nearest gauge number.
 *
 * @param area  m²
 * @example conductorWords(1e-6) // → '1 mm², about AWG 17'
 */
export function conductorWords(area: number): string {
  const diameter = Math.sqrt((4 * area) / Math.PI) * 1e3;
  const awg = 36 - (AWG_STEPS * Math.log(diameter / AWG_36_MM)) / Math.log(AWG_RATIO);
  return `${Number((area * 1e6).toFixed(2))} mm², about AWG ${Math.round(awg)}`;
}

/** The cross-section that "AWG 18" says, m²; undefined for what says none. */
export function awgOf(text: string): number | undefined {
  const [, number] = /^\s*awg\s*(\d{1,2})\s*$/iu.exec(text) ?? [];
  return number === undefined || Number(number) > 40 ? undefined : awgArea(Number(number));
}
