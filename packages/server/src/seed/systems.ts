import {
  defaultHouseRules,
  kPa,
  systemFrom,
  type Round,
  type Rule,
  type System,
} from '@holvek/core';

const SITE = 'larkhollow';

/** The tension unit as it was found last winter: two of its pressures too high. */
function tensionUnit(): System {
  const system = systemFrom('hydraulic', defaultHouseRules, {
    id: 'hpu-01',
    name: 'HPU-01 lift tension unit',
    site_id: SITE,
  });
  const held: Readonly<Record<string, { adjuster: string; found: number }>> = {
    main_relief: { adjuster: 'main', found: 25_200 },
    cross_a: { adjuster: 'cross_a', found: 21_200 },
    cross_b: { adjuster: 'cross_b', found: 20_900 },
    compensator: { adjuster: 'compensator', found: 19_700 },
  };
  const wanted: Rule[] = [
    {
      id: 'cross_want',
      kind: 'at_least',
      rung: 'cross_a',
      pa: kPa(21_000),
      why: 'The motor needs 210 bar to start the loaded lift',
      from: 'measured',
    },
    {
      id: 'cross_same',
      kind: 'between',
      rung: 'cross_b',
      base: 'cross_a',
      least_pa: 0,
      most_pa: 0,
      why: 'Both ways alike',
      from: 'own',
    },
    {
      id: 'main_calm',
      kind: 'above_by',
      high: 'main_relief',
      low: 'cross_a',
      by_pa: kPa(1600),
      why: 'Main relief 16 bar clear of the cross-ports',
      from: 'own',
    },
  ];
  return {
    ...system,
    rungs: system.rungs.map((rung) => {
      const own = held[rung.id];
      return own
        ? { ...rung, valve_id: 'hpu-01', adjuster: own.adjuster, found_pa: kPa(own.found) }
        : rung;
    }),
    rules: [
      ...system.rules.filter(({ id }) => !id.startsWith('cross_a') && !id.startsWith('cross_b')),
      ...crossRules(system),
      ...wanted,
    ],
  };
}

/** Cross-ports may stand 15 to 30 bar over what drives the motor. */
const crossRules = ({ rules }: System): readonly Rule[] =>
  rules.filter(({ id }) => id.startsWith('cross_a') || id.startsWith('cross_b'));

/** The lower pump hall and the zones it feeds. */
function pumpHall(): System {
  const system = systemFrom('pump_station', defaultHouseRules, {
    id: 'pump-hall',
    name: 'Pump hall and gully',
    site_id: SITE,
  });
  const held: Readonly<Record<string, readonly [string, string, number]>> = {
    relief: ['rv-11', 'Surge relief', 1240],
    sustaining: ['sus-03', 'Booster hall', 820],
    zone_1: ['prv-05', 'Pump hall header', 567],
    zone_2: ['prv-09', 'Valley main', 391],
  };
  const own: Rule[] = [
    {
      id: 'guns',
      kind: 'at_least',
      rung: 'sustaining',
      pa: kPa(840),
      why: 'The hall’s own guns need 780 at the muzzle',
      from: 'measured',
    },
    {
      id: 'surge',
      kind: 'at_least',
      rung: 'relief',
      pa: kPa(1180),
      why: 'Pump start sends 1 150 up the pipe, logged',
      from: 'measured',
    },
  ];
  return {
    ...system,
    rungs: system.rungs.map((rung) => {
      const known = held[rung.id];
      return known
        ? {
            ...rung,
            name: `${known[0].toUpperCase()} ${known[1]}`,
            valve_id: known[0],
            adjuster: 'main',
            found_pa: kPa(known[2]),
          }
        : rung;
    }),
    rules: [...system.rules, ...own],
  };
}

/** The lodge’s compressed air: somebody has asked for more than the vessel allows. */
function lodgeAir(): System {
  const system = systemFrom('air_header', defaultHouseRules, {
    id: 'lodge-air',
    name: 'Lodge compressed air',
    site_id: SITE,
  });
  const greedy: Rule = {
    id: 'spray',
    kind: 'at_least',
    rung: 'tools',
    pa: kPa(800),
    why: 'The new spray gun asks for 8 bar',
    from: 'maker',
  };
  return { ...system, rules: [...system.rules, greedy] };
}

export const demoSystems = (): readonly System[] => [tensionUnit(), pumpHall(), lodgeAir()];

export const demoRounds = (day: string): readonly Round[] => [
  {
    id: 'hill-round',
    name: 'Hill round',
    site_id: SITE,
    day,
    valve_ids: ['prv-07', 'prv-05', 'prv-14', 'prv-08', 'prv-03', 'prv-12', 'prv-09'],
    why_this_order:
      'Work already in hand first. Then highest pressure to lowest, upstream before downstream, so that no setting limits the next.',
    job: {
      name: 'Autumn visit',
      order: 'LH-2207',
      permit: 'W-118',
      client: 'Larkhollow Estates',
      contact: 'Vera Amsel, gatehouse',
    },
  },
  {
    id: 'pump-round',
    name: 'Pump hall round',
    site_id: SITE,
    day,
    valve_ids: ['rv-11', 'sus-03', 'sus-04', 'bsv-02', 'vrv-01', 'hpu-01'],
    why_this_order:
      'Surge relief first: it bounds all that the pump can reach. Sustaining before reducing. Machines after the line.',
  },
  {
    id: 'lodge-round',
    name: 'Lodge round',
    site_id: SITE,
    day,
    valve_ids: ['gr-05', 'gr-06', 'sr-02', 'sr-04'],
    why_this_order: 'Gas while the boiler is cold. Air and the return line after.',
  },
];
