import type { Person, PlaceOfSession } from '@holvek/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import { Refused } from './refused';
import { api } from '@/data/api';
import { queryClient } from '@/data/queries';
import { ListLine } from '@/ui/list-line';
import { Card } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { Heading, Muted } from '@/ui/words';

/** Where somebody is signed in; a phone that is lost is signed out from here. */
export function PhonesCard({ people }: { readonly people: readonly Person[] }) {
  const sessions = useQuery({ queryKey: ['sessions'], queryFn: api.sessions });
  const end = useMutation({
    mutationFn: api.endSession,
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['sessions'] }),
  });
  const nameOf = ({ person_id }: PlaceOfSession) =>
    people.find(({ id }) => id === person_id)?.name ?? 'somebody';
  return (
    <Card>
      <Heading>Signed in</Heading>
      {(sessions.data ?? []).map((place) => (
        <ListLine
          key={place.id}
          say={nameOf(place)}
          under={`${place.called || 'a device'} · ${format(place.seen_ms, 'd MMM, HH:mm')}`}
          right={
            place.own ? (
              <Muted>this one</Muted>
            ) : (
              <WordButton onPress={() => end.mutate(place.id)}>end it</WordButton>
            )
          }
        />
      ))}
      <Muted>
        What a phone has sent stays. What it still holds is refused once it is ended here.
      </Muted>
      <Refused error={end.error} />
    </Card>
  );
}
