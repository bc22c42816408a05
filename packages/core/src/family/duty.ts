import type { AnyPlate, Duty } from '../valve';
import { definitionOf } from './list';

/** What a valve is there for: as its owner says, else for fire where it has an approval, else as its family is. */
export const dutyOf = ({
  duty,
  plate,
}: {
  readonly duty?: Duty | undefined;
  readonly plate: Pick<AnyPlate, 'family' | 'approval'>;
}): Duty =>
  duty ?? (plate.approval ? 'fire' : (definitionOf(plate.family).facts.duty ?? 'process'));
