import type {
  LadderError,
  PlanStep,
  Precedence,
  Rule,
  Rung,
  RungKind,
  System,
  SystemIssue,
} from '@holvek/core';
import type { Units } from '@/units/use-units';

export const kindWord: Record<RungKind, string> = {
  load: 'load',
  rating: 'rating',
  pump: 'pump',
  compensator: 'compensator',
  main_relief: 'main relief',
  cross_port: 'cross-port relief',
  relief: 'relief',
  sustaining: 'sustaining',
  reducing: 'reducing',
  switch: 'switch',
};

export const sourceWord: Record<Rule['from'], string> = {
  house_rule: 'house rule',
  plate: 'plate',
  maker: 'maker',
  measured: 'measured',
  own: 'own',
};

/** A rule as a short sum: "at least 15 over Heaviest load". */
export function ruleSum(rule: Rule, rungs: readonly Rung[], units: Units): string {
  const name = (id: string) => rungs.find((rung) => rung.id === id)?.name ?? id;
  const counts =
    'counts_lockup' in rule && rule.counts_lockup
      ? ', lockup counted'
      : 'counts_accumulation' in rule && rule.counts_accumulation
        ? ', accumulation counted'
        : '';
  switch (rule.kind) {
    case 'above_by':
      return rule.by_pa === 0
        ? `${name(rule.high)} above ${name(rule.low)}${counts}`
        : `${name(rule.high)} at least ${units.withUnit(rule.by_pa)} over ${name(rule.low)}${counts}`;
    case 'between':
      return `${name(rule.rung)} ${units.figure(rule.least_pa)} to ${units.withUnit(rule.most_pa)} over ${name(rule.base)}`;
    case 'at_most':
      return `${name(rule.rung)} at most ${units.withUnit(rule.pa)}${counts}`;
    case 'at_least':
      return `${name(rule.rung)} at least ${units.withUnit(rule.pa)}`;
    case 'fixed':
      return `${name(rule.rung)} is ${units.withUnit(rule.pa)}`;
    case 'serves':
      return `${name(rule.rung)} at least ${servedSum(rule, units)}`;
  }
}

/** "325 kPa and 12 m up; its lowest point bears 900 kPa, 30 m down". */
function servedSum({ sum }: Extract<Rule, { kind: 'serves' }>, units: Units): string {
  const { need_pa: need, loss_pa: loss = 0, rise_m: rise = 0 } = sum;
  const { lowest_rating_pa: bears, drop_m: drop = 0 } = sum;
  const column = (metres: number, way: string) => (metres === 0 ? '' : `${metres}\u00A0m ${way}`);
  const up = column(rise, 'up');
  const down = column(drop, 'down');
  const wants = `${units.withUnit(need + loss)}${up && ` and ${up}`}`;
  return bears === undefined
    ? wants
    : `${wants}; its lowest point bears ${units.withUnit(bears)}${down && `, ${down}`}`;
}

/** How one rule of a clash could give way, by how much. */
export function wayOut(rule: Rule, excess: number, units: Units): string {
  const by = units.withUnit(Math.ceil(excess / 100) * 100);
  switch (rule.kind) {
    case 'above_by':
      return `make this margin ${by} smaller`;
    case 'between':
      return `widen this band by ${by}`;
    case 'at_most':
      return `allow ${by} more`;
    case 'at_least':
      return `ask for ${by} less`;
    case 'fixed':
      return `change this figure by ${by}`;
    case 'serves':
      return `ask for ${by} less there, or let its lowest point bear ${by} more`;
  }
}

const issueWords: {
  readonly [C in SystemIssue['code']]: (issue: Extract<SystemIssue, { code: C }>) => string;
} = {
  'ladder.no_source': () =>
    'There is no source: nothing feeds this system. Add a pump or another rung that nothing feeds.',
  'ladder.name_twice': ({ name }) => `Two rungs are called ${name}.`,
  'ladder.id_twice': ({ id }) => `Two rungs have the id ${id}.`,
  'ladder.feeder_unknown': ({ rung, feeder }) => `${rung} is fed by ${feeder}, which is not there.`,
  'ladder.feeding_loop': ({ rungs }) => `These feed one another in a circle: ${rungs.join(', ')}.`,
  'ladder.rung_unknown': ({ rung }) => `A rule names ${rung}, which is not there.`,
  'ladder.rule_of_itself': () => 'A rule compares a rung with itself.',
  'ladder.between_upside_down': () => 'A band stands upside down: least above most.',
};
export const issueWord = (issue: SystemIssue): string =>
  (issueWords[issue.code] as (issue: SystemIssue) => string)(issue);

/** Why a ladder has no answer, except for a clash, which has a card of its own. */
export const ladderTrouble = (error: Exclude<LadderError, { code: 'ladder.clash' }>): string =>
  error.code === 'ladder.unsound'
    ? error.issues.map(issueWord).join(' ')
    : `No rule holds these up: ${error.rungs.join(', ')}. Give each a least pressure, or a rule to another rung.`;

const whyWords: Record<Precedence['why'], (before: string, after: string) => string> = {
  upstream_first: (before, after) =>
    `${before} before ${after}: it feeds it, so its pressure must stand first.`,
  sustaining_first: (before, after) =>
    `${before} before ${after}: sustaining before reducing, or the reducing one starves it.`,
  higher_first: (before, after) =>
    `${before} before ${after}: it is the higher one, and the lower would cap the gauge.`,
};
export const precedenceWord = (
  { before, after, why }: Precedence,
  nameOf: (id: string) => string,
): string => whyWords[why](nameOf(before), nameOf(after));

/** A step of the plan in words. */
export function planWord(step: PlanStep, { rungs }: Pick<System, 'rungs'>, units: Units): string {
  const name = (id: string) => rungs.find((rung) => rung.id === id)?.name ?? id;
  switch (step.kind) {
    case 'park':
      return `Park ${name(step.rung)} ${step.to === 'high' ? 'fully up' : 'low'}`;
    case 'shift':
      return step.position === 'centred'
        ? 'Centre the directional valve'
        : `Shift to ${step.position}`;
    case 'set':
      return `${name(step.rung)} ${step.approach === 'from_below' ? 'up' : 'down'} to ${units.withUnit(step.pa)}${
        step.hiddenBy === undefined
          ? ''
          : `. The gauge cannot show it: ${name(step.hiddenBy)} rules there. Take that out of the way first, or set this one alone`
      }`;
  }
}

/** What the gauges should read after a step. */
export const readingsWord = (
  step: PlanStep,
  { rungs }: Pick<System, 'rungs'>,
  units: Units,
): string => {
  const name = (id: string) => rungs.find((rung) => rung.id === id)?.name ?? id;
  return step.readings
    .map(
      ({ at, pa, ruledBy }) =>
        `${name(at)} gauge ${units.figure(pa)}${ruledBy === at ? '' : `, ruled by ${name(ruledBy)}`}`,
    )
    .join(' · ');
};
