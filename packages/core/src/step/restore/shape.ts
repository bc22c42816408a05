import { plainShape } from '../step-shape';

export const restoreShape = plainShape('restore');
