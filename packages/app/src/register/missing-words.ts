import { factGroups, signalPaths, type ReadDraft, type ValveShape } from '@holvek/core';

/** Fields that are named at once; the others are counted. */
const NAMED = 3;

/** What still keeps a valve from being set, in a line. */
export function missingWords({ valve, issues, plate }: ReadDraft, shape: ValveShape): string {
  if (valve)
    return plate.some(({ stops }) => stops)
      ? 'All is read off, but it contradicts itself: see below the fields.'
      : 'All is read off: it can be set.';
  const labels = new Map(
    factGroups(shape).flatMap(({ facts }) =>
      facts.flatMap(({ path, label, kind }) =>
        kind === 'signal'
          ? Object.values(signalPaths(path)).map((each) => [each, label] as const)
          : [[path, label] as const],
      ),
    ),
  );
  const names = [...new Set(issues.map(({ path }) => labels.get(path) ?? path))];
  const more = names.length - NAMED;
  return `Still wanted: ${names.slice(0, NAMED).join(', ')}${more > 0 ? ` and ${more} more` : ''}.`;
}
