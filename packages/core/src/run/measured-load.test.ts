import { procedureOf } from '../family';
import { lastReading } from '../step';
import { rehearsedFamily } from '../testing/family-samples';
import { defaultHouseRules as rules } from '../valve';
import { proofsOf } from './proofs';
import type { Run } from './run';

const { run } = rehearsedFamily('hydraulic');
const leftAt = (adjuster: string): number => lastReading(run, 'as_left', adjuster)!.reading.si;
/** What the run would owe and prove, had these been measured. */
const proofs = (measured: Readonly<Record<string, number>>, of: Run = run) =>
  proofsOf({ ...of, measured: { ...of.measured, ...measured } }, []).filter(({ proof }) =>
    proof.endsWith('_load'),
  );
const said = (measured: Readonly<Record<string, number>>) =>
  proofs(measured).map(({ proof, adjuster, verdict }) => [proof, adjuster, verdict]);

describe('settings judged by what was measured, loaded', () => {
  test('owe nothing where nothing was measured', () => {
    expect(run.status).toBe('signed');
    expect(run.started.procedure_version).toBe(procedureOf('hydraulic').version);
    expect(said({})).toEqual([]);
  });

  test('the compensator stands above the heaviest load by what the house asks', () => {
    const most = leftAt('compensator') - rules.compensator_over_load_pa;
    expect(said({ load_peak: most })).toEqual([['above_load', 'compensator', 'pass']]);
    expect(said({ load_peak: most + 1 })).toEqual([['above_load', 'compensator', 'fail']]);
  });

  test('each cross-port stands above what drives the motor, and not too far', () => {
    const lowest = Math.min(leftAt('cross_a'), leftAt('cross_b'));
    const highest = Math.max(leftAt('cross_a'), leftAt('cross_b'));
    const verdicts = (motor_peak: number, wanted: string) =>
      proofs({ motor_peak })
        .filter(({ proof }) => proof === wanted)
        .map(({ verdict }) => verdict);
    expect(verdicts(lowest - rules.cross_port_over_least_pa, 'above_load')).toEqual([
      'pass',
      'pass',
    ]);
    expect(verdicts(highest - rules.cross_port_over_least_pa + 1, 'above_load')).toEqual([
      'fail',
      'fail',
    ]);
    expect(verdicts(highest - rules.cross_port_over_most_pa, 'within_load')).toEqual([
      'pass',
      'pass',
    ]);
    expect(verdicts(lowest - rules.cross_port_over_most_pa - 1, 'within_load')).toEqual([
      'fail',
      'fail',
    ]);
  });

  test('what was measured and never left to be read is not proved', () => {
    const unread: Run = {
      ...run,
      readings: run.readings.filter(({ purpose }) => purpose !== 'as_left'),
    };
    expect(proofs({ load_peak: 1e6 }, unread).map(({ verdict }) => verdict)).toEqual([
      'not_proved',
    ]);
  });
});
