import { Hono } from 'hono';
import { pace } from './pace';

test('one address is answered as often as is agreed, and then told to come back', async () => {
  const app = new Hono().use(pace(3)).get('/', (c) => c.text('here'));
  const answers = [];
  for (let i = 0; i < 5; i++) answers.push(await app.request('/'));
  expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 429, 429]);
  expect(answers[3]!.headers.get('retry-after')).toMatch(/^\d+$/u);
  expect(await answers[3]!.json()).toMatchObject({ error: { code: 'request.too_often' } });
});
