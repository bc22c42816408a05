import { defaultHouseRules } from '@holvek/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import { UnitsOfValve } from './units-of-valve';
import { useUnits } from './use-units';
import { valve } from '@/testing/samples';

const Figure = () => <p>{useUnits().withUnit(2100)}</p>;

const shown = (own: Partial<typeof valve>) => {
  const client = new QueryClient({ defaultOptions: { queries: { enabled: false } } });
  client.setQueryData(['house-rules'], {
    ...defaultHouseRules,
    units_by_family: { [valve.plate.family]: 'mbar' },
  });
  render(
    <QueryClientProvider client={client}>
      <UnitsOfValve valve={{ ...valve, ...own }}>
        <Figure />
      </UnitsOfValve>
      <Figure />
    </QueryClientProvider>,
  );
  return screen.getAllByText(/2/u).map(({ textContent }) => textContent.replace('\u00a0', ' '));
};

describe('what is shown within a valve', () => {
  test('stands in the unit of its kind, and outside of it in the phone’s', () => {
    expect(shown({})).toEqual(['21 mbar', '2.1 kPa']);
  });

  test('stands in its own before that of its kind', () => {
    expect(shown({ unit: 'bar' })).toEqual(['0.021 bar', '2.1 kPa']);
  });
});
