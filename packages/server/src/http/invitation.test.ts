import { invitation, reachableName } from './invitation';

test('a phone is invited by an address that it can reach, in words and as a code', async () => {
  const names = ['localhost', '127.0.0.1', '[::1]', '192.168.7.4', 'hall', 'hall.local'];
  expect(reachableName(names)).toBe('192.168.7.4');
  expect(reachableName(['localhost', '127.0.0.1', '[::1]', 'hall'])).toBe('hall');
  expect(reachableName(['localhost', '127.0.0.1', '[::1]'])).toBeUndefined();
  const text = await invitation(names, '8140');
  expect(text).toContain('https://192.168.7.4:8140/authority.crt');
  expect(text.split('\n').length).toBeGreaterThan(12);
  const other = await invitation(['10.0.0.9'], '8140');
  expect(other.split('\n').slice(2)).not.toEqual(text.split('\n').slice(2));
});

test('without one, the words alone say what to put in', async () => {
  const text = await invitation(['localhost'], '8140');
  expect(text).toContain('https://<address>:8140/authority.crt');
  expect(text.split('\n')).toHaveLength(2);
});
