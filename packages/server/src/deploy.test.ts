import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = process.cwd().replace(/packages\/server$/u, '');
const read = (name: string) => readFileSync(join(root, name), 'utf8');
const main = read('packages/server/src/main.ts');
const start = read('scripts/start.mjs');

/** What the server asks its environment for. */
const isKnown = (name: string): boolean =>
  new RegExp(`\\b${name}\\b`, 'u').test(main) || start.includes(`env.${name}`);

/** Every test that is named in the repository. */
function testsOf(folder: string): string {
  return readdirSync(join(root, folder), { recursive: true, withFileTypes: true })
    .filter((each) => each.isFile() && /\.test\.tsx?$/u.test(each.name))
    .map((each) => readFileSync(join(each.parentPath, each.name), 'utf8'))
    .join('\n');
}

describe('what is written for whoever runs a house', () => {
  test('each test that keeps the record safe is there, by its name', () => {
    const table = read('docs/security.md').split('## Not met')[0]!;
    const named = [...table.matchAll(/“([^”]+)”/gu)].map(([, name]) => name!);
    const there = ['core', 'server', 'app']
      .map((name) => testsOf(`packages/${name}/src`))
      .join('\n');
    expect(named.length).toBeGreaterThan(30);
    expect(named.filter((name) => !there.includes(`'${name}'`))).toEqual([]);
  });

  test('every setting of the page is one that the server reads', () => {
    const [, table = ''] = /## What it is told\n\n([\s\S]*?)\n\n## /u.exec(
      read('docs/running.md'),
    )!;
    const rows = table.split('\n').slice(2);
    const names = rows.flatMap((row) =>
      [...row.split('|')[1]!.matchAll(/`([A-Z_]+)`/gu)].map(([, name]) => name!),
    );
    expect(names.length).toBeGreaterThan(10);
    expect(names.filter((name) => !isKnown(name))).toEqual([]);
  });

  test('the unit sets what the server reads, starts what there is, and writes only where it says', () => {
    const unit = read('deploy/holvek.service');
    const values = (key: string) =>
      [...unit.matchAll(new RegExp(`^#?${key}=(.*)$`, 'gmu'))].map(([, v]) => v!);
    for (const setting of values('Environment'))
      expect([setting, isKnown(setting.split('=')[0]!)]).toEqual([setting, true]);
    expect(values('ExecStart')).toEqual(['/usr/bin/node dist/server.mjs']);
    expect(JSON.parse(read('package.json'))).toMatchObject({
      scripts: { build: 'node scripts/build.mjs' },
    });
    const data = values('Environment')
      .find((each) => each.startsWith('DATA='))!
      .slice(5);
    const writable = values('ReadWritePaths')[0]!.split(' ');
    expect(writable.some((path) => data.startsWith(`${path}/`))).toBe(true);
    // What it runs is not what it may change.
    expect(writable).not.toContain(values('WorkingDirectory')[0]);
    expect(values('StateDirectoryMode')).toEqual(['0700']);
  });

  test('the container serves what the build makes, as nobody special', () => {
    const container = read('deploy/Containerfile');
    const settings = [...container.matchAll(/\b([A-Z_]+)=\S/gu)].map(([, name]) => name!);
    expect(settings.filter((name) => name !== 'NODE_ENV' && !isKnown(name))).toEqual([]);
    expect(container).toContain('CMD ["node", "dist/server.mjs"]');
    expect(read('scripts/lib.mjs')).toMatch(
      /server: join\(root, 'packages\/server\/src\/main\.ts'\)/u,
    );
    expect(container).toMatch(/^USER node$/mu);
    expect(existsSync(join(root, 'scripts/lib.mjs'))).toBe(true);
  });
});
