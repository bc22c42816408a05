import { plainShape } from '../step-shape';

export const actShape = plainShape('act');
