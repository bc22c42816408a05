import { actOut } from '../act-out';
import type { StepBehaviour } from '../behaviour';

export const checkStep: StepBehaviour<'check'> = { maySkip: true, carryOut: actOut };
