import { plainShape } from '../step-shape';

export const signShape = plainShape('sign');
