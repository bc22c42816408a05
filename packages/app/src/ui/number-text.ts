import { z } from 'zod';
import { plainNumber } from './plain-number';

/** A text that stands for a number, as it is typed; what is wrong with it is said in these words. */
export const numberText = (say: string, isRight: (value: number) => boolean = Number.isFinite) =>
  z.string().refine((text) => isRight(plainNumber(text)), say);
