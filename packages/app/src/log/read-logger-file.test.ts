/** @jest-environment node */
import { createHash } from 'node:crypto';
import { readLoggerFile } from './read-logger-file';

const bytes = Buffer.from('\uFEFFt;bar\n0;1\n');
const fileOf = (name: string) => new File([bytes], name);

test('a file of a logger is its words, and the digest of its bytes as they are', async () => {
  const { text, file } = await readLoggerFile(fileOf('ramp.csv'));
  expect(text).toBe('t;bar\n0;1\n');
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  expect(file).toEqual({ name: 'ramp.csv', sha256 });
});

test('a name is kept as far as a record has room for it', async () => {
  const { file } = await readLoggerFile(fileOf('r'.repeat(300)));
  expect(file.name).toBe('r'.repeat(200));
});
