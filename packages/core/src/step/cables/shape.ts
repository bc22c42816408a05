import { plainShape } from '../step-shape';

export const cablesShape = plainShape('cables');
