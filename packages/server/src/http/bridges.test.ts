import { bridgesIn } from './bridges';

test('bridges are named by commas, and only by what may stand in a header', () => {
  expect(bridgesIn()).toEqual([]);
  expect(bridgesIn(' wss://pit.lan:8145, ,ws://10.0.0.7:8145')).toEqual([
    'wss://pit.lan:8145',
    'ws://10.0.0.7:8145',
  ]);
  for (const wrong of ["wss://pit.lan 'unsafe-inline'", 'https://pit.lan', 'wss://a;b', 'wss://'])
    expect(() => bridgesIn(wrong)).toThrow(`BRIDGES: “${wrong}” is no address`);
});
