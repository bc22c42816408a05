import type { Plate, Positions } from '@holvek/core';
import { schemeFor } from '@/family/scheme';
import { familyView } from '@/family/views';
import { useDesk } from '@/desk/use-desk';
import { SchemeDiagram } from './scheme-diagram';

/** The valve on its line, with what this plate has of it. */
export function LineDiagram({
  next = {},
  ground = 'card',
}: {
  readonly next?: Positions;
  readonly ground?: 'card' | 'background';
}) {
  const { run } = useDesk();
  return <SchemeDiagram scheme={lineOf(run.started.plate)} next={next} ground={ground} />;
}

/** A family’s line as a plate has it. */
export function lineOf(plate: Plate) {
  const { scheme, lacks } = familyView(plate.family);
  const missing = new Set(lacks?.(plate) ?? []);
  const adjusters = new Set(Object.keys(plate.others ?? {}));
  const isOther = (key: string) =>
    scheme.parts.some(({ adjuster }) => adjuster === key) && key !== 'main';
  return schemeFor(scheme, (key) => missing.has(key) || (isOther(key) && !adjusters.has(key)));
}
