import { advanceTwin, actOnTwin, integrate, type Twin } from '@holvek/core';
import { twinForBench } from './sample';

/** Simulated seconds per second of CPU, and the integrator against closed forms. */
export function twinBench() {
  const scenes: Record<string, (twin: Twin) => Twin> = {
    'at rest': (twin) => twin,
    'small flow': (twin) => actOnTwin(twin, { demand: 0.25 }),
    'main filling': (twin) => actOnTwin(twin, { outlet_isolator: 0.35, demand: 1 }),
  };
  const speeds = Object.entries(scenes).flatMap(([scene, set]) =>
    (['none', 'trapped_air', 'slow_main'] as const).map((fault) => {
      const twin = set(twinForBench(fault === 'none' ? [] : [fault]));
      const before = process.cpuUsage();
      advanceTwin(twin, 1800);
      const { user, system } = process.cpuUsage(before);
      return {
        measure: `${scene}, fault ${fault}`,
        'simulated s per CPU s': 1800 / ((user + system) / 1e6),
      };
    }),
  );
  const decay = integrate((y, _t, out) => void (out[0] = -0.7 * y[0]!), [5], [0, 4], {
    tolerance: 2e-4,
  }).state[0]!;
  const swing = integrate(
    (y, _t, out) => void ((out[0] = y[1]!), (out[1] = -4 * y[0]!)),
    [1, 0],
    [0, 10],
    {
      tolerance: 2e-4,
    },
  ).state[0]!;
  return [
    ...speeds,
    {
      measure: 'decay, relative error at the twin’s tolerance',
      error: Math.abs(decay / (5 * Math.exp(-2.8)) - 1),
    },
    { measure: 'swing of 10 s, error of amplitude', error: Math.abs(swing - Math.cos(20)) },
  ];
}
