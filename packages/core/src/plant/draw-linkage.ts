import { seededRandom } from '../numerics';
import { armScaleOf, type InstrumentPlate, type TwinSketch } from '../valve';
import { toKPa, type Drawn } from './drawn';

/** kPa of a screw's setting that stands for the whole span: screws are kept in Pa. */
const SPAN_PA = 1000;

/**
 * Zero and span, and the link's length where there is one: pivots and gains of their own, some
 * friction, and the errors it is found with (`found_pa` of zero, `found_others` of the rest, Pa for
 * thousandths of span).
 *
 * @param air  pressure of the air that moves a stem, Pa; absent for a pointer
 */
export function drawLinkage(
  plate: InstrumentPlate,
  sketch: TwinSketch,
  air?: { readonly supply: number },
): Drawn & { readonly plant: { readonly kind: 'linkage' } } {
  const { seed, faults } = sketch;
  const random = seededRandom(seed);
  const ids = ['main', ...Object.keys(plate.others ?? {})] as const;
  const own = Object.fromEntries(
    ids.map((id) => {
      const given = id === 'main' ? plate : plate.others![id]!;
      const plated = given.clockwise === 'lowers' ? -1 : 1;
      const turned = faults.includes('reversed_screw') && id === 'span' ? -plated : plated;
      const drawn =
        SPAN_PA *
        random.between(0.03, 0.09) *
        (id === 'angularity' ? 1.5 : id === 'alignment' ? 0.4 : 1);
      const play = random.between(0.01, 0.05);
      const arm = id === 'span' ? armScaleOf(plate) : undefined;
      const screw = {
        // A screw of six hundredths is an arm's length: as much as it is off that, the arm is too.
        rate: arm ? (drawn / 0.06) * (2 / (arm.least + arm.most)) : drawn,
        curvature: 0,
        backlash: arm ? play * arm.division : play,
        travel: arm ? arm.most - arm.least : given.travel_turns,
        sense: turned as 1 | -1,
      };
      return [id, { screw, middle: (screw.rate * screw.travel) / 2 }];
    }),
  );
  const middleOf = (id: string) => toKPa(own[id]?.middle ?? 0);
  const found = (id: string) =>
    id === 'main' ? sketch.found_pa : (sketch.found_others?.[id] ?? 0);
  const isAir = plate.input.kind === 'pressure';
  return {
    screws: Object.fromEntries(ids.map((id) => [id, own[id]!.screw])),
    start: Object.fromEntries(ids.map((id) => [id, own[id]!.middle + found(id)])),
    plant: {
      kind: 'linkage',
      params: {
        middle: {
          main: middleOf('main'),
          span: middleOf('span'),
          angularity: middleOf('angularity'),
        },
        pivot: random.between(-0.3, 0.35),
        zeroTilt: random.between(-0.06, 0.06),
        linkShift: random.between(0.75, 0.85),
        linkBend: random.between(0.15, 0.22),
        bend: air ? random.between(-0.002, 0.002) : random.between(-0.004, 0.004),
        friction: faults.includes('sticking') ? 0.008 : random.between(0.0004, 0.0012),
        lag: air ? random.between(0.8, 1.6) : 0.4,
        supply: air ? toKPa(air.supply) : 0,
        signalLow: isAir ? toKPa(plate.input.low) : 0,
        signalHigh: isAir ? toKPa(plate.input.high) : 0,
        isReverse: plate.action === 'reverse',
      },
    },
  };
}
