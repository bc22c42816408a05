import type { Positions } from '../../plant';
import type { Arrangement } from './plate';

/** One movement of a start-up or shut-down, in its place. */
export type Move = {
  readonly id: string;
  readonly say: string;
  readonly why: string;
  readonly does: Positions;
  /** Why it may not come earlier or later. */
  readonly warns?: string;
};

const SLOWLY = 'Slowly: a fast start slams the parts and hammers the pipe.';

/**
 * Starting a self-operated regulator, from how it is piped: all shut, spring unloaded, then what
 * loads and senses, then the inlet, then the outlet.
 */
export function startUp({ control_line, loading, bypass }: Arrangement): readonly Move[] {
  return [
    {
      id: 'all_shut',
      say: bypass ? 'All block, bleed and by-pass valves shut' : 'All block and bleed valves shut',
      why: 'Everything starts from still.',
      does: {
        inlet_block: 0,
        outlet_block: 0,
        inlet_bleed: 0,
        outlet_bleed: 0,
        by_pass: 0,
        control_line: 0,
        loading: loading === 'spring' ? 1 : 0,
      },
    },
    {
      id: 'unload',
      say: 'Unload the spring: screw out until it is free',
      why: 'It must not open while the line fills.',
      does: { adjuster_main: 'free' },
    },
    ...(loading === 'spring'
      ? []
      : [{ id: 'loading_on', say: 'Loading supply slowly on', why: SLOWLY, does: { loading: 1 } }]),
    ...(control_line
      ? [
          {
            id: 'control_on',
            say: 'Control line slowly open',
            why: 'It must see the pressure before it is asked to hold it.',
            does: { control_line: 1 },
          },
        ]
      : []),
    { id: 'inlet_on', say: 'Inlet block slowly open', why: SLOWLY, does: { inlet_block: 1 } },
    {
      id: 'outlet_on',
      say: 'Outlet block slowly open',
      why: 'Last, so that nothing downstream is hit by a valve that is not yet in control.',
      does: { outlet_block: 1 },
    },
  ];
}

/**
 * Shutting it down, from how it is piped. In reducing service the downstream side is bled first and
 * what is left follows through the open regulator; in back-pressure or relief service the inlet is
 * bled before the outlet. Loading is bled first or last, as configured.
 */
export function shutDown({ service, loading, control_line, bypass }: Arrangement): readonly Move[] {
  const isReducing = service === 'reducing';
  const bleedLoading: Move = {
    id: 'loading_off',
    say: 'Loading supply shut and bled, slowly',
    why:
      loading === 'bled_first'
        ? 'First, as this one is configured.'
        : 'Last: until now it kept the valve as it was.',
    does: { loading: 0 },
  };
  const bleedInlet: Move = {
    id: 'bleed_inlet',
    say: 'Bleed the inlet',
    why: isReducing
      ? 'What could not follow through the regulator.'
      : 'The inlet goes first in this service.',
    does: { inlet_bleed: 1 },
    ...(isReducing ? {} : { warns: 'Inlet before outlet, or the parts see reverse pressure.' }),
  };
  const bleedOutlet: Move = {
    id: 'bleed_outlet',
    say: 'Bleed the downstream side',
    why: isReducing
      ? 'The regulator opens as it falls, and the inlet follows through it.'
      : 'Only now that the inlet is empty.',
    does: { outlet_bleed: 1 },
    ...(isReducing
      ? { warns: 'Downstream before the inlet, or the parts see reverse pressure.' }
      : {}),
  };
  return [
    ...(bypass
      ? [
          {
            id: 'by_pass_shut',
            say: 'By-pass shut',
            why: 'Or the line goes round all that is shut here.',
            does: { by_pass: 0 },
          },
        ]
      : []),
    {
      id: 'inlet_off',
      say: 'Inlet block shut',
      why: 'No more comes in.',
      does: { inlet_block: 0 },
    },
    {
      id: 'outlet_off',
      say: 'Outlet block shut',
      why: 'Nothing comes back.',
      does: { outlet_block: 0 },
    },
    ...(loading === 'bled_first' ? [bleedLoading] : []),
    ...(isReducing ? [bleedOutlet, bleedInlet] : [bleedInlet, bleedOutlet]),
    ...(control_line
      ? [
          {
            id: 'control_off',
            say: 'Control line shut',
            why: 'It is empty too.',
            does: { control_line: 0 },
          },
        ]
      : []),
    ...(loading === 'bled_last' ? [bleedLoading] : []),
  ];
}
