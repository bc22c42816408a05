/** What a line may carry; in that of a steam gauge stands water that has condensed. */
export const lineFluids = ['water', 'air', 'gas', 'steam', 'oil'] as const;
export type LineFluid = (typeof lineFluids)[number];

type Behaves = {
  /** What stands between tapping and gauge, kg/m³; 0 where it weighs nothing. */
  readonly density: number;
  /** Judged by the rules of gas where it rises with nothing flowing. */
  readonly isGas: boolean;
};

export const fluids: Readonly<Record<LineFluid, Behaves>> = {
  water: { density: 998.2, isGas: false },
  air: { density: 0, isGas: true },
  gas: { density: 0, isGas: true },
  steam: { density: 998.2, isGas: false },
  oil: { density: 870, isGas: false },
};
