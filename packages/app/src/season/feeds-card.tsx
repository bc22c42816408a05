import { areaOf, type Feed, type FeedAbout, type NewFeed } from '@holvek/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { format } from 'date-fns/format';
import { useState } from 'react';
import type { SeasonDesk } from './use-season-desk';
import { api, Refusal } from '@/data/api';
import { queryClient } from '@/data/queries';
import { ListLine } from '@/ui/list-line';
import { Card } from '@/ui/card';
import { Choice } from '@/ui/field';
import { BigButton, WordButton } from '@/ui/press';
import { ToldOnce } from '@/ui/told-once';
import { Heading, Muted, Words } from '@/ui/words';
import { refusalWords } from '@/words/trouble';

/** Calendars that go on by themselves: an address that a calendar program reads until it is ended here. */
export function FeedsCard({ desk }: { readonly desk: SeasonDesk }) {
  const feeds = useQuery({ queryKey: ['feeds'], queryFn: api.feeds });
  const [made, setMade] = useState<NewFeed>();
  const refetch = () => queryClient.invalidateQueries({ queryKey: ['feeds'] });
  const make = useMutation({
    mutationFn: api.makeFeed,
    onSuccess: (feed) => {
      setMade(feed);
      return refetch();
    },
  });
  const end = useMutation({ mutationFn: api.endFeed, onSuccess: refetch });
  const error = make.error ?? end.error;
  return (
    <Card>
      <Heading>A calendar that keeps itself up to date</Heading>
      <Muted>
        An address that a calendar program reads again and again. Whoever has it sees the visits,
        and nothing else; ended here, it is dead.
      </Muted>
      <NewFeedForm desk={desk} onMake={make.mutate} isBusy={make.isPending} />
      {made ? (
        <ToldOnce
          say="It is told this once: give it to the calendar now."
          label="Address of the calendar"
          path={made.path}
        />
      ) : null}
      {error ? (
        <Words color="$vermilion" role="alert">
          {error instanceof Refusal
            ? refusalWords(error.code)
            : 'The server cannot be reached. Nothing was changed.'}
        </Words>
      ) : null}
      {(feeds.data ?? []).map((feed) => (
        <FeedLine key={feed.id} desk={desk} feed={feed} onEnd={() => end.mutate(feed.id)} />
      ))}
    </Card>
  );
}

/** Whose visits: of everybody, one hand, or one area. */
const choicesOf = ({
  made,
  valves,
}: SeasonDesk): readonly {
  readonly value: string;
  readonly say: string;
  readonly about: FeedAbout;
}[] => [
  { value: 'everybody', say: 'Everybody', about: { kind: 'everybody' } },
  ...made.people.map(({ id, name }) => ({
    value: `person ${id}`,
    say: name,
    about: { kind: 'person', person_id: id } as const,
  })),
  ...[...new Set([...valves.values()].map(({ place }) => areaOf(place)))]
    .filter((area) => area !== '')
    .sort((a, b) => a.localeCompare(b))
    .map((area) => ({ value: `area ${area}`, say: area, about: { kind: 'area', area } as const })),
];

function NewFeedForm({
  desk,
  isBusy,
  onMake,
}: {
  readonly desk: SeasonDesk;
  readonly isBusy: boolean;
  readonly onMake: (about: FeedAbout) => void;
}) {
  const choices = choicesOf(desk);
  const [chosen, setChosen] = useState('everybody');
  const about = choices.find(({ value }) => value === chosen)?.about ?? choices[0]!.about;
  return (
    <>
      <Choice label="Whose visits" value={chosen} onChange={setChosen} options={choices} />
      <BigButton kind="outline" disabled={isBusy} onPress={() => onMake(about)}>
        Make an address
      </BigButton>
    </>
  );
}

function FeedLine({
  desk: { people },
  feed: { about, made_by: maker, since_ms: since },
  onEnd,
}: {
  readonly desk: SeasonDesk;
  readonly feed: Feed;
  readonly onEnd: () => void;
}) {
  const nameOf = (id: string) => people.find((each) => each.id === id)?.name ?? 'somebody';
  const whose =
    about.kind === 'everybody'
      ? 'Everybody'
      : about.kind === 'person'
        ? nameOf(about.person_id)
        : about.area;
  return (
    <ListLine
      say={whose}
      under={`by ${nameOf(maker)}, ${format(since, 'd MMM yyyy')}`}
      right={
        <WordButton tone="$vermilion" label={`End the calendar of ${whose}`} onPress={onEnd}>
          end it
        </WordButton>
      }
    />
  );
}
