import {
  aboveIce,
  chooseSpring,
  defaultHouseRules,
  gaugeError,
  gaugeFitness,
  gaugePa,
  hasContact,
  printTurns,
  resultUncertainty,
  standardAirPressure,
  switchBand,
  switchKindOf,
  switchSettings,
  toSI,
  type Gauge,
  type Spring,
  type SwitchKind,
} from '@holvek/core';
import { Unreadable, type BenchTool } from './tool';
import { findingWords } from '@/words/trouble';

const plainFrom = (pa: number) => `${pa} Pa`;

export const springTool: BenchTool = {
  id: 'spring',
  name: 'Spring choice',
  about: 'Which spring holds a target nearest the middle of its range.',
  fields: [
    { key: 'target', label: 'Target', kind: 'pressure' },
    {
      key: 'springs',
      label: 'Springs and their ranges',
      kind: 'text',
      hint: 'white 20-180, green 100-700',
    },
  ],
  initial: { target: '520', springs: 'white 20-180, green 100-700, red 400-1400' },
  fromValve: ({ plate, target }) =>
    plate.springs.length === 0
      ? undefined
      : {
          target: plainFrom(Math.abs(target.set_point_pa)),
          springs: plate.springs
            .map(({ colour, from_pa, to_pa }) => `${colour} ${from_pa}-${to_pa} Pa`)
            .join(', '),
        },
  answer: ({ si, text }, units) => {
    const springs = text('springs')
      .split(',')
      .map((line) => springOf(line, units.pressure));
    const choice = chooseSpring(springs, gaugePa(si('target')));
    if (!choice.ok)
      return {
        rows: [['None will do', 'the target lies outside every range: order the right spring']],
      };
    return {
      rows: choice.value.map(({ spring }, i) => [
        i === 0 ? `Best: ${spring.colour}` : spring.colour,
        `${units.figure(spring.from_pa)} to ${units.withUnit(spring.to_pa)}`,
      ]),
      note: 'Best is the one in which the target lies nearest the middle.',
    };
  },
};

/** "green 100-700" or "green 100000-700000 Pa". */
function springOf(line: string, unit: string): Spring {
  const match = /^\s*(.+?)\s+(-?[\d.]+)\s*(?:-|–|to)\s*(-?[\d.]+)\s*([a-z]*)\s*$/iu.exec(line);
  if (!match) throw new Unreadable(`“${line.trim()}”: name, then low-high, such as green 100-700.`);
  const own = match[4] || unit;
  const [from, to] = [toSI(Number(match[2]), own), toSI(Number(match[3]), own)];
  if (!(from < to)) throw new Unreadable(`The range of ${match[1]} stands upside down.`);
  return { colour: match[1]!, from_pa: from, to_pa: to, rate_pa_per_turn: 1 };
}

export const airTool: BenchTool = {
  id: 'air',
  name: 'Standard air',
  about: 'A machine’s greatest pressure at another altitude and temperature.',
  fields: [
    { key: 'max', label: 'Greatest pressure on its plate', kind: 'pressure' },
    { key: 'altitude', label: 'Altitude', kind: 'length', unit: 'm' },
    { key: 'air', label: 'Air at', kind: 'temperature', unit: '°C' },
  ],
  initial: { max: '32', altitude: '1240', air: '5' },
  fromValve: ({ plate }) =>
    'machine_max_pa' in plate
      ? {
          max: plainFrom(plate.machine_max_pa),
          altitude: String(plate.altitude_m),
          air: `${plate.air_k} K`,
        }
      : undefined,
  answer: ({ si }, units) => {
    const estimate = standardAirPressure(si('max'), si('altitude'), aboveIce(si('air')));
    if (!estimate.ok) throw new Unreadable('Altitude or temperature is out of range.');
    return {
      rows: [
        ['Here about', units.withUnit(estimate.value)],
        ['Of its plate', `${((estimate.value / si('max')) * 100).toFixed(1)} %`],
      ],
      note: 'An estimate by the ratio of densities. Ask the maker for the corrected figure.',
    };
  },
};

export const gaugeTool: BenchTool = {
  id: 'gauge',
  name: 'Gauge fitness',
  about: 'Whether a gauge may judge a setting, and how sure the result is.',
  fields: [
    { key: 'low', label: 'Range from', kind: 'pressure' },
    { key: 'high', label: 'to', kind: 'pressure' },
    { key: 'resolution', label: 'Finest step', kind: 'difference' },
    { key: 'accuracy', label: 'Accuracy, of span', kind: 'fraction', unit: '%' },
    { key: 'target', label: 'Target', kind: 'pressure' },
    { key: 'tolerance', label: 'Tolerance ±', kind: 'difference' },
  ],
  initial: {
    low: '0',
    high: '1000',
    resolution: '2',
    accuracy: '0.25',
    target: '520',
    tolerance: '15',
  },
  fromValve: ({ target }) => ({
    target: plainFrom(target.set_point_pa),
    tolerance: plainFrom(target.tolerance_pa),
  }),
  answer: ({ si }, units) => {
    if (!(si('high') > si('low'))) throw new Unreadable('The range stands upside down.');
    if (!(si('resolution') > 0) || !(si('accuracy') > 0) || !(si('tolerance') > 0))
      throw new Unreadable('Step, accuracy and tolerance must be above nothing.');
    const gauge: Gauge = {
      id: 'bench',
      tag: 'bench',
      unit: units.pressure,
      range_low_pa: si('low'),
      range_high_pa: si('high'),
      resolution_pa: si('resolution'),
      accuracy_fraction: si('accuracy'),
      calibrated_on: '2000-01-01',
      calibration_due_on: '9999-01-01',
      height_above_tapping_m: 0,
    };
    const fitness = gaugeFitness(
      gauge,
      { set_point_pa: si('target'), tolerance_pa: si('tolerance') },
      '2000-01-02',
      defaultHouseRules,
    );
    return {
      rows: [
        ['It', fitness.grade],
        ['Target lies at', `${(fitness.position * 100).toFixed(0)} % of its range`],
        ['Tolerance to error', `${fitness.testUncertaintyRatio.toFixed(1)} to 1`],
        ['Its error', `± ${units.withUnit(gaugeError(gauge))}`],
        ['Uncertainty of a reading, k = 2', `± ${units.withUnit(resultUncertainty(gauge))}`],
      ],
      ...(fitness.findings.length > 0
        ? { warn: `${fitness.findings.map((finding) => findingWords(finding, units)).join('. ')}.` }
        : {}),
    };
  },
};

export const switchTool: BenchTool = {
  id: 'switch',
  name: 'Switch settings',
  about: 'A wanted band as scale and differential, for either kind of switch.',
  fields: [
    {
      key: 'kind',
      label: 'Its scale shows',
      kind: 'choice',
      choices: [
        { value: 'additive', say: 'cut-in: additive' },
        { value: 'subtractive', say: 'cut-out: subtractive' },
      ],
    },
    { key: 'printed', label: 'Printed at the scale', kind: 'text', hint: 'CUT-IN, HIGH, …' },
    { key: 'cut_in', label: 'Cut-in', kind: 'pressure' },
    { key: 'cut_out', label: 'Cut-out', kind: 'pressure' },
    { key: 'least', label: 'Least differential', kind: 'difference' },
  ],
  initial: { kind: 'additive', printed: '', cut_in: '550', cut_out: '700', least: '10' },
  fromValve: ({ plate, target, other_targets: others }) => {
    if (!hasContact(plate)) return undefined;
    const band = switchBand(plate.scale, {
      scale: target.set_point_pa,
      differential: others?.['differential']?.set_point_pa ?? 1,
    });
    return {
      kind: plate.scale,
      printed: plate.printed,
      ...(band.ok
        ? { cut_in: plainFrom(band.value.cutIn), cut_out: plainFrom(band.value.cutOut) }
        : {}),
    };
  },
  answer: ({ si, choice, text }, units) => {
    const kind = choice<SwitchKind>('kind');
    const set = switchSettings(kind, { cutIn: si('cut_in'), cutOut: si('cut_out') }, si('least'));
    if (!set.ok)
      throw new Unreadable(
        set.error.code === 'valve.differential_too_small'
          ? `The differential, ${units.withUnit(set.error.differential)}, is under the least recommended.`
          : 'Cut-out must stand above cut-in.',
      );
    const printed = switchKindOf(text('printed'));
    return {
      rows: [
        ['Scale to', units.withUnit(set.value.scale)],
        ['Differential to', units.withUnit(set.value.differential)],
      ],
      ...(printed && printed !== kind
        ? { warn: `By what is printed on it, it is ${printed}.` }
        : {}),
      note: 'An operating control without manual reset is no high limit.',
    };
  },
};

export const turnsTool: BenchTool = {
  id: 'turns',
  name: 'Turn sum',
  about: 'How far to turn by the rate, and what turns come to.',
  fields: [
    { key: 'now', label: 'Reads now', kind: 'pressure' },
    { key: 'wanted', label: 'Wanted', kind: 'pressure' },
    { key: 'rate', label: 'A turn gives', kind: 'difference' },
    { key: 'made', label: 'Turns made so far', kind: 'text', hint: '1 1/2, -1/4, 3/8' },
  ],
  initial: { now: '416', wanted: '520', rate: '212', made: '' },
  fromValve: ({ plate, target }) =>
    plate.springs[0]
      ? {
          wanted: plainFrom(target.set_point_pa),
          rate: plainFrom(
            plate.springs.find(({ colour }) => colour === plate.fitted_spring)?.rate_pa_per_turn ??
              plate.springs[0].rate_pa_per_turn,
          ),
        }
      : undefined,
  answer: ({ si, text }) => {
    if (si('rate') === 0) throw new Unreadable('A rate of nothing moves nothing.');
    const turns = (si('wanted') - si('now')) / si('rate');
    const made = text('made')
      .split(',')
      .map((each) => each.trim())
      .filter(Boolean)
      .map(turnsOf);
    const sum = made.reduce((total, each) => total + each, 0);
    const way = (value: number) =>
      `${printTurns(value)} ${value < 0 ? 'anticlockwise' : 'clockwise'}`;
    return {
      rows: [
        ['Turn', way(turns)],
        ['exactly', turns.toFixed(3)],
        ...(made.length > 0 ? [['Made so far', way(sum)] as const] : []),
      ],
      note: 'Where clockwise raises. Small moves, wait, read: the rate is learned on the way.',
    };
  },
};

/** "1 1/2", "-3/8", "0.25". */
function turnsOf(text: string): number {
  const match = /^([+\-−]?)\s*(?:(\d+)\s+)?(\d+)\/(\d+)$/u.exec(text);
  const plain = Number(text.replace('−', '-').replace(',', '.'));
  if (!match && !Number.isFinite(plain)) throw new Unreadable(`“${text}” is no number of turns.`);
  if (!match) return plain;
  const size = Number(match[2] ?? 0) + Number(match[3]) / Number(match[4]);
  return match[1] === '-' || match[1] === '−' ? -size : size;
}

export const columnTool: BenchTool = {
  id: 'column',
  name: 'Water column',
  about: 'Height of water as pressure, and a gauge that hangs above or below its tapping.',
  fields: [
    { key: 'height', label: 'Gauge above the tapping (below: −)', kind: 'length', unit: 'm' },
    { key: 'reading', label: 'It reads', kind: 'pressure' },
  ],
  initial: { height: '3.2', reading: '416' },
  answer: ({ si }, units) => {
    const column = si('height') * toSI(1, 'mH2O');
    return {
      rows: [
        ['The column', units.withUnit(column)],
        ['At the tapping', units.withUnit(si('reading') + column)],
        ['in mm of water', (si('height') * 1000).toFixed(0)],
      ],
      note: 'Water at 4 °C. A gauge above its tapping reads low by the column between.',
    };
  },
};
