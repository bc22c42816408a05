import type { Photo, PhotoSubject } from '@holvek/core';
import { useState } from 'react';
import { Refusal } from '@/data/api';
import { newId } from '@/data/new-id';
import { NoRoom } from '@/data/picture-shelf';
import { useChangePhoto } from '@/data/queries';
import { pictures } from '@/data/store';
import { preferences } from '@/prefs/preferences';
import { refusalWords } from '@/words/trouble';
import { drawSmaller, PictureProblem } from './draw-smaller';
import { pictureTrouble } from './photo-words';

const wordsOf = (error: unknown): string => {
  if (error instanceof PictureProblem) return pictureTrouble[error.code];
  if (error instanceof NoRoom) return pictureTrouble.no_room;
  if (error instanceof Refusal) return refusalWords(error.code);
  return 'The server cannot be reached, and this browser keeps nothing. The picture was not kept.';
};

/** Takes a file as a picture of a valve: it shows at once, and goes to the server when there is one. Its name is told. */
export function useAddPhoto(valveId: string) {
  const change = useChangePhoto();
  const [trouble, setTrouble] = useState<string>();
  const [isAtWork, setAtWork] = useState(false);
  const take = async (file: File, shows: PhotoSubject): Promise<string> => {
    const smaller = await drawSmaller(file);
    const picture = await pictures.hold(await smaller.arrayBuffer());
    const photo: Photo = {
      id: newId(),
      valve_id: valveId,
      shows,
      picture,
      taken_at_ms: Date.now(),
      by: preferences().technician,
    };
    await change.mutateAsync(photo);
    return picture;
  };
  const add = async (file: File | undefined, shows: PhotoSubject): Promise<string | undefined> => {
    if (!file) return undefined;
    setTrouble(undefined);
    setAtWork(true);
    try {
      return await take(file, shows);
    } catch (error) {
      setTrouble(wordsOf(error));
      return undefined;
    } finally {
      setAtWork(false);
    }
  };
  return { add, trouble, isAtWork };
}
