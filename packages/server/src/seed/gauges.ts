import { kPa, type Gauge } from '@holvek/core';

const isoDay = (now: number, days: number) =>
  new Date(now + days * 86_400_000).toISOString().slice(0, 10);

type GaugeSketch = {
  tag: string;
  low?: number;
  high: number;
  resolution: number;
  accuracy: number;
  calibrated: number;
  unit?: string;
  sources?: Gauge['sources'];
  corrections?: Gauge['corrections'];
};

/** For what is set in degrees. */
const thermometer = (now: number): Gauge => ({
  id: 't-02',
  tag: 'T-02',
  unit: '°C',
  range_low_pa: 0,
  range_high_pa: 120,
  resolution_pa: 0.1,
  accuracy_fraction: 0.0025,
  calibrated_on: isoDay(now, -110),
  calibration_due_on: isoDay(now, 255),
  height_above_tapping_m: 0,
});

/** The bag: for water, air, vacuum, oil and gas, and a calibrator; one out of date, one with a range that fits nothing. */
export const demoGauges = (now: number): readonly Gauge[] => [
  ...pressureGauges(now),
  thermometer(now),
];

const pressureGauges = (now: number): readonly Gauge[] =>
  (
    [
      { tag: 'G-04', high: 1600, resolution: 2, accuracy: 0.0025, calibrated: -150 },
      { tag: 'G-12', high: 1000, resolution: 2, accuracy: 0.0025, calibrated: -90 },
      { tag: 'G-15', high: 1000, resolution: 5, accuracy: 0.005, calibrated: -420 },
      {
        tag: 'G-18',
        high: 250,
        resolution: 1,
        accuracy: 0.005,
        calibrated: -60,
        corrections: [
          { shown_pa: kPa(0), add_pa: 0 },
          { shown_pa: kPa(125), add_pa: 400 },
          { shown_pa: kPa(250), add_pa: -600 },
        ],
      },
      { tag: 'G-21', high: 4000, resolution: 20, accuracy: 0.01, calibrated: -200, unit: 'bar' },
      { tag: 'G-24', high: 2000, resolution: 5, accuracy: 0.0025, calibrated: -120 },
      { tag: 'G-31', high: 50, resolution: 0.1, accuracy: 0.0025, calibrated: -80, unit: 'mbar' },
      {
        tag: 'G-32',
        low: -50,
        high: 0,
        resolution: 0.1,
        accuracy: 0.0025,
        calibrated: -80,
        unit: 'mbar',
      },
      {
        tag: 'G-40',
        high: 40_000,
        resolution: 50,
        accuracy: 0.0015,
        calibrated: -140,
        unit: 'bar',
      },
      { tag: 'G-50', high: 5, resolution: 0.01, accuracy: 0.0025, calibrated: -40, unit: 'mbar' },
      {
        tag: 'G-70',
        high: 1000,
        resolution: 0.1,
        accuracy: 0.0005,
        calibrated: -100,
        sources: [
          { kind: 'current', low: 0, high: 0.024, error: 5e-6 },
          { kind: 'voltage', low: 0, high: 12, error: 0.003 },
        ],
      },
      {
        tag: 'G-71',
        high: 2000,
        resolution: 0.2,
        accuracy: 0.0005,
        calibrated: -70,
        sources: [{ kind: 'pressure', low: 0, high: 2e6, error: 1000 }],
      },
    ] satisfies GaugeSketch[] as readonly GaugeSketch[]
  ).map(({ tag, low = 0, high, resolution, accuracy, calibrated, unit = 'kPa', ...rest }) => ({
    id: tag.toLowerCase(),
    tag,
    range_low_pa: kPa(low),
    range_high_pa: kPa(high),
    resolution_pa: kPa(resolution),
    accuracy_fraction: accuracy,
    calibrated_on: isoDay(now, calibrated),
    calibration_due_on: isoDay(now, calibrated + 365),
    unit,
    height_above_tapping_m: 0,
    ...rest,
  }));
