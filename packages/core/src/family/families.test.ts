import type { EventOf } from '../run';
import { stepsFor, stepsOfKind } from '../step';
import { familySamples, familyStarted } from '../testing/family-samples';
import { stamp } from '../testing/samples';
import { actOnTwin, advanceTwin, twinOf, twinOutputs } from '../twin';
import { checkProcedure } from './check-procedure';
import { families, plateSchema, procedureOf, procedures, type Plate } from './list';
import { services, type Arrangement, type SelfOperatedPlate } from './self-operated/plate';
import { shutDown, startUp } from './self-operated/sequences';

const arrangements: readonly Arrangement[] = services.flatMap((service) =>
  [true, false].flatMap((control_line) =>
    [true, false].flatMap((bypass) =>
      (['spring', 'bled_first', 'bled_last'] as const).map((loading) => ({
        service,
        control_line,
        bypass,
        loading,
        vent_piped: true,
      })),
    ),
  ),
);
const piped = (arrangement: Arrangement): SelfOperatedPlate => ({
  ...(familySamples.self_operated.plate as SelfOperatedPlate),
  arrangement,
});

describe('every family', () => {
  test('has a procedure, and its plate passes its schema', () => {
    expect([...new Set(procedures.map(({ family }) => family))].sort()).toEqual(
      Object.keys(families).sort(),
    );
    for (const { plate } of Object.values(familySamples))
      expect(plateSchema.parse(plate)).toEqual(plate);
  });

  test('has every version that a stored run may have been walked by', () => {
    for (const family of Object.keys(families)) {
      const versions = procedures.filter((each) => each.family === family);
      expect(versions.map(({ version }) => version)).toEqual(versions.map((_, i) => i + 1));
      expect(procedureOf(family)).toBe(versions.at(-1));
      expect(procedureOf(family, 1)).toBe(versions[0]);
    }
  });

  test.each(procedures.map((procedure) => [procedure.family, procedure] as const))(
    '%s is sound as data, in every school',
    (family, procedure) => {
      const plates: Plate[] = Object.values(familySamples)
        .map(({ plate }) => plate as Plate)
        .filter((plate) => plate.family === family);
      if (family === 'self_operated') plates.push(...arrangements.map(piped));
      expect(checkProcedure(procedure)).toEqual([]);
      for (const plate of plates)
        for (const { id } of procedure.schools) {
          const steps = stepsFor(procedure, id, plate);
          expect(checkProcedure(procedure, steps)).toEqual([]);
          expect(steps[0]!.kind).toBe('caution');
          expect(steps.at(-2)!.kind).toBe('restore');
        }
    },
  );

  test.each(procedures.map((procedure) => [procedure.family, procedure] as const))(
    '%s explains a deaf gauge by at least four causes',
    (_, { causes }) => {
      expect(causes.length).toBeGreaterThanOrEqual(4);
      expect(new Set(causes.map(({ id }) => id)).size).toBe(causes.length);
      for (const { prior, likelihood } of causes) {
        expect(prior).toBeGreaterThan(0);
        for (const table of Object.values(likelihood))
          for (const p of Object.values(table)) expect(p).toBeGreaterThan(0);
      }
    },
  );

  test('what is set was parked before, its nut loosened before and locked after', () => {
    for (const procedure of procedures) {
      const at = (find: (id: string) => boolean) => procedure.steps.findIndex(({ id }) => find(id));
      for (const [i, step] of procedure.steps.entries()) {
        if (step.kind !== 'set' && step.kind !== 'search') continue;
        const lock = procedure.steps.findIndex(
          ({ kind, adjuster }) => kind === 'lock' && adjuster === step.adjuster,
        );
        expect(lock).toBeGreaterThan(i);
        expect(at((id) => id.startsWith('loosen'))).toBeLessThan(i);
      }
    }
  });

  test('only the pilot of a gas regulator is ever turned, and its seal can end the run', () => {
    const gas = procedures.find(({ family }) => family === 'gas')!;
    expect(stepsOfKind(gas, 'check').find(({ id }) => id === 'seal')!.fails).toBeDefined();
    expect(gas.steps.flatMap(({ adjuster }) => adjuster ?? [])).toEqual(
      expect.not.arrayContaining(['cap']),
    );
  });
});

describe('computed sequences', () => {
  const twinFor = (arrangement: Arrangement) => {
    const draft = familyStarted('self_operated', { plate: piped(arrangement) });
    return twinOf(stamp(draft, 1) as EventOf<'started'>)!;
  };
  /** Pressure against the parts, Pa: outlet over inlet in reducing service, else more inlet over outlet than in service. */
  const against = (
    arrangement: Arrangement,
    inService: number,
    { inlet, outlet }: { inlet: number; outlet: number },
  ) => (arrangement.service === 'reducing' ? outlet - inlet : inlet - outlet - inService);

  test.each(arrangements.map((arrangement) => [JSON.stringify(arrangement), arrangement] as const))(
    'a shut-down never reverses the pressure: %s',
    (_, arrangement) => {
      let twin = twinFor(arrangement);
      const { inlet, outlet } = twinOutputs(twin);
      let worst = Number.NEGATIVE_INFINITY;
      for (const { does } of shutDown(arrangement)) {
        twin = actOnTwin(twin, does);
        for (let i = 0; i < 60; i++) {
          twin = advanceTwin(twin, 1);
          worst = Math.max(worst, against(arrangement, inlet - outlet, twinOutputs(twin)));
        }
      }
      expect(worst).toBeLessThan(25_000);
      const empty = twinOutputs(advanceTwin(twin, 600));
      expect(empty.inlet).toBeLessThan(5000);
      expect(empty.outlet).toBeLessThan(5000);
    },
  );

  test.each(
    arrangements
      .slice(0, 6)
      .map((arrangement) => [JSON.stringify(arrangement), arrangement] as const),
  )('a start-up never does either: %s', (_, arrangement) => {
    let twin = twinFor(arrangement);
    let worst = Number.NEGATIVE_INFINITY;
    for (const { id, does } of startUp(arrangement)) {
      twin = actOnTwin(
        twin,
        id === 'all_shut'
          ? { ...does, inlet_bleed: 1, outlet_bleed: 1 }
          : { inlet_bleed: 0, outlet_bleed: 0, ...does },
      );
      for (let i = 0; i < 40; i++) {
        twin = advanceTwin(twin, 1);
        if (id === 'inlet_on' || id === 'outlet_on')
          worst = Math.max(worst, against(arrangement, 0, twinOutputs(twin)));
      }
    }
    expect(worst).toBeLessThan(25_000);
  });

  test('the wrong order would: bleeding the outlet of a back-pressure service first', () => {
    const arrangement = arrangements.find(
      ({ service, loading }) => service === 'back_pressure' && loading === 'spring',
    )!;
    let twin = twinFor(arrangement);
    const before = twinOutputs(twin);
    for (const does of [{ inlet_block: 0 }, { outlet_block: 0 }, { outlet_bleed: 1 }])
      twin = advanceTwin(actOnTwin(twin, does), 60);
    expect(against(arrangement, before.inlet - before.outlet, twinOutputs(twin))).toBeGreaterThan(
      30_000,
    );
  });

  test('loading is bled first or last as configured, and only where there is some', () => {
    const places = (loading: Arrangement['loading']) =>
      shutDown({ ...arrangements[0]!, loading }).map(({ id }) => id);
    expect(places('spring')).not.toContain('loading_off');
    expect(places('bled_last').at(-1)).toBe('loading_off');
    expect(places('bled_first').indexOf('loading_off')).toBeLessThan(
      places('bled_first').indexOf('bleed_outlet'),
    );
  });
});
