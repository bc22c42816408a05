import {
  dayAfter,
  defaultPeopleRules,
  makeProblem,
  routesNow,
  weekdayOf,
  type Person,
  type Season,
  type SeasonVisit,
  type Valve,
} from '@holvek/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { changePreferences } from '@/prefs/preferences';
import { valve } from '@/testing/samples';
import { config } from '@/theme/tamagui.config';
import { TamaguiProvider } from '@/ui/kit';
import { today } from '@/ui/local-day';
import { OverCard, QuickerCard } from './day-cards';
import { useDay } from './use-day';
import { usePlan } from './use-plan';
import type { SeasonDesk } from './use-season-desk';

afterEach(cleanup);

const monday = dayAfter(today(), 14 - weekdayOf(today()));
const edda = { id: 'edda', name: 'Edda Lorenz', short: 'edda', role: 'owner' } as Person;
const valves = ['Terrace', 'Spring', 'Race'].map((area, i): Valve => ({
  ...valve,
  id: `v${i}`,
  tag: `PRV-0${i}`,
  place: `${area}, chamber`,
}));
/** Three visits of an hour on one Monday, half an hour from place to place, and so many minutes for them. */
function deskOf(minutes: number, over: Partial<Season> = {}): SeasonDesk {
  const season: Season = {
    id: 'winter',
    name: 'Winter',
    site_id: 'larkhollow',
    from: monday,
    weeks: 1,
    crew: [{ person_id: 'edda', week: [minutes, minutes, 0, 0, 0, 0, 0], away: [], starts: 480 }],
    closed: [],
    rules: [],
    around: 0,
    travel: { usual: 30, table: [] },
    plan: valves.map(({ id }) => ({ valve_id: id, day: monday, person_id: 'edda' })),
    ...over,
  };
  const visits: SeasonVisit[] = valves.map((each) => ({
    valve: each,
    wanted: {
      because: 'interval',
      duty: 'process',
      earliest: monday,
      likely: monday,
      late: dayAfter(monday, 60),
    } as SeasonVisit['wanted'],
    effort: { minutes: 60, spread: 1 } as SeasonVisit['effort'],
  }));
  const made = makeProblem({
    season,
    visits,
    people: [edda],
    peopleRules: defaultPeopleRules,
    systems: [],
    today: today(),
  });
  return {
    season,
    made,
    routes: routesNow(made.problem),
    visits,
    valves: new Map(valves.map((each) => [each.id, each])),
    people: [edda],
    today: today(),
  };
}

/** The cards of a day, and its times as plain text. */
function Day({ desk }: { readonly desk: SeasonDesk }) {
  const mine = useDay(desk, monday, undefined);
  const actions = usePlan(desk);
  const { rest } = mine;
  if (!rest) return null;
  return (
    <>
      <div data-testid="times">{rest.stops.map(({ from, to }) => `${from}-${to}`).join(' ')}</div>
      <div data-testid="said">{actions.said}</div>
      <OverCard desk={desk} own={mine} rest={rest} actions={actions} />
      <QuickerCard desk={desk} own={mine} rest={rest} actions={actions} />
    </>
  );
}
const show = (desk: SeasonDesk) =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <TamaguiProvider config={config} defaultTheme="light">
        <Day desk={desk} />
      </TamaguiProvider>
    </QueryClientProvider>,
  );

describe('a day of the season', () => {
  test('begins when its hand does, and goes on by work and ways', () => {
    show(deskOf(480));
    expect(screen.getByTestId('times').textContent).toBe('510-570 600-660 690-750');
    expect(screen.queryByTestId('day-over')).toBeNull();
    expect(screen.queryByTestId('day-quicker')).toBeNull();
  });

  test('that asks for too much says by how much, and what can wait until when', async () => {
    changePreferences({ role: 'owner', technician: 'Edda Lorenz' });
    show(deskOf(240));
    const card = screen.getByTestId('day-over');
    expect(card.textContent).toMatch(/^1\s?h beyond the day/u);
    expect(card.textContent).toMatch(/PRV-0\d can wait until Tue/u);
    await act(async () => void fireEvent.click(screen.getByTestId('let-wait')));
    expect(screen.getByTestId('said').textContent).toBe('They wait.');
  });

  test('whoever may not plan sees it, and has nothing to press', () => {
    changePreferences({ role: 'viewer' });
    show(deskOf(240));
    expect(screen.getByTestId('day-over').textContent).toContain('can wait');
    expect(screen.queryByTestId('let-wait')).toBeNull();
  });

  test('of which nothing can wait says so', () => {
    const only = valves.map(({ id }) => id);
    show(
      deskOf(240, {
        rules: [
          {
            kind: 'only_between',
            id: 'r',
            why: 'boiler shut',
            valve_ids: only,
            from: monday,
            to: monday,
          },
        ],
      }),
    );
    expect(screen.getByTestId('day-over').textContent).toContain('Nothing of it can wait');
  });

  test('says where another way round is quicker', () => {
    changePreferences({ role: 'owner' });
    const table = [
      { from: 'Terrace', to: 'Race', minutes: 5 },
      { from: '', to: 'Spring', minutes: 5 },
    ];
    show(deskOf(480, { travel: { usual: 60, table } }));
    expect(screen.getByTestId('day-quicker').textContent).toMatch(/saves 1\s?h\s?50/u);
  });
});
