import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

/** Rooms of the app: each knows only itself and what stands before it. Pages (`app/`) come after all of them. */
const rooms = [
  // What anything may use: the kit of parts, choices of this phone, what is kept, units, words.
  'ui',
  'theme',
  'prefs',
  'data',
  'units',
  'words',
  // Around a page, and who is here.
  'shell',
  'people',
  // Gauges, twins and devices by line, and the desk that a run is worked at.
  'gauge-link',
  'twin',
  'device',
  'desk',
  'hands',
  'log',
  // One thing each, shown.
  'family',
  'files',
  'gauge',
  'place',
  'photo',
  'report',
  'sheet',
  'client',
  'countersign',
  'notice',
  'repair',
  'bench',
  // What is made of them.
  'valve',
  'register',
  'step',
  'run',
  'round',
  'ladder',
  'practice',
  'how',
  'house',
  'scan',
  'settings',
  'bag',
  'season',
];

/** Files of a room that go to the phone. */
const sources = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /(?<!\.test)\.tsx?$/u.test(name))
    .map((name) => join(folder, name));

/** The room that an import leads to; undefined where it leaves the app. */
function roomOf(file: string, spec: string): string | undefined {
  if (!/^(@\/|\.)/u.test(spec)) return undefined;
  const path = spec.startsWith('@/')
    ? spec.slice(2)
    : relative(__dirname, join(dirname(file), spec));
  return path.split('/')[0];
}

describe('rooms of the app', () => {
  test('each imports only itself and what stands before it', () => {
    const wrong = rooms.flatMap((room, place) =>
      sources(join(__dirname, room)).flatMap((file) =>
        [...readFileSync(file, 'utf8').matchAll(/(?:from|import\(|URL\()\s*'([^']*)'/gu)]
          .map(([, spec]) => roomOf(file, spec!))
          .filter((other) => other !== undefined)
          .filter((other) => rooms.indexOf(other) > place || !rooms.includes(other))
          .map((other) => `${file.slice(__dirname.length)} imports ${other}`),
      ),
    );
    expect(wrong).toEqual([]);
  });

  test('every folder is a room', () => {
    const folders = readdirSync(__dirname, { withFileTypes: true })
      .filter((entry) => entry.isDirectory() && entry.name !== 'testing')
      .map(({ name }) => name);
    expect(folders.sort()).toEqual([...rooms].sort());
  });
});
