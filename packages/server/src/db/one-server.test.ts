import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { AlreadyServed, holdAlone } from './one-server';

test('a database is served by one process at a time, and by the next when that has ended', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'holvek-'));
  const file = join(folder, 'holvek.sqlite');
  const letGo = await holdAlone(file);
  await expect(holdAlone(file)).rejects.toThrow(AlreadyServed);
  await expect(holdAlone(file)).rejects.toThrow(/already served.*Nothing was changed/u);
  await letGo();
  const again = await holdAlone(file);
  await again();
  rmSync(folder, { recursive: true });
});
