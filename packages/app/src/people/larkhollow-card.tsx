import { useMutation } from '@tanstack/react-query';
import { Refused } from './refused';
import { useSession } from './session';
import { api } from '@/data/api';
import { Card } from '@/ui/card';
import { BigButton, WordButton } from '@/ui/press';
import { Heading, Muted } from '@/ui/words';

/** The same machine at another port. */
const addressAt = (port: number): string => {
  const { protocol, hostname } = window.location;
  return `${protocol}//${hostname}:${port}/`;
};

/** A way to look round first, where the house offers one: nothing of it is ever found here. */
export function LarkhollowCard() {
  const session = useSession().data;
  const open = useMutation({
    mutationFn: api.larkhollow,
    onSuccess: ({ port }) => window.location.assign(addressAt(port)),
  });
  if (!session?.has_larkhollow) return null;
  return (
    <Card testID="larkhollow">
      <Heading>Look round first</Heading>
      <Muted>
        Larkhollow is a made-up works with its valves, people and years of sheets. It has a database
        and an address of its own: nothing of it comes in here, and you leave it when you like.
      </Muted>
      <Refused error={open.error} />
      <BigButton kind="outline" disabled={open.isPending} onPress={() => open.mutate()}>
        {open.isPending ? 'It is being made: a quarter of a minute' : 'Look at Larkhollow'}
      </BigButton>
    </Card>
  );
}

/** In a Larkhollow beside a house: the way back. */
export function LeaveLarkhollow() {
  const home = useSession().data?.home_port;
  if (home === undefined) return null;
  return (
    <WordButton onPress={() => window.location.assign(addressAt(home))}>
      leave Larkhollow: back to your own house
    </WordButton>
  );
}
