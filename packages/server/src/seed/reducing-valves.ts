import { kPa, type TwinFault, type Valve } from '@holvek/core';
import { spring, type DemoValve } from './demo-valve';

const springs = [
  spring('white', 20, 180, 60),
  spring('green', 100, 700, 180),
  spring('red', 400, 1400, 350),
];

type Sketch = {
  readonly tag: string;
  readonly name: string;
  readonly place: string;
  readonly size: number;
  readonly target: number;
  readonly limit: number;
  readonly why: string;
  readonly seed: number;
  readonly faults?: readonly TwinFault[];
  readonly tagged?: number;
  readonly approval?: boolean;
};

const reducing = (sketch: Sketch): Valve => ({
  id: sketch.tag.toLowerCase(),
  tag: sketch.tag,
  name: sketch.name,
  place: sketch.place,
  target: {
    set_point_pa: kPa(sketch.target),
    tolerance_pa: kPa(15),
    limit_pa: kPa(sketch.limit),
    why: sketch.why,
  },
  plate: {
    family: 'reducing',
    size_dn: sketch.size,
    outlet_rating_pa: kPa(1000),
    inlet_rating_pa: kPa(1600),
    springs,
    fitted_spring: 'green',
    clockwise: 'raises',
    travel_turns: 8,
    min_differential_pa: kPa(80),
    accessories: sketch.approval
      ? ['strainer', 'pilot isolating cock']
      : ['strainer', 'opening speed control'],
    ...(sketch.approval
      ? {
          approval: {
            scheme: 'Hill fire mains',
            accessories: ['strainer', 'pilot isolating cock'],
          },
        }
      : {}),
    ...(sketch.tagged === undefined ? {} : { factory_set_point_pa: kPa(sketch.tagged) }),
  },
  twin: { seed: sketch.seed, faults: [...(sketch.faults ?? [])], found_pa: kPa(sketch.target) },
});

export const reducingValves: readonly DemoValve[] = [
  {
    valve: reducing({
      tag: 'PRV-03',
      name: 'Lodge fire main',
      place: 'Lodge, plant room',
      size: 80,
      target: 450,
      limit: 600,
      tagged: 400,
      approval: true,
      seed: 303,
      why: 'Highest sprinkler needs 380 kPa. 70 is lost in the riser at full flow.',
    }),
    visits: [],
    wander: [kPa(-60)],
  },
  {
    valve: reducing({
      tag: 'PRV-05',
      name: 'Pump hall header',
      place: 'Lower pump hall',
      size: 100,
      target: 560,
      limit: 700,
      seed: 505,
      why: 'Booster suction wants 500 kPa. 60 is lost in the header at 12 L/s.',
    }),
    visits: [1190, 825, 470],
    wander: [kPa(9), kPa(7), kPa(7)],
  },
  {
    valve: reducing({
      tag: 'PRV-07',
      name: 'Gully line',
      place: 'Gully, chamber 2',
      size: 80,
      target: 520,
      limit: 660,
      seed: 717,
      why: 'Gun line needs 480 kPa at the top hydrant. 40 is lost in the pipe at 12 L/s.',
    }),
    visits: [760, 392],
    wander: [kPa(8), kPa(-22)],
    midRun: true,
  },
  {
    valve: reducing({
      tag: 'PRV-08',
      name: 'Terrace line',
      place: 'Terrace, chamber 1',
      size: 80,
      target: 480,
      limit: 620,
      seed: 808,
      faults: ['reversed_screw'],
      why: 'Terrace hydrants need 440 kPa. 40 is lost in the pipe at 9 L/s.',
    }),
    visits: [],
    wander: [kPa(30)],
  },
  {
    valve: reducing({
      tag: 'PRV-09',
      name: 'Valley main',
      place: 'Valley station',
      size: 100,
      target: 400,
      limit: 540,
      seed: 919,
      faults: ['slow_main'],
      why: 'Lowest hydrant is rated 540 kPa and stands 12 m below: 400 leaves 22 in hand.',
    }),
    visits: [735, 368],
    wander: [kPa(6), kPa(-9)],
  },
  {
    valve: reducing({
      tag: 'PRV-12',
      name: 'Upper bowl',
      place: 'Upper bowl, chamber 4',
      size: 80,
      target: 440,
      limit: 580,
      seed: 121,
      why: 'Top hydrant needs 400 kPa. 40 is lost in the pipe at 9 L/s.',
    }),
    visits: [1462, 1096, 731, 366],
    wander: [kPa(14), kPa(19), kPa(27), kPa(36)],
  },
  {
    valve: reducing({
      tag: 'PRV-14',
      name: 'Race hill',
      place: 'Race hill, start hut',
      size: 65,
      target: 500,
      limit: 640,
      seed: 414,
      faults: ['leaking_seat'],
      why: 'Start ramp guns need 460 kPa. 40 is lost in the hose at 4 L/s.',
    }),
    visits: [380],
    wander: [kPa(-12)],
  },
];
