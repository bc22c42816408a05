import { useState } from 'react';
import { PlaceSheet } from './place-sheet';
import { useSites } from '@/data/queries';
import { Allowed } from '@/people/allowed';
import { Card, Row } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { Heading } from '@/ui/words';

/** Where the valves of this register stand. */
export function PlaceCard() {
  const site = useSites().data?.[0];
  const [isOpen, setOpen] = useState(false);
  return (
    <Card>
      <Heading>The place</Heading>
      {site ? <Row label={site.name} isLast>{`${site.altitude_m} m above the sea`}</Row> : null}
      <Allowed action="change_place" what="To change it">
        <WordButton onPress={() => setOpen(true)}>{site ? 'change it' : 'name it'}</WordButton>
      </Allowed>
      <PlaceSheet site={site ?? 'new'} isOpen={isOpen} onClose={() => setOpen(false)} />
    </Card>
  );
}
