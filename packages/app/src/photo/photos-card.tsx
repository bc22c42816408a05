import { gaugeSubjects, photosOf, photoSubjects, valveSubjects, type Photo } from '@holvek/core';
import { useState } from 'react';
import { usePhotos } from '@/data/queries';
import { Allowed } from '@/people/allowed';
import { Card } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { BigButton, Press, WordButton } from '@/ui/press';
import { Heading, Muted, Spoken } from '@/ui/words';
import { AddPhotoSheet } from './add-photo-sheet';
import { PhotoSheet } from './photo-sheet';
import { Picture } from './picture';

/** px of a picture in the row. */
const SMALL = { width: 104, height: 104 };

/** Of what they are, and what is wanted first of it. */
const kinds = {
  valve: {
    empty: 'A plate that was photographed once need not be climbed down to again.',
    take: 'Photograph its plate',
    subjects: valveSubjects,
    first: 'plate',
    then: 'place',
  },
  gauge: {
    empty: 'Its certificate, photographed once, is at hand wherever somebody asks for it.',
    take: 'Photograph its certificate',
    subjects: gaugeSubjects,
    first: 'certificate',
    then: 'plate',
  },
} as const;

type Props = {
  /** Of the valve, or of the gauge. */
  readonly valveId: string;
  readonly of?: keyof typeof kinds;
};

/** Pictures of a valve (its plate, where it stands, its parts) or of a gauge; the way to take another. */
export function PhotosCard({ valveId, of = 'valve' }: Props) {
  const { empty, take, subjects, first, then } = kinds[of];
  const photos = photosOf(usePhotos().data ?? [], valveId);
  const [isAdding, setAdding] = useState(false);
  const [openId, setOpenId] = useState<string>();
  const add = () => setAdding(true);
  return (
    <Card testID="photos">
      <Heading>{photos.length === 0 ? 'No photo yet' : `Photos, ${photos.length}`}</Heading>
      {photos.length === 0 ? (
        <Muted>{empty}</Muted>
      ) : (
        <XStack gap="$2" flexWrap="wrap">
          {photos.map((photo) => (
            <SmallPhoto key={photo.id} photo={photo} onPress={() => setOpenId(photo.id)} />
          ))}
        </XStack>
      )}
      <Allowed action="photograph" what="Photos">
        {photos.length === 0 ? (
          <BigButton kind="outline" onPress={add}>
            {take}
          </BigButton>
        ) : (
          <WordButton onPress={add}>add a photo</WordButton>
        )}
      </Allowed>
      <AddPhotoSheet
        valveId={valveId}
        subjects={subjects}
        first={photos.some(({ shows }) => shows === first) ? then : first}
        isOpen={isAdding}
        onClose={() => setAdding(false)}
      />
      <PhotoSheet
        photo={photos.find(({ id }) => id === openId)}
        onClose={() => setOpenId(undefined)}
      />
    </Card>
  );
}

const SmallPhoto = ({
  photo,
  onPress,
}: {
  readonly photo: Photo;
  readonly onPress: () => void;
}) => (
  <Press onPress={onPress} borderRadius="$2">
    <Spoken>Photo:</Spoken>
    <YStack gap="$1" width={SMALL.width}>
      <YStack borderRadius="$2" overflow="hidden" backgroundColor="$quiet" {...SMALL}>
        <Picture name={photo.picture} say="" size="small" style={SMALL} />
      </YStack>
      <Muted>{photoSubjects[photo.shows]}</Muted>
    </YStack>
  </Press>
);
