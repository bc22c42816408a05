import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

const layers = [
  'result',
  'digest',
  'people',
  'quantity',
  'numerics',
  'valve',
  'gauge',
  'ladder',
  'coach',
  'prove',
  'tune',
  'device',
  'plant',
  'cutaway',
  'step',
  'family',
  'run',
  'sheet',
  'evidence',
  'report',
  'twin',
  'exchange',
  'register',
  'season',
];

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? sources(join(folder, entry.name))
      : entry.name.endsWith('.ts') && !entry.name.endsWith('.test.ts')
        ? [join(folder, entry.name)]
        : [],
  );

describe('layers of the core', () => {
  test('each imports only itself and what stands to its left', () => {
    const wrong = layers.flatMap((layer, place) =>
      sources(join(__dirname, layer)).flatMap((file) =>
        [...readFileSync(file, 'utf8').matchAll(/from '(\.[^']*)'/gu)]
          .map(([, path]) => relative(__dirname, join(dirname(file), path!)).split('/')[0]!)
          .filter((other) => layers.indexOf(other) > place || !layers.includes(other))
          .map((other) => `${file.slice(__dirname.length)} imports ${other}`),
      ),
    );
    expect(wrong).toEqual([]);
  });

  test('no layer reads a clock or chance of its own, or touches the machine', () => {
    const wrong = layers.flatMap((layer) =>
      sources(join(__dirname, layer)).filter((file) =>
        /Date\.now|new Date\(\)|Math\.random|from 'node:|process\.|window\.|document\./u.test(
          readFileSync(file, 'utf8'),
        ),
      ),
    );
    expect(wrong).toEqual([]);
  });

  test('every folder is a layer', () => {
    const folders = readdirSync(__dirname, { withFileTypes: true }).filter(
      (entry) => entry.isDirectory() && entry.name !== 'testing',
    );
    expect(folders.map(({ name }) => name).sort()).toEqual([...layers].sort());
  });
});
