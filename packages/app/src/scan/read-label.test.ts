import { readLabel } from './read-label';
import { valve } from '@/testing/samples';

const odd = { ...valve, id: 'a/b c', tag: 'X-1', about: { serial: 'SN 77-4' } };
const valves = [valve, odd];

describe('what a label leads to', () => {
  test.each([
    ['an address of this house', `http://127.0.0.1:8140/valves/${valve.id}`, valve],
    ['one of before it moved', `https://old.house/valves/${valve.id}/`, valve],
    ['an id that is no plain word', 'https://holvek.example/valves/a%2Fb%20c', odd],
    ['a tag, typed small', `  ${valve.tag.toLowerCase()} `, valve],
    ['a serial number', 'sn 77-4', odd],
  ])('%s: its valve', (_, text, wanted) => {
    expect(readLabel(text, valves)).toEqual({ kind: 'valve', valve: wanted });
  });

  test('a label of ours for a valve that is not here says which', () => {
    expect(readLabel('https://holvek.example/valves/prv-99', valves)).toEqual({
      kind: 'not_here',
      id: 'prv-99',
    });
  });

  test.each([
    'https://holvek.example/sheets/prv-07',
    `javascript:/valves/${valve.id}`,
    'WIFI:S:pump hall;',
    'https://holvek.example/valves/%E0%A4%A',
    `/valves/${valve.id}`,
    '',
  ])('“%s” is none of ours, and opens nothing', (text) => {
    expect(readLabel(text, valves)).toEqual({ kind: 'other', text });
  });
});
