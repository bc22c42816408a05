import { launchedFile, listenForLaunches } from './launched-file';

const file = new File(['{}'], 'record.json');

test('a file that the app is opened with waits until it is looked at', async () => {
  let bring: (params: object) => void = () => undefined;
  listenForLaunches({ launchQueue: { setConsumer: (take: typeof bring) => (bring = take) } });
  let told = 0;
  const leave = launchedFile.subscribe(() => (told += 1));
  bring({ files: [{ getFile: async () => file }] });
  await Promise.resolve();
  expect(launchedFile.snapshot()).toBe(file);
  launchedFile.taken();
  expect(launchedFile.snapshot()).toBeUndefined();
  expect(told).toBe(2);
  leave();
  bring({ files: [] });
  bring({});
  expect(launchedFile.snapshot()).toBeUndefined();
  expect(told).toBe(2);
});

test('a browser without such a queue is no trouble', () => {
  expect(() => listenForLaunches({})).not.toThrow();
});
