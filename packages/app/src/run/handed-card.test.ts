import { waitingHandover } from './handed-card';

const given = { from: 'Edda', to: 'Tomas', atMs: 5, openEnds: ['Inlet shut'] };
const run = { handovers: [{ ...given, to: 'Ines' }, given] };
const over = { type: 'handed_over', author: 'Edda' } as const;
const by = (author: string) => ({ type: 'note', author }) as const;

describe('work that was handed over', () => {
  test('waits for the hand it went to, whoever else enters something', () => {
    expect(waitingHandover({ handovers: [] }, [by('Tomas')])).toBeUndefined();
    expect(waitingHandover(run, [by('Tomas'), over])).toBe(given);
    expect(waitingHandover(run, [over, by('Edda'), by('Ines')])).toBe(given);
    expect(waitingHandover(run, [over, by('Edda'), by('Tomas')])).toBeUndefined();
  });
});
