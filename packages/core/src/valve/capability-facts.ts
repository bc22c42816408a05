import { choiceOf, type PlateFact } from './plate-fact';

/** Of every instrument that is judged by points. */
export const pointsFacts: readonly PlateFact[] = [
  { path: 'input', label: 'Signal in', kind: 'signal', why: 'What it is given, end to end.' },
  { path: 'output', label: 'Output', kind: 'signal', why: 'What it should show or do for it.' },
  {
    path: 'action',
    label: 'Action',
    ordinary: 'direct',
    ...choiceOf({ direct: 'direct, rises with it', reverse: 'reverse, falls as it rises' }),
  },
  {
    path: 'tolerance_span',
    label: 'Error allowed',
    kind: 'figure',
    unit: '% of span',
    factor: 0.01,
    ordinary: '1',
  },
];

const onItsScale = { kind: 'figure', unit: 'figure', factor: 1, optional: true } as const;
/** Of a range arm that slides along a scale, instead of a span screw. */
export const armFacts: readonly PlateFact[] = [
  {
    path: 'arm_least',
    label: 'Range arm: least on its scale',
    ...onItsScale,
    why: 'An arm that slides along a scale instead of a span screw: its span is a figure there.',
  },
  { path: 'arm_most', label: 'Range arm: most on its scale', ...onItsScale },
  { path: 'arm_division', label: 'Range arm: its smallest mark', ...onItsScale },
];

export const contactFacts: readonly PlateFact[] = [
  {
    path: 'scale',
    label: 'What its scale shows',
    ...choiceOf({ additive: 'cut-in, difference added', subtractive: 'cut-out, difference taken' }),
  },
  { path: 'printed', label: 'Printed at the scale', kind: 'text', why: 'By it the kind is known.' },
  {
    path: 'serves_as',
    label: 'Serves as',
    ...choiceOf({ operating: 'operating switch', limit: 'limit, a safety' }),
  },
  { path: 'manual_reset', label: 'Reset by hand', kind: 'yes_no' },
];

export const flameFacts: readonly PlateFact[] = [
  { path: 'maker_low_pa', label: 'Pilot gas, least by the maker', kind: 'pressure' },
  { path: 'maker_high_pa', label: 'Pilot gas, most by the maker', kind: 'pressure' },
  { path: 'trial_s', label: 'Trial for ignition', kind: 'figure', unit: 's', factor: 1 },
];

export const bandFacts: readonly PlateFact[] = [
  { path: 'out', label: 'Its output', kind: 'signal' },
  { path: 'band_percent', label: 'Band as found', kind: 'figure', unit: '%', factor: 1 },
  { path: 'reset_minutes', label: 'Reset as found', kind: 'figure', unit: 'min', factor: 1 },
];

const ZERO_CELSIUS = 273.15;
const cable = (path: string, of: string): readonly PlateFact[] => [
  {
    path: `${path}.supply_v`,
    label: `${of}: supply`,
    kind: 'figure',
    unit: 'V',
    factor: 1,
    ordinary: '24',
  },
  {
    path: `${path}.needs_v`,
    label: `${of}: needs at its end`,
    kind: 'figure',
    unit: 'V',
    factor: 1,
  },
  {
    path: `${path}.load_ohm`,
    label: `${of}: load in the pair`,
    kind: 'figure',
    unit: 'ohm',
    factor: 1,
    ordinary: '0',
  },
  {
    path: `${path}.current_a`,
    label: `${of}: most current`,
    kind: 'figure',
    unit: 'mA',
    factor: 1e-3,
  },
  {
    path: `${path}.length_m`,
    label: `${of}: length one way`,
    kind: 'figure',
    unit: 'm',
    factor: 1,
  },
  { path: `${path}.area_m2`, label: `${of}: conductor`, kind: 'figure', unit: 'mm²', factor: 1e-6 },
  {
    path: `${path}.at_k`,
    label: `${of}: hottest place`,
    kind: 'figure',
    unit: '°C',
    factor: 1,
    offset: ZERO_CELSIUS,
    ordinary: '20',
  },
];

export const electronicsFacts: readonly PlateFact[] = [
  {
    path: 'application',
    label: 'Holds',
    ...choiceOf({ reducing: 'downstream pressure', back_pressure: 'upstream pressure' }),
  },
  { path: 'trim', label: 'Trim', kind: 'text' },
  { path: 'tuned_trim', label: 'Trim it was tuned with', kind: 'text', optional: true },
  { path: 'stroke_s', label: 'Stroke time', kind: 'figure', unit: 's', factor: 1 },
  { path: 'stroke_counts', label: 'Stroke, counts', kind: 'figure', unit: 'counts', factor: 1 },
  {
    path: 'log_interval_s',
    label: 'Logs every',
    kind: 'figure',
    unit: 's',
    factor: 1,
    ordinary: '10',
  },
  { path: 'card_bytes', label: 'Memory card', kind: 'figure', unit: 'MB', factor: 1e6 },
  ...cable('loop', 'Sensor loop'),
  ...cable('power', 'Actuator power'),
];
