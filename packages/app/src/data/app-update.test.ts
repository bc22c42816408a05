import { AppUpdate, type Registration } from './app-update';

const worker = () => {
  const said: unknown[] = [];
  let heard: (() => void) | undefined;
  return {
    said,
    postMessage: (message: unknown) => said.push(message),
    addEventListener: (_: string, listener: () => void) => {
      heard = listener;
    },
    changes: () => heard?.(),
  };
};

function registered(isControlled: boolean) {
  const update = new AppUpdate(() => isControlled);
  const come = worker();
  let found: (() => void) | undefined;
  const registration = {
    waiting: undefined as unknown,
    installing: come as unknown,
    addEventListener: (_: string, listener: () => void) => {
      found = listener;
    },
  };
  update.watch(registration as unknown as Registration);
  const arrive = () => {
    found?.();
    registration.waiting = come;
    come.changes();
  };
  return { update, come, arrive };
}

describe('a newer version of the page', () => {
  test('is told of when it has come, and takes over when it is asked to', () => {
    const { update, come, arrive } = registered(true);
    const told = jest.fn();
    update.subscribe(told);
    expect(update.isWaiting()).toBe(false);
    arrive();
    expect(update.isWaiting()).toBe(true);
    expect(told).toHaveBeenCalledTimes(1);
    expect(come.said).toEqual([]);
    update.take();
    expect(come.said).toEqual([{ type: 'SKIP_WAITING' }]);
  });

  test('the first one has no older page to wait for', () => {
    const { update, arrive } = registered(false);
    arrive();
    expect(update.isWaiting()).toBe(false);
  });
});
