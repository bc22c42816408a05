import {
  brokenBy,
  CHANGE,
  planSeason,
  whereIs,
  type Routes,
  type SeasonProblem,
} from '@holvek/core';
import { madeSeason } from './made-season';

export type LostDayRow = {
  readonly season: string;
  /** Visits that stood on the day that is lost: fewer than these cannot move. */
  readonly 'stood there': number;
  readonly moved: number;
  readonly 'left out': number;
  /** Cost over what is known, before the day was lost and after, moves apart. */
  readonly before: number;
  readonly after: number;
  readonly broken: number;
  readonly seconds: number;
};

type Day = { readonly person: number; readonly day: number };
const shapes = [
  ['full', 1, { people: 2, fill: 0.8 }],
  ['half an hour to spare', 11, { people: 2, fill: 0.8, slack: 30 }],
  ['six hands, 200 visits', 30, { people: 6, fill: 0.26, slack: 30 }],
] as const;

/** A hand is ill for one full day in the third week or later: what is planned again, and what moves for it. */
export const lostDayBench = (isQuick: boolean): readonly LostDayRow[] =>
  shapes.slice(0, isQuick ? 1 : undefined).map(([season, seed, shape]) => {
    const { problem, bound } = madeSeason(seed, shape);
    const rounds = isQuick ? 60 : 4500;
    const { routes, cost } = planSeason(problem, { rounds });
    const lost = {
      person: 0,
      day: routes[0]!.findIndex((route, day) => day > 14 && route.length > 2),
    };
    const again = withoutDay(problem, routes, lost);
    const begun = performance.now();
    const next = planSeason(again, { rounds });
    const seconds = (performance.now() - begun) / 1000;
    const moved = movedIn(routes, next.routes);
    const round = (value: number) => Number(value.toFixed(3));
    return {
      season,
      'stood there': routes[lost.person]![lost.day]!.length,
      moved,
      'left out': problem.blocks.length - whereIs(next.routes).size,
      before: round(cost / bound),
      after: round((next.cost - CHANGE * moved) / bound),
      broken: brokenBy(again, next.routes).length,
      seconds: round(seconds),
    };
  });

/** The season as it stands planned, with a day less. */
function withoutDay(problem: SeasonProblem, routes: Routes, lost: Day): SeasonProblem {
  const places = whereIs(routes);
  return {
    ...problem,
    capacity: problem.capacity.map((days, person) =>
      days.map((minutes, day) => (person === lost.person && day === lost.day ? 0 : minutes)),
    ),
    blocks: problem.blocks.map((block, i) => {
      const place = places.get(i);
      return place
        ? { ...block, now: { person: place.person, day: place.day, turn: place.at } }
        : block;
    }),
  };
}

/** Blocks that stand on another day, or with another hand; or nowhere. */
function movedIn(before: Routes, after: Routes): number {
  const places = whereIs(after);
  return [...whereIs(before)].filter(([block, { person, day }]) => {
    const place = places.get(block);
    return place?.person !== person || place.day !== day;
  }).length;
}
