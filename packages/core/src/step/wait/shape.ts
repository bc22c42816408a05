import { plainShape } from '../step-shape';

export const waitShape = plainShape('wait');
