import { actOut } from '../act-out';
import type { StepBehaviour } from '../behaviour';

export const cautionStep: StepBehaviour<'caution'> = { maySkip: false, carryOut: actOut };
