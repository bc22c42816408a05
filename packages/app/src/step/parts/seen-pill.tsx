import { Pill } from '@/ui/card';

/** What an eye at the outlet sees of a simulated relief. */
export function SeenPill({ opening }: { readonly opening: number }) {
  const [say, tone] =
    opening > 0.5
      ? (['runs full', 'work'] as const)
      : opening > 0.02
        ? (['it dribbles', 'work'] as const)
        : opening > 0.004
          ? (['weeping', 'quiet'] as const)
          : (['tight', 'good'] as const);
  return <Pill tone={tone}>{`at the outlet: ${say}`}</Pill>;
}
