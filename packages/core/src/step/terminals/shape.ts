import { plainShape } from '../step-shape';

export const terminalsShape = plainShape('terminals');
