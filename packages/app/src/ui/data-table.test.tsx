import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { DataTable } from './data-table';
import { Choice } from './field';
import { TamaguiProvider } from './kit';
import type { TableColumn } from './table-column';
import { config } from '@/theme/tamagui.config';

type Line = { readonly tag: string; readonly due: number | undefined };
const lines: readonly Line[] = [
  { tag: 'V-10', due: 5 },
  { tag: 'V-9', due: undefined },
  { tag: 'V-2', due: 30 },
];
const columns: readonly TableColumn<Line>[] = [
  { id: 'tag', head: 'Tag', width: 80, text: ({ tag }) => tag },
  {
    id: 'due',
    head: 'Due',
    width: 80,
    text: ({ due }) => String(due ?? '–'),
    sortBy: ({ due }) => due ?? Infinity,
  },
  { id: 'more', head: 'More', width: 80, isExtra: true, text: ({ tag }) => `more of ${tag}` },
];

function Table({
  onOpen,
  rows = lines,
}: {
  onOpen: (tag: string) => void;
  rows?: readonly Line[];
}) {
  const [selected, setSelected] = useState<string>();
  return (
    <TamaguiProvider config={config} defaultTheme="light">
      <DataTable
        label="Lines"
        rows={rows}
        columns={columns}
        keyOf={({ tag }) => tag}
        selected={selected}
        onSelect={({ tag }) => setSelected(tag)}
        onOpen={({ tag }) => onOpen(tag)}
        sort={{ id: 'tag', desc: false }}
        empty={<span>nothing here</span>}
      />
    </TamaguiProvider>
  );
}

const bodyRows = () => screen.getAllByRole('row').slice(1);
const firstCells = () => bodyRows().map((row) => within(row).getAllByRole('cell')[0]!.textContent);
const press = (element: HTMLElement) => act(async () => void fireEvent.click(element));
const key = (name: string) =>
  act(async () => void fireEvent.keyDown(screen.getAllByRole('rowgroup')[1]!, { key: name }));
const selected = () =>
  bodyRows().find((row) => row.getAttribute('aria-selected') === 'true')?.textContent;
afterEach(cleanup);

/** A page without a layout has no height: only rows in sight are drawn, so it is given one. */
beforeAll(() => {
  for (const side of ['clientHeight', 'clientWidth'] as const)
    Object.defineProperty(Element.prototype, side, { configurable: true, value: 600 });
});

describe('a table of rows', () => {
  let opened: string[];
  beforeEach(() => {
    opened = [];
    render(<Table onOpen={(tag) => opened.push(tag)} />);
  });

  test('counts as people count, and turns about when its head is pressed again', async () => {
    expect(firstCells()).toEqual(['V-2', 'V-9', 'V-10']);
    await press(screen.getByRole('button', { name: 'Tag' }));
    expect(firstCells()).toEqual(['V-10', 'V-9', 'V-2']);
    const head = screen.getAllByRole('columnheader')[0]!;
    expect(head.getAttribute('aria-sort')).toBe('descending');
  });

  test('is sorted by what stands behind the words; what has no date comes last', async () => {
    await press(screen.getByRole('button', { name: 'Due' }));
    expect(firstCells()).toEqual(['V-10', 'V-2', 'V-9']);
  });

  test('is walked by keys, no further than its ends, and Enter opens', async () => {
    await key('ArrowDown');
    expect(selected()).toContain('V-2');
    await key('ArrowUp');
    expect(selected()).toContain('V-2');
    await key('End');
    await key('ArrowDown');
    expect(selected()).toContain('V-10');
    await key('Enter');
    expect(opened).toEqual(['V-10']);
    await key('Home');
    expect(selected()).toContain('V-2');
  });

  test('is one stop for the tab key', async () => {
    const stops = () => bodyRows().filter(({ tabIndex }) => tabIndex === 0);
    expect(stops()).toHaveLength(1);
    await press(bodyRows()[1]!);
    expect(stops().map(({ textContent }) => textContent)).toEqual([selected()]);
  });

  test('a first press selects, a second opens', async () => {
    await press(bodyRows()[1]!);
    expect(opened).toEqual([]);
    await press(bodyRows()[1]!);
    expect(opened).toEqual(['V-9']);
  });

  test('shows a column more when asked, and hides one', async () => {
    expect(screen.queryByText('more of V-2')).toBeNull();
    await press(screen.getByRole('button', { name: 'columns' }));
    await press(screen.getByRole('checkbox', { name: 'Column More' }));
    expect(screen.getByText('more of V-2')).toBeTruthy();
    await press(screen.getByRole('checkbox', { name: 'Column Due' }));
    expect(screen.queryByRole('columnheader', { name: 'Due' })).toBeNull();
  });
});

test('a table without rows says so', () => {
  render(<Table onOpen={() => undefined} rows={[]} />);
  expect(screen.getByText('nothing here')).toBeTruthy();
});

test('one of a few is chosen by the arrow keys, round and round, and is one stop', async () => {
  const options = ['kPa', 'bar', 'psi'].map((value) => ({ value, say: value }));
  function Units() {
    const [value, setValue] = useState('kPa');
    return <Choice label="Unit" value={value} options={options} onChange={setValue} />;
  }
  render(
    <TamaguiProvider config={config} defaultTheme="light">
      <Units />
    </TamaguiProvider>,
  );
  const chosen = () => screen.getByRole('radio', { checked: true });
  const arrow = (name: string) =>
    act(async () => void fireEvent.keyDown(chosen(), { key: name, bubbles: true }));
  await arrow('ArrowRight');
  expect(chosen().textContent).toBe('bar');
  expect(document.activeElement).toBe(chosen());
  await arrow('ArrowLeft');
  await arrow('ArrowLeft');
  expect(chosen().textContent).toBe('psi');
  await arrow('ArrowDown');
  expect(chosen().textContent).toBe('kPa');
  expect(screen.getAllByRole('radio').filter(({ tabIndex }) => tabIndex === 0)).toEqual([chosen()]);
});
