import { answer } from '../act-out';
import type { StepBehaviour } from '../behaviour';

export const askStep: StepBehaviour<'ask'> = { maySkip: true, carryOut: answer };
