import { actOut } from '../act-out';
import type { StepBehaviour } from '../behaviour';

export const actStep: StepBehaviour<'act'> = { maySkip: true, carryOut: actOut };
