import type { Settling } from '@holvek/core';
import { Pill } from '@/ui/card';
import { SaidOnce } from '@/ui/said-once';

/** Whether the linked gauge has come to rest, in words; coming to rest is spoken too, without its seconds. */
export const SettledPill = ({ state }: { readonly state: Settling | undefined }) => (
  <>
    <SaidOnce>{state ? spoken[state.state] : ''}</SaidOnce>
    {state ? <StatePill state={state} /> : null}
  </>
);

const spoken: Readonly<Record<Settling['state'], string>> = {
  settled: 'it rests',
  settling: '',
  hunting: 'it hunts',
  creeping: 'it creeps',
  too_few: '',
};

function StatePill({ state }: { readonly state: Settling }) {
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
