import { photoSubjects, type Photo } from '@holvek/core';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { useChangePhoto } from '@/data/queries';
import { Allowed } from '@/people/allowed';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Field } from '@/ui/field';
import { YStack } from '@/ui/kit';
import { BigButton, WordButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { Picture } from './picture';

type Props = { readonly photo: Photo | undefined; readonly onClose: () => void };

/** One picture as large as the screen allows, what is said of it, and putting it aside. */
export const PhotoSheet = ({ photo, onClose }: Props) => (
  <BottomSheet
    isOpen={photo !== undefined}
    title={photo ? photoSubjects[photo.shows] : ''}
    onClose={onClose}
  >
    {photo ? <PhotoInSheet key={photo.id} photo={photo} onClose={onClose} /> : null}
  </BottomSheet>
);

function PhotoInSheet({ photo, onClose }: Props & { readonly photo: Photo }) {
  const change = useChangePhoto();
  const [words, setWords] = useState(photo.words ?? '');
  const [why, setWhy] = useState<string>();
  const keepWords = () => {
    const { words: _, ...bare } = photo;
    const said = words.trim();
    change.mutate(said === '' ? bare : { ...bare, words: said }, { onSuccess: onClose });
  };
  const putAside = (reason: string) =>
    change.mutate({ ...photo, put_aside: reason }, { onSuccess: onClose });
  return (
    <>
      <YStack borderRadius="$2" overflow="hidden" backgroundColor="$quiet">
        <Picture
          name={photo.picture}
          say={photo.words ?? photoSubjects[photo.shows]}
          size="whole"
          style={{ width: '100%', aspectRatio: 4 / 3, maxHeight: 420 }}
        />
      </YStack>
      {photo.words ? <Words>{photo.words}</Words> : null}
      <Muted>{`${format(photo.taken_at_ms, 'd MMM yyyy, HH:mm')}, ${photo.by}`}</Muted>
      <Allowed action="photograph" what="Changing it">
        <Field label="What is to be seen" value={words} onChangeText={setWords} maxLength={400} />
        <BigButton
          kind="outline"
          disabled={change.isPending || words.trim() === (photo.words ?? '')}
          onPress={keepWords}
        >
          Keep these words
        </BigButton>
        {why === undefined ? (
          <WordButton tone="$vermilion" onPress={() => setWhy('')}>
            put it aside
          </WordButton>
        ) : (
          <>
            <Field label="Why it is not shown" value={why} onChangeText={setWhy} maxLength={400} />
            <BigButton
              kind="stop"
              disabled={why.trim().length < 3 || change.isPending}
              onPress={() => putAside(why.trim())}
            >
              Put it aside; its file stays
            </BigButton>
          </>
        )}
      </Allowed>
      {change.error ? (
        <Words color="$vermilion" role="alert">
          It was not changed.
        </Words>
      ) : null}
    </>
  );
}
