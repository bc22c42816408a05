import { plainShape } from '../step-shape';

export const cautionShape = plainShape('caution');
