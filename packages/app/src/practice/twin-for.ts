import { caseOf, faultsOf, isInstrument, type TwinSketch, type Valve } from '@holvek/core';

/** What the address of a start asks for. */
export type Asked = {
  readonly id: string;
  readonly practice?: string;
  /** A case: by what it is known, and its fault where it was chosen. */
  readonly case?: string;
  readonly fault?: string;
};

/** The twin that a case makes of the valve, else its own, else one that is always the same. */
export function twinFor(valve: Valve, { case: key, fault }: Partial<Asked>): TwinSketch {
  const chosen = faultsOf(valve).find((each) => each === fault);
  if (key) return caseOf(valve, { key, fault: chosen });
  return (
    valve.twin ?? {
      seed: seedOf(valve.tag),
      faults: [],
      found_pa: isInstrument(valve.plate) ? 25 : valve.target.set_point_pa * 0.9,
    }
  );
}

/** A valve without a described twin gets one of its own, always the same. */
const seedOf = (tag: string): number =>
  [...tag].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 1_000_000, 7);
