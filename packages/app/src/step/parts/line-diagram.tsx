import type { Positions } from '@holvek/core';
import { familyView } from '@/family/views';
import { useDesk } from '@/desk/use-desk';
import { FittingsDiagram } from './fittings-diagram';
import { SchemeDiagram } from './scheme-diagram';

/** The valve on its line: a family’s own where it has one, else its cocks before and after it. */
export function LineDiagram({
  next = {},
  ground = 'card',
}: {
  readonly next?: Positions;
  readonly ground?: 'card' | 'background';
}) {
  const { run } = useDesk();
  const { scheme } = familyView(run.started.plate.family);
  return scheme ? (
    <SchemeDiagram scheme={scheme} next={next} ground={ground} />
  ) : (
    <FittingsDiagram next={next} />
  );
}
