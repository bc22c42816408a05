import {
  aboveIce,
  onThermometer,
  hasBand,
  hasElectronics,
  bandOfGain,
  conductors,
  convertSignal,
  fractionOf,
  fromSI,
  gainOfBand,
  idealOutput,
  integralOfReset,
  copperOf,
  defaultHouseRules,
  loopBudget,
  otherReset,
  partOf,
  splitMeets,
  standardOf,
  standardSignals,
  units as allUnits,
  type Action,
  type QuantityKind,
} from '@holvek/core';
import { readField, Unreadable, type BenchTool } from './tool';

const kinds: readonly QuantityKind[] = [
  'pressure',
  'flow',
  'length',
  'temperature',
  'current',
  'voltage',
];
const five = (value: number) => String(Number(value.toPrecision(5)));
const percent = (share: number) => `${five(share * 100)} %`;

export const unitsTool: BenchTool = {
  id: 'units',
  name: 'Units',
  about: 'A figure in every unit of its kind.',
  fields: [
    {
      key: 'kind',
      label: 'Kind',
      kind: 'choice',
      choices: kinds.map((value) => ({ value, say: value })),
    },
    { key: 'value', label: 'Figure with its unit', kind: 'text', hint: '2.1 bar, 30 psi, 12 ft' },
  ],
  initial: { kind: 'pressure', value: '2.1 bar' },
  answer: ({ choice, text }, units) => {
    const kind = choice<QuantityKind>('kind');
    const rows = allUnits.filter((unit) => unit.kind === kind);
    const field = { key: 'value', label: 'Figure', kind, unit: rows[0]!.symbol } as const;
    const si = readOne(text('value'), field, units);
    return { rows: rows.map(({ symbol }) => [symbol, five(fromSI(si, symbol))]) };
  },
};

export const signalTool: BenchTool = {
  id: 'signal',
  name: 'Signals',
  about: 'mA, psi, kPa, V and per cent side by side; split ranges, direct and reverse.',
  fields: [
    {
      key: 'signal',
      label: 'Signal',
      kind: 'choice',
      choices: standardSignals.map(({ id, name }) => ({ value: id, say: name })),
    },
    { key: 'value', label: 'Value', kind: 'text' },
    { key: 'from', label: 'Works from', kind: 'fraction', unit: '%' },
    { key: 'to', label: 'to', kind: 'fraction', unit: '%' },
    {
      key: 'action',
      label: 'Action',
      kind: 'choice',
      choices: [
        { value: 'direct', say: 'direct' },
        { value: 'reverse', say: 'reverse' },
      ],
    },
    {
      key: 'air',
      label: 'Air',
      kind: 'choice',
      choices: [
        { value: 'open', say: 'opens' },
        { value: 'close', say: 'closes' },
      ],
    },
  ],
  initial: { signal: '4-20mA', value: '12', from: '0', to: '100', action: 'direct', air: 'open' },
  fromValve: ({ plate }) => {
    if (!('air_to' in plate)) return undefined;
    const signal = standardOf(plate.input);
    if (!signal) return undefined;
    const share = (si: number) => {
      const at = fractionOf(signal, si);
      return five((at.ok ? at.value : 0) * 100);
    };
    return {
      signal: signal.id,
      value: five(fromSI((plate.input.low + plate.input.high) / 2, signal.unit)),
      from: share(plate.input.low),
      to: share(plate.input.high),
      action: plate.action,
      air: plate.air_to,
    };
  },
  answer: ({ choice, si, text }, units) => {
    const signal = standardSignals.find(({ id }) => id === choice('signal')) ?? standardSignals[0]!;
    const value = readOne(
      text('value'),
      { key: 'value', label: 'Value', kind: signal.kind, unit: signal.unit },
      units,
    );
    const part = partOf(signal, si('from'), si('to'));
    const at = fractionOf(part, value);
    if (!at.ok) throw new Unreadable('The part that it works on has no span.');
    const travel = idealOutput(at.value, choice<Action>('action'));
    const open = choice('air') === 'open' ? travel : 1 - travel;
    const rows = standardSignals.map((other): [string, string] => {
      const converted = convertSignal(signal, other, value);
      return [
        other.name,
        converted.ok ? `${five(fromSI(converted.value, other.unit))} ${other.unit}` : '–',
      ];
    });
    const rest = splitMeets(part, partOf(signal, si('to'), 1));
    return {
      rows: [
        ...rows,
        ['Of its part', percent(at.value)],
        ['Output', percent(travel)],
        ['Valve', `${percent(open)} open`],
        ['No air', choice('air') === 'open' ? 'shut' : 'open'],
      ],
      ...(at.value < 0 || at.value > 1
        ? { warn: 'The signal lies outside the part that this one works on.' }
        : {}),
      ...(rest.ok && si('to') < 1
        ? { note: 'The other valve of the split works on the rest.' }
        : {}),
    };
  },
};

export const loopTool: BenchTool = {
  id: 'loop',
  name: 'Loop voltage',
  about: 'What is left of a supply at the far end of its cable.',
  fields: [
    { key: 'supply', label: 'Supply', kind: 'voltage', unit: 'V' },
    { key: 'sensor', label: 'Device needs at least', kind: 'voltage', unit: 'V' },
    { key: 'headroom', label: 'Kept in hand', kind: 'voltage', unit: 'V' },
    { key: 'load', label: 'Other load, ohm', kind: 'number' },
    { key: 'current', label: 'Largest current', kind: 'current', unit: 'mA' },
    { key: 'length', label: 'Cable, one way', kind: 'length', unit: 'm' },
    {
      key: 'area',
      label: 'Conductor',
      kind: 'choice',
      choices: conductors.map(({ name, area_m2 }) => ({ value: String(area_m2 * 1e6), say: name })),
    },
    { key: 'temperature', label: 'Conductor at', kind: 'temperature', unit: '°C' },
  ],
  initial: {
    supply: '24',
    sensor: '12',
    headroom: '3',
    load: '250',
    current: '20',
    length: '300',
    area: '0.5',
    temperature: '20',
  },
  fromValve: ({ plate }) => {
    if (!hasElectronics(plate)) return undefined;
    const { loop } = plate;
    const area = five(loop.area_m2 * 1e6);
    return {
      supply: five(loop.supply_v),
      sensor: five(loop.needs_v),
      load: five(loop.load_ohm),
      current: five(loop.current_a * 1000),
      length: five(loop.length_m),
      temperature: five(onThermometer(loop.at_k)),
      ...(conductors.some(({ area_m2 }) => String(area_m2 * 1e6) === area) ? { area } : {}),
    };
  },
  answer: ({ si }) => {
    const budget = loopBudget({
      supply: si('supply'),
      sensor: si('sensor'),
      headroom: si('headroom'),
      load: si('load'),
      current: si('current'),
      cable: { length: si('length'), area: si('area') * 1e-6, at: aboveIce(si('temperature')) },
      copper: copperOf(defaultHouseRules),
    });
    if (!budget.ok) throw new Unreadable(`${budget.error.field} must be above nothing.`);
    const { drop, left, longest, wouldDo } = budget.value;
    return {
      rows: [
        ['Drop of the cable', `${drop.toFixed(2)} V`],
        ['Left over', `${left.toFixed(2)} V`],
        ['Longest with this conductor', `${Math.floor(longest)} m`],
        ['Would do here', wouldDo.join(', ') || 'none in the table'],
      ],
      ...(left < 0 ? { warn: 'Too little: the device would not work at its far end.' } : {}),
      note: 'Copper at the worst that a flexible conductor may be, there and back. In hazardous areas wiring is for licensed persons only.',
    };
  },
};

export const bandTool: BenchTool = {
  id: 'band',
  name: 'Band and reset',
  about: 'Proportional band to gain, minutes a repeat to repeats a minute.',
  fields: [
    { key: 'band', label: 'Proportional band', kind: 'fraction', unit: '%' },
    { key: 'reset', label: 'Reset, minutes a repeat', kind: 'number' },
  ],
  initial: { band: '100', reset: '0.1' },
  fromValve: ({ plate }) =>
    hasBand(plate)
      ? { band: five(plate.band_percent), reset: five(plate.reset_minutes) }
      : undefined,
  answer: ({ si }) => {
    const gain = gainOfBand(si('band') * 100);
    const integral = integralOfReset(si('reset'));
    const repeats = otherReset(si('reset'));
    if (!gain.ok) throw new Unreadable('A band of nothing would be endless gain.');
    if (!integral.ok || !repeats.ok)
      throw new Unreadable('A reset of nothing would run away at once.');
    const back = bandOfGain(gain.value);
    return {
      rows: [
        ['Gain', five(gain.value)],
        ['Band', `${back.ok ? five(back.value) : '–'} %`],
        ['Repeats a minute', five(repeats.value)],
        ['Integral time', `${five(integral.value)} s`],
      ],
      note: 'A wider band is less gain, and slower. People disagree about which way the band works; this is the standard meaning.',
    };
  },
};

/** One figure with its unit, or its words thrown. */
function readOne(
  text: string,
  field: BenchTool['fields'][number],
  units: Parameters<BenchTool['answer']>[1],
): number {
  const answer = readField(text, field, units);
  if (typeof answer === 'string') throw new Unreadable(answer);
  return answer;
}
