import { noticeWords, untilOf } from './notice-words';

const at = (day: number, hours: number, minutes = 0) =>
  new Date(2026, 10, day, hours, minutes).getTime();
const now = at(27, 13, 20);

describe('until when a word holds', () => {
  test.each([
    ['15', at(27, 15)],
    ['15:30', at(27, 15, 30)],
    ['15.30', at(27, 15, 30)],
    ['9', at(28, 9)],
    ['13:20', at(28, 13, 20)],
    ['', undefined],
    ['24', 'unclear'],
    ['12:60', 'unclear'],
    ['three', 'unclear'],
  ])('%s', (text, wanted) => {
    expect(untilOf(text, now)).toBe(wanted);
  });
});

test('who left it, when, and until when', () => {
  const notice = { id: 'n', valve_id: 'v', text: 'Guns off', by: 'Ines', at_ms: at(27, 9, 5) };
  const plainly = (say: string) => say.replace(/\u00a0/gu, ' ');
  expect(plainly(noticeWords({ ...notice, until_ms: at(27, 15) }, now))).toBe(
    'Ines, 09:05, until 15:00',
  );
  expect(plainly(noticeWords(notice, at(28, 8)))).toBe('Ines, 27 Nov, 09:05');
});
