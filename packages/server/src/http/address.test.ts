import { Hono } from 'hono';
import { addressOf, clientAddress, knowAddress } from './address';

const trusted = new Set(['127.0.0.1', '10.0.0.2']);

describe('who asks', () => {
  test.each<[string, string, string | undefined, string]>([
    ['nobody stands between', '203.0.113.5', undefined, '203.0.113.5'],
    ['whoever is no proxy of ours says so of himself', '203.0.113.5', '9.9.9.9', '203.0.113.5'],
    ['one proxy', '127.0.0.1', '203.0.113.5', '203.0.113.5'],
    ['two, one behind the other', '127.0.0.1', '203.0.113.5, 10.0.0.2', '203.0.113.5'],
    [
      'what stands before who asks is his own word',
      '127.0.0.1',
      '9.9.9.9, 203.0.113.5',
      '203.0.113.5',
    ],
    ['a proxy that says nothing', '127.0.0.1', undefined, '127.0.0.1'],
    ['a proxy that says nonsense', '127.0.0.1', 'unknown', '127.0.0.1'],
    ['dressed as IPv6', '::ffff:127.0.0.1', '::ffff:203.0.113.5', '203.0.113.5'],
    ['proxies only', '127.0.0.1', '10.0.0.2', '10.0.0.2'],
  ])('%s', (_, remote, forwarded, wanted) => {
    expect(clientAddress(remote, forwarded, trusted)).toBe(wanted);
  });

  test('is one for all where there is no connection, and what they say is not believed', async () => {
    const app = new Hono().use(knowAddress(['127.0.0.1'])).get('/', (c) => c.text(addressOf(c)));
    const answer = await app.request('/', { headers: { 'x-forwarded-for': '9.9.9.9' } });
    expect(await answer.text()).toBe('unknown');
  });
});
