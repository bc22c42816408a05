import { answer } from '../act-out';
import { askProofs } from './proofs';
import type { StepBehaviour } from '../behaviour';

export const askStep: StepBehaviour<'ask'> = { maySkip: true, proves: askProofs, carryOut: answer };
