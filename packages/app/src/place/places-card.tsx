import { placeTree, type PlaceRow, type Site } from '@holvek/core';
import { useState } from 'react';
import { PlaceFiles } from './place-files';
import { PlaceSheet } from './place-sheet';
import { useSites } from '@/data/queries';
import { useMay } from '@/prefs/preferences';
import { Allowed } from '@/people/allowed';
import { Card } from '@/ui/card';
import { YStack } from '@/ui/kit';
import { Press, WordButton } from '@/ui/press';
import { Heading, Muted, Strong } from '@/ui/words';

/** Where the valves of this register stand: sites, and what lies in them. */
export function PlacesCard() {
  const places = useSites().data ?? [];
  const { may } = useMay('change_place');
  const [open, setOpen] = useState<Site | 'new'>();
  const [isFileOpen, setFileOpen] = useState(false);
  const rows = placeTree(places);
  return (
    <Card>
      <Heading>{places.length > 1 ? 'Places' : 'The place'}</Heading>
      <YStack role="list" aria-label="Places">
        {rows.map((row) => (
          <PlaceLine
            key={row.place.id}
            row={row}
            onPress={may ? () => setOpen(row.place) : undefined}
          />
        ))}
      </YStack>
      <Allowed action="change_place" what="To change it">
        <WordButton onPress={() => setOpen('new')}>
          {places.length === 0 ? 'name it' : 'another place'}
        </WordButton>
      </Allowed>
      {places.length === 0 ? null : (
        <WordButton onPress={() => setFileOpen(true)}>places as a file</WordButton>
      )}
      <PlaceSheet
        key={open === undefined || open === 'new' ? 'new' : open.id}
        place={open ?? 'new'}
        isOpen={open !== undefined}
        onClose={() => setOpen(undefined)}
      />
      <PlaceFiles places={places} isOpen={isFileOpen} onClose={() => setFileOpen(false)} />
    </Card>
  );
}

type LineProps = { readonly row: PlaceRow; readonly onPress: (() => void) | undefined };

/** A place, as far in as it lies within others. */
function PlaceLine({ row: { place, depth }, onPress }: LineProps) {
  const say = sayOf(place);
  return (
    <YStack role="listitem">
      <Press
        disabled={onPress === undefined}
        onPress={onPress}
        minHeight={52}
        justifyContent="center"
        paddingLeft={depth * 18}
        borderBottomWidth={1}
        borderColor="$line"
      >
        <Strong {...(place.closed ? { color: '$muted' } : {})}>{place.name}</Strong>
        {say === '' ? null : <Muted>{say}</Muted>}
      </Press>
    </YStack>
  );
}

/** What it says itself, in a line. */
function sayOf({ altitude_m: altitude, price_per_kwh: price, ...place }: Site): string {
  const { closed, currency, contacts = [], time_zone: zone } = place;
  if (closed) return `closed on ${closed.on}: ${closed.why}`;
  return [
    altitude === undefined ? undefined : `${altitude} m above the sea`,
    zone,
    price === undefined ? undefined : `${price} ${currency ?? ''} a kWh`.replace('  ', ' '),
    contacts.length > 0 ? contacts.map(({ name }) => name).join(', ') : undefined,
  ]
    .filter((part) => part !== undefined)
    .join(' · ');
}
