import type { Procedure, Step } from '../../step';
import { amend } from '../shared/amend';
import { arrangementOf, selfOperatedProcedure, startSteps } from './steps';
import type { Arrangement } from './plate';

/** What tells that the other side can take it, before anything is let into it. */
const outletTakesIt: Step = {
  id: 'outlet_takes_it',
  phase: 'ready',
  kind: 'check',
  say: 'Outlet side, and what follows it, rated for the inlet’s pressure; its way out is safe and open',
  why: 'In this service it opens towards the outlet: all that comes in may come out there.',
  fails: 'The outlet side cannot take the inlet’s pressure',
};

const outletFirst: Step = {
  id: 'outlet_first',
  phase: 'park',
  kind: 'act',
  say: 'Outlet block open, to where all of it may go',
  why: 'Whatever it lets go must find its way out open.',
  does: { outlet_block: 1 },
};

const springNear: Step = {
  id: 'spring_near',
  phase: 'park',
  kind: 'check',
  say: 'Spring about at its setting: by its tag, or by counted turns',
  why: 'Unloaded it stands wide open in this service, not shut.',
};

/** In back-pressure and relief service an unloaded spring means wide open: the outlet first, the inlet last. */
const backPressureStart = (arrangement: Arrangement): readonly Step[] =>
  amend(startSteps(arrangement), [
    { add: [outletTakesIt], after: 'sealed' },
    { drop: ['unload', 'outlet_on'] },
    { add: [outletFirst, springNear], after: 'all_shut' },
    { move: ['inlet_on'], after: 'little_flow' },
    {
      change: 'inlet_on',
      to: {
        say: 'Inlet block slowly open, watching the inlet gauge',
        why: 'Last: it meets a valve that is loaded and a way out that is open.',
        caution: {
          hazard: 'stored_pressure',
          say: 'Slowly: a fast start slams the parts. Stop when the inlet rises past its limit.',
        },
      },
    },
  ]);

/** Version 2: back-pressure and relief service start their own way. */
export const selfOperatedProcedure2: Procedure = {
  ...selfOperatedProcedure,
  version: 2,
  build: (plate, school) => {
    const arrangement = arrangementOf(plate);
    return school === 'shut_down' || arrangement.service === 'reducing'
      ? selfOperatedProcedure.build!(plate, school)
      : backPressureStart(arrangement);
  },
};
