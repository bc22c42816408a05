import { api, Refusal, Unreachable } from './api';

const answering = (status: number, text: string) => {
  global.fetch = jest.fn(async () => ({
    ok: status < 400,
    status,
    text: async () => text,
    blob: async () => new Blob([text]),
  })) as never;
};
const failure = (asked: Promise<unknown>): Promise<unknown> =>
  asked.then(
    () => undefined,
    (error: unknown) => error,
  );

describe('what the server answers', () => {
  test('is read by its schema', async () => {
    answering(200, JSON.stringify({ entries: 7 }));
    expect(await api.runSize('run-1')).toMatchObject({ entries: 7 });
  });

  test('a no is a refusal, with its status, its code and what it told', async () => {
    const error = { code: 'document.changed', message: 'changed', detail: { id: 'g' } };
    answering(412, JSON.stringify({ error }));
    const refused = await failure(api.runSize('run-1'));
    expect(refused).toBeInstanceOf(Refusal);
    expect(refused).toMatchObject({ status: 412, code: 'document.changed', detail: { id: 'g' } });
  });

  test.each([
    [502, '<html>Bad gateway</html>'],
    [404, 'not ours'],
  ])('an answer of %i in another tongue is no no: it is tried again', async (status, text) => {
    answering(status, text);
    expect(await failure(api.runSize('run-1'))).toBeInstanceOf(Unreachable);
  });

  test('no network is not the server’s no', async () => {
    global.fetch = jest.fn(() => Promise.reject(new TypeError('failed to fetch'))) as never;
    const failed = await failure(api.runSize('run-1'));
    expect(failed).toBeInstanceOf(Unreachable);
    expect(failed).not.toBeInstanceOf(Refusal);
  });

  test('an answer that is not what it should be is a bug, and not called no network', async () => {
    answering(200, JSON.stringify({ entries: 'seven' }));
    const failed = await failure(api.runSize('run-1'));
    expect(failed).not.toBeInstanceOf(Unreachable);
    expect(failed).toBeInstanceOf(Error);
  });
});
