import type { Photo } from '@holvek/core';
import { join } from 'node:path';
import sharp from 'sharp';
import type { Store } from '../db/open';

const DAY = 86_400_000;
const FONT = '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
const fontFile = join('node_modules', FONT, 'AtkinsonHyperlegibleNext_700Bold.ttf');

type Written = {
  readonly words: string;
  readonly height: number;
  readonly left: number;
  readonly top: number;
};

/** Words as they are stamped into metal. */
async function stamped({ words, height, left, top }: Written) {
  const input = await sharp({
    text: {
      text: `<span foreground="#2b3331">${words}</span>`,
      fontfile: fontFile,
      font: 'Atkinson Hyperlegible Next',
      height,
      width: 900,
      rgba: true,
    },
  })
    .png()
    .toBuffer();
  return { input, left, top };
}

const svg = (inside: string) =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="900">${inside}</svg>`);

const metal = `<defs><linearGradient id="m" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#c9cdc6"/>
  <stop offset=".45" stop-color="#e4e6df"/><stop offset="1" stop-color="#a9aea6"/></linearGradient></defs>`;
const screw = (x: number, y: number) =>
  `<circle cx="${x}" cy="${y}" r="26" fill="#8d928b" stroke="#6c716b" stroke-width="4"/>
   <path d="M${x - 18} ${y - 10} L${x + 18} ${y + 10}" stroke="#4e534e" stroke-width="7"/>`;

const plateOf12 = async (): Promise<Buffer> =>
  sharp(
    svg(`${metal}<rect width="1200" height="900" fill="#3f5a4d"/>
      <rect x="110" y="140" width="980" height="620" rx="46" fill="url(#m)" stroke="#7b807a" stroke-width="6"/>
      ${screw(170, 200)}${screw(1030, 200)}${screw(170, 700)}${screw(1030, 700)}
      <path d="M190 400 H1010 M190 520 H1010 M190 640 H1010" stroke="#8b908a" stroke-width="3"/>`),
  )
    .composite(
      await Promise.all(
        [
          { words: 'PRV-12', height: 92, left: 250, top: 190 },
          { words: 'PRESSURE REDUCING', height: 44, left: 250, top: 320 },
          { words: 'DN 80   IN 1600   OUT 1000', height: 42, left: 250, top: 435 },
          { words: 'SPRING 100 – 700 kPa', height: 54, left: 250, top: 555 },
          { words: 'YEAR  2014', height: 48, left: 250, top: 665 },
        ].map(stamped),
      ),
    )
    .jpeg()
    .toBuffer();

const chamberOf12 = (): Promise<Buffer> =>
  sharp(
    svg(`<rect width="1200" height="900" fill="#59625b"/>
      <rect y="640" width="1200" height="260" fill="#3d443f"/>
      <path d="M60 0 V900 M300 0 V640 M540 0 V640 M780 0 V640 M1020 0 V640" stroke="#4d564f" stroke-width="6"/>
      <path d="M0 160 H1200 M0 320 H1200 M0 480 H1200" stroke="#4d564f" stroke-width="6"/>
      <rect y="430" width="1200" height="120" fill="#2f6d8c"/><rect y="446" width="1200" height="22" fill="#4d8cab"/>
      <rect x="220" y="400" width="44" height="180" fill="#24536b"/><rect x="936" y="400" width="44" height="180" fill="#24536b"/>
      <ellipse cx="600" cy="490" rx="190" ry="120" fill="#33423b"/><rect x="500" y="250" width="200" height="170" rx="40" fill="#33423b"/>
      <rect x="470" y="300" width="260" height="40" rx="12" fill="#1f2a25"/><rect x="585" y="170" width="30" height="90" fill="#b8a05a"/>
      <circle cx="340" cy="320" r="66" fill="#e9e6d8" stroke="#1f2a25" stroke-width="10"/>
      <path d="M340 320 L376 282" stroke="#b3392b" stroke-width="8"/>
      <circle cx="860" cy="320" r="66" fill="#e9e6d8" stroke="#1f2a25" stroke-width="10"/>
      <path d="M860 320 L828 290" stroke="#b3392b" stroke-width="8"/>
      <path d="M340 386 V440 M860 386 V440" stroke="#1f2a25" stroke-width="14"/>`),
  )
    .jpeg()
    .toBuffer();

/** Two pictures of PRV-12, drawn: its plate, and the chamber that it stands in. */
export async function seedPhotos(store: Store, now: number): Promise<readonly Photo[]> {
  const keep = async (picture: Buffer) => (await store.pictures.keep(picture)).name;
  const photo = { valve_id: 'prv-12', by: 'Tomas Brandt', taken_at_ms: now - 320 * DAY };
  return [
    { ...photo, id: 'photo-prv-12-plate', shows: 'plate', picture: await keep(await plateOf12()) },
    {
      ...photo,
      id: 'photo-prv-12-place',
      shows: 'place',
      picture: await keep(await chamberOf12()),
      words: 'Ladder behind the second lid; the screw points to the wall',
    },
  ];
}
