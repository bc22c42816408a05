import { keepReach, keptReach } from './kept-format';
import { MissingGauge } from './open-source';
import { reached, refusedWords } from './reach';

const radio = { service: 'service', hears: 'hears' };
const whyOf = (...asked: Parameters<typeof reached>) => {
  const way = reached(...asked);
  return 'why' in way ? way.why : 'open';
};
const offer = (name: 'serial' | 'bluetooth') =>
  Object.defineProperty(navigator, name, { value: {}, configurable: true });
afterEach(() => {
  Reflect.deleteProperty(navigator, 'serial');
  Reflect.deleteProperty(navigator, 'bluetooth');
  localStorage.clear();
});

test('a cable wants a browser that opens ports', () => {
  const reach = { by: 'cable', address: '' } as const;
  expect(whyOf(reach, undefined, true)).toMatch(/Take a bridge, or read the gauge by eye/u);
  offer('serial');
  expect(whyOf(reach, undefined, true)).toBe('open');
});

test('no cable wants a radio here and a service of the house', () => {
  const reach = { by: 'radio', address: '' } as const;
  expect(whyOf(reach, radio, true)).toMatch(/links no gauge by Bluetooth/u);
  offer('bluetooth');
  expect(whyOf(reach, undefined, true)).toMatch(/The owner has set no service/u);
  expect(whyOf(reach, radio, true)).toBe('open');
});

test('a bridge wants an address that this page may reach; none yet is no fault', () => {
  const at = (address: string) => ({ by: 'bridge', address }) as const;
  expect(whyOf(at(' '), undefined, true)).toBeUndefined();
  expect(whyOf(at('a b'), undefined, true)).toMatch(/no address of a bridge/u);
  expect(whyOf(at('pit.lan:8145'), undefined, true)).toMatch(/only a bridge with wss:\/\//u);
  expect(whyOf(at('pit.lan:8145'), undefined, false)).toBe('open');
});

test('what the bridge says is said; where nothing was, what to look at', () => {
  const silent = new MissingGauge('');
  expect(refusedWords('bridge', new MissingGauge('one has gone'))).toBe(
    'The bridge says: one has gone.',
  );
  expect(refusedWords('bridge', silent)).toMatch(/No bridge answers there/u);
  expect(refusedWords('radio', silent)).toMatch(/switched on, near/u);
  expect(refusedWords('cable', new Error('in use'))).toMatch(/is another program using it/u);
});

test('how a gauge was reached is kept for it; what cannot be read counts as none', () => {
  expect(keptReach('g1', 'cable')).toEqual({ by: 'cable', address: '' });
  keepReach('g1', { by: 'bridge', address: 'localhost:8145' });
  expect(keptReach('g1', 'cable')).toEqual({ by: 'bridge', address: 'localhost:8145' });
  expect(keptReach('g2', 'bridge')).toEqual({ by: 'bridge', address: '' });
  for (const key of Object.keys(localStorage)) localStorage.setItem(key, '{"by":"smoke"}');
  expect(keptReach('g1', 'cable')).toEqual({ by: 'cable', address: '' });
});
