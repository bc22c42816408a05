import { useTheme } from './kit';

const names = [
  'background',
  'card',
  'color',
  'muted',
  'line',
  'verdigris',
  'verdigrisDeep',
  'onVerdigris',
  'lane',
  'onLane',
  'brass',
  'brassMark',
  'brassSoft',
  'onBrassSoft',
  'vermilion',
  'vermilionSoft',
  'onVermilionSoft',
  'slate',
  'quiet',
] as const;
export type InkName = (typeof names)[number];
export type Ink = Readonly<Record<InkName, string>>;

/** Theme colours as plain values, for drawings. */
export function useInk(): Ink {
  const theme = useTheme() as unknown as Record<InkName, { val: string }>;
  return Object.fromEntries(names.map((name) => [name, theme[name].val])) as Ink;
}
