import { byDueDate, brokenBy, placeByPlace, planSeason, seasonCost } from '@holvek/core';
import { madeSeason } from './made-season';

export type SeasonRow = {
  readonly season: string;
  readonly visits: number;
  /** Cost over what is known: the bound, or the plan that it was cut from. */
  readonly ours: number;
  readonly 'by due date': number;
  readonly 'place by place': number;
  readonly broken: number;
  readonly seconds: number;
};

const round = (value: number, places = 3): number => Number(value.toFixed(places));

/** As the app plans. */
const ROUNDS = 4500;

function row(
  season: string,
  seed: number,
  shape: Readonly<Record<string, number>>,
  rounds: number,
): SeasonRow {
  const { problem, bound } = madeSeason(seed, shape);
  const begun = performance.now();
  const { routes, cost } = planSeason(problem, { rounds });
  const seconds = (performance.now() - begun) / 1000;
  return {
    season,
    visits: problem.blocks.length,
    ours: round(cost / bound),
    'by due date': round(seasonCost(problem, byDueDate(problem)) / bound, 1),
    'place by place': round(seasonCost(problem, placeByPlace(problem)) / bound, 1),
    broken: brokenBy(problem, routes).length,
    seconds: round(seconds, 1),
  };
}

/**
 * Ten seasons whose optimum is known: five in which every day is full to the minute (the ways are then a
 * bound), five with half an hour to spare a day (the plan that they were cut from is the best known); and
 * one of six hands.
 */
export function seasonBench(isQuick: boolean): readonly SeasonRow[] {
  const rounds = isQuick ? 60 : ROUNDS;
  const count = isQuick ? 1 : 5;
  const seasons = Array.from({ length: count }, (_, i) => i + 1);
  return [
    ...seasons.map((seed) => row(`full ${seed}`, seed, { people: 2, fill: 0.8 }, rounds)),
    ...seasons.map((seed) =>
      row(`half an hour to spare ${seed}`, 10 + seed, { people: 2, fill: 0.8, slack: 30 }, rounds),
    ),
    row('six hands, 200 visits', 30, { people: 6, fill: 0.26, slack: 30 }, rounds),
  ];
}
