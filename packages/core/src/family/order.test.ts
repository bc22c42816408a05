import { stepsFor, type Step } from '../step';
import { familySamples } from '../testing/family-samples';
import { procedureOf } from './list';

type SampleName = keyof typeof familySamples;
type Way = {
  readonly name: string;
  readonly steps: readonly Step[];
  readonly procedure: ReturnType<typeof procedureOf>;
};

/** Every family, variant and school as it is walked now. */
const ways: readonly Way[] = (Object.keys(familySamples) as SampleName[]).flatMap((name) => {
  const { plate } = familySamples[name];
  const procedure = procedureOf(plate.family);
  return procedure.schools.map(({ id }) => ({
    name: `${name}, ${id}`,
    procedure,
    steps: stepsFor(procedure, id, plate),
  }));
});

const movesOf = (step: Step): Readonly<Record<string, unknown>> => ({
  ...step.does,
  ...(step.kind === 'cycle' ? Object.assign({}, ...step.cycle) : {}),
});
/** Kinds of step in which a screw is turned. */
const turning: ReadonlySet<string> = new Set([
  'act',
  'set',
  'search',
  'count',
  'edges',
  'switching',
]);

/** Where every fitting stands after each step. */
const standing = ({ procedure, steps }: Way) => {
  let now: Readonly<Record<string, unknown>> = procedure.initial;
  return steps.map((step) => {
    now = { ...now, ...movesOf(step) };
    return { step, now };
  });
};
const placeOf = ({ steps }: Way, id: string) => steps.findIndex((step) => step.id === id);
const waysOf = (start: string) => ways.filter(({ name }) => name.startsWith(start));

describe('what must never be, at any step of any way', () => {
  test.each(ways.map((way) => [way.name, way] as const))(
    '%s: what is locked is read as left, and not turned again',
    (_, way) => {
      way.steps.forEach((step, at) => {
        if (step.kind !== 'lock') return;
        const after = way.steps.slice(at + 1);
        const turned = after.filter(
          ({ kind, adjuster }) => turning.has(kind) && adjuster === step.adjuster,
        );
        expect(turned.map(({ id }) => id)).toEqual([]);
      });
    },
  );

  test.each(
    waysOf('sustaining')
      .concat(waysOf('combined'))
      .map((way) => [way.name, way] as const),
  )(
    '%s: a pump never runs against a valve that is held shut, nor before the outlets are open',
    (_, way) => {
      const shut = standing(way).filter(
        ({ step, now }) =>
          step.kind !== 'cycle' && now['pump'] === 'on' && now['selector'] === 'close',
      );
      // Only while the selector goes to automatic, in the very next step.
      expect(shut.map(({ step }) => step.id)).toEqual(['pump_on']);
      expect(placeOf(way, 'automatic')).toBe(placeOf(way, 'pump_on') + 1);
      expect(placeOf(way, 'overdemand')).toBeLessThan(placeOf(way, 'pump_on'));
    },
  );

  test.each(waysOf('combined').map((way) => [way.name, way] as const))(
    '%s: sustaining is locked and read before reducing is begun',
    (_, way) => {
      expect(placeOf(way, 'lock_main')).toBeLessThan(placeOf(way, 'come_up'));
      expect(placeOf(way, 'as_left')).toBeLessThan(placeOf(way, 'come_up'));
    },
  );

  test.each(waysOf('hydraulic').map((way) => [way.name, way] as const))(
    '%s: nothing is fitted before all is dead, each is read while it rules, the compensator last',
    (_, way) => {
      expect(placeOf(way, 'at_zero')).toBeLessThan(placeOf(way, 'fit_gauges'));
      const left = way.steps.filter(({ id }) => id.startsWith('as_left'));
      expect(left.at(-1)!.id).toBe('as_left_compensator');
      for (const { step, now } of standing(way))
        if (step.kind === 'read' && step.purpose === 'as_left')
          expect({
            id: step.id,
            directional: now['directional'],
            override: now['override'],
          }).toEqual({
            id: step.id,
            directional: { as_left_a: 'a', as_left_b: 'b' }[step.id] ?? 'centred',
            override: 'off',
          });
    },
  );

  test.each(waysOf('burner_pilot').map((way) => [way.name, way] as const))(
    '%s: no gas before spark and purge, nothing read before a flame is proved',
    (_, way) => {
      const gas = standing(way).find(({ now }) => now['gas'] !== 0)!;
      expect(gas.step.id).toBe('gas_on');
      for (const before of ['look_at_spark', 'purged'])
        expect(placeOf(way, before)).toBeLessThan(placeOf(way, 'gas_on'));
      const firstRead = way.steps.findIndex(({ kind }) => kind === 'read');
      expect(placeOf(way, 'flame_proved')).toBeLessThan(firstRead);
      expect(placeOf(way, 'flame_proved')).toBeGreaterThan(placeOf(way, 'gas_on'));
    },
  );

  test.each(waysOf('temperature').map((way) => [way.name, way] as const))(
    '%s: what protects comes first, and some is drawn whenever its screw is turned or read',
    (_, way) => {
      const screw = placeOf(way, 'loosen_nut');
      for (const before of ['scalds', 'cut_out_ready', 'mixers_shut', 'bulb_home', 'little_flow'])
        expect(placeOf(way, before)).toBeLessThan(screw);
      for (const { step, now } of standing(way)) {
        const isSet = step.kind === 'set' || (step.kind === 'read' && step.purpose === 'as_left');
        if (isSet) expect(now['demand']).toBe(0.35);
        expect(now['heating']).toBe(1);
      }
      expect(way.steps.some(({ does }) => 'adjuster_main' in (does ?? {}))).toBe(false);
    },
  );

  test('without a cut-out somebody stays at the heat, before anything else is looked at', () => {
    const { cut_out: _, ...plate } = familySamples.temperature.plate;
    const steps = stepsFor(procedureOf('temperature'), 'from_found', plate).map(({ id }) => id);
    expect(steps.indexOf('hand_at_heat')).toBe(2);
    expect(steps).not.toContain('cut_out_ready');
  });

  test.each(waysOf('back_pressure, start').map((way) => [way.name, way] as const))(
    '%s: the way out is open and the spring loaded before anything is let in',
    (_, way) => {
      expect(placeOf(way, 'unload')).toBe(-1);
      for (const { now } of standing(way).slice(placeOf(way, 'all_shut')))
        if (now['inlet_block'] !== 0) expect(now['outlet_block']).toBe(1);
      expect(placeOf(way, 'spring_near')).toBeLessThan(placeOf(way, 'inlet_on'));
    },
  );
});
