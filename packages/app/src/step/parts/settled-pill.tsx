import type { Settling } from '@holvek/core';
import { Pill } from '@/ui/card';

/** Whether the linked gauge has come to rest, in words. */
export function SettledPill({ state }: { readonly state: Settling | undefined }) {
  if (!state) return null;
  switch (state.state) {
    case 'settled':
      return <Pill tone="good">{`settled ${Math.round(state.steadyFor)} s`}</Pill>;
    case 'settling':
      return <Pill tone="work">{`settling, about ${Math.ceil(state.wait)} s`}</Pill>;
    case 'hunting':
      return <Pill tone="stop">hunting</Pill>;
    case 'creeping':
      return <Pill tone="stop">{state.rate > 0 ? 'creeping up' : 'creeping down'}</Pill>;
    case 'too_few':
      return <Pill>watching</Pill>;
  }
}
