/** How labels lie on their paper, mm. */
export type Layout = {
  readonly say: string;
  /** mm; a sheet of A4 unless `page` says otherwise. */
  readonly page?: readonly [number, number];
  readonly columns: number;
  readonly rows: number;
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly top: number;
  /** Between columns. */
  readonly gap: number;
};
export const labelLayouts = {
  small: {
    say: '63 × 34 mm, 24 on a sheet',
    columns: 3,
    rows: 8,
    width: 63.5,
    height: 33.9,
    left: 7.2,
    top: 12.9,
    gap: 2.5,
  },
  large: {
    say: '99 × 57 mm, 10 on a sheet',
    columns: 2,
    rows: 5,
    width: 99,
    height: 57,
    left: 4.7,
    top: 6,
    gap: 2.5,
  },
  tape: {
    say: '62 × 29 mm, one after another',
    page: [62, 29],
    columns: 1,
    rows: 1,
    width: 62,
    height: 29,
    left: 0,
    top: 0,
    gap: 0,
  },
} as const satisfies Record<string, Layout>;
export type LabelLayout = keyof typeof labelLayouts;
