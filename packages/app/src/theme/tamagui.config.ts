import { createAnimations } from '@tamagui/animations-css';
import { shorthands } from '@tamagui/shorthands/v4';
import { createFont, createTamagui, createTokens } from '@/ui/kit';

/** Enamel: white enamel signs in daylight. */
const enamel = {
  background: '#F3F0E8',
  card: '#FFFDF8',
  color: '#17231F',
  muted: '#55625C',
  line: '#D8D2C3',
  verdigris: '#1B6B60',
  verdigrisDeep: '#0E4841',
  onVerdigris: '#FFFFFF',
  lane: '#CDE6DD',
  onLane: '#0E4841',
  brass: '#8A5D0F',
  brassMark: '#A8741A',
  brassSoft: '#F6E7C8',
  onBrassSoft: '#6B470A',
  vermilion: '#B8341E',
  vermilionSoft: '#F8DDD5',
  onVermilionSoft: '#8C2412',
  slate: '#33566B',
  quiet: '#E7E2D5',
};

/** Plant room: a dark pit, eyes kept dark. */
const plantRoom: typeof enamel = {
  background: '#101715',
  card: '#1A2320',
  color: '#EEF3EF',
  muted: '#A3B0AA',
  line: '#33403B',
  verdigris: '#58B8A8',
  verdigrisDeep: '#9ADBCF',
  onVerdigris: '#08231E',
  lane: '#1E453D',
  onLane: '#A9E3D6',
  brass: '#E3B45A',
  brassMark: '#E3B45A',
  brassSoft: '#3A2D14',
  onBrassSoft: '#F0C877',
  vermilion: '#F08A74',
  vermilionSoft: '#45201A',
  onVermilionSoft: '#FFB9A8',
  slate: '#9CC3DB',
  quiet: '#27312D',
};

const steps = { 1: 12, 2: 13, 3: 15, 4: 17, 5: 20, 6: 24, 7: 30, 8: 40, 9: 58, true: 15 };
const lines = { 1: 16, 2: 18, 3: 21, 4: 23, 5: 26, 6: 29, 7: 35, 8: 44, 9: 60, true: 21 };
/** Of the letters that whoever holds the phone has chosen, here or in the browser: 16 of ours are one of theirs. */
const inLetters = <K extends string>(table: Readonly<Record<K, number>>) =>
  Object.fromEntries(
    Object.entries<number>(table).map(([key, px]) => [key, `${px / 16}rem`]),
    // The library writes a text as it stands, and knows numbers alone by type.
  ) as unknown as Readonly<Record<K, number>>;

/** One font a weight: the shipped files are single weights, so nothing is ever faked bold. */
const font = (family: string) =>
  createFont({
    family,
    size: inLetters(steps),
    lineHeight: inLetters(lines),
    weight: { 1: '400', true: '400' },
    letterSpacing: { 1: 0, true: 0 },
  });

const space = { 0: 0, 1: 4, 2: 8, 3: 12, 4: 16, 5: 20, 6: 24, 7: 32, 8: 48, true: 16 };

export const config = createTamagui({
  animations: createAnimations({ quick: 'ease-out 140ms' }),
  shorthands,
  fonts: {
    body: font('AtkinsonHyperlegibleNext_400Regular'),
    strong: font('AtkinsonHyperlegibleNext_700Bold'),
    figures: font('AtkinsonHyperlegibleMono_400Regular'),
    figuresStrong: font('AtkinsonHyperlegibleMono_700Bold'),
  },
  tokens: createTokens({
    space,
    size: {
      ...space,
      touch: 56,
      rail: 76,
      steps: 272,
      margin: 300,
      column: 620,
      columns: 1120,
      pane: 430,
      table: 1600,
    },
    radius: { 0: 0, 1: 6, 2: 10, 3: 14, 4: 18, pill: 999, true: 14 },
    zIndex: { 0: 0, 1: 10, 2: 100 },
    color: {},
  }),
  themes: { light: enamel, dark: plantRoom },
  media: { wide: { minWidth: 1000 }, short: { maxHeight: 500 } },
  settings: {
    defaultFont: 'body',
    addThemeClassName: 'html',
    fastSchemeChange: true,
    shouldAddPrefersColorThemes: false,
    styleCompat: 'web',
    onlyAllowShorthands: false,
  },
});

type Config = typeof config;
declare module '@tamagui/core' {
  // Tamagui reads its tokens and themes from here.
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- the way Tamagui takes a config's type
  interface TamaguiCustomConfig extends Config {}
}
