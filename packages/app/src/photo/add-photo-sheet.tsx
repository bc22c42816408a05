import { photoSubjects, valveSubjects, type PhotoSubject } from '@holvek/core';
import { useState } from 'react';
import { BottomSheet } from '@/ui/bottom-sheet';
import { Choice } from '@/ui/field';
import { pickFile } from '@/ui/files';
import { BigButton } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { useAddPhoto } from './use-add-photo';

type Props = {
  readonly valveId: string;
  /** What is most likely to be wanted next. */
  readonly first: PhotoSubject;
  /** What it may show; what a valve shows where it is not said. */
  readonly subjects?: readonly PhotoSubject[];
  readonly isOpen: boolean;
  readonly onClose: () => void;
};

const optionsOf = (subjects: readonly PhotoSubject[]) =>
  subjects.map((value) => ({ value, say: photoSubjects[value] }));

/** What is photographed, and with what: the camera, or a file that was taken before. */
export const AddPhotoSheet = ({ valveId, first, subjects, isOpen, onClose }: Props) => (
  <BottomSheet isOpen={isOpen} title="A photo of it" onClose={onClose}>
    <AddPhoto
      valveId={valveId}
      first={first}
      onAdded={onClose}
      {...(subjects ? { subjects } : {})}
    />
  </BottomSheet>
);

type AddProps = {
  readonly valveId: string;
  readonly first: PhotoSubject;
  readonly subjects?: readonly PhotoSubject[];
  /** Told its name once it is kept. */
  readonly onAdded: (picture: string, shows: PhotoSubject) => void;
};

export function AddPhoto({ valveId, first, subjects = valveSubjects, onAdded }: AddProps) {
  const [chosen, setChosen] = useState<PhotoSubject>();
  const { add, trouble, isAtWork } = useAddPhoto(valveId);
  const shows = chosen ?? first;
  const from = async (source: 'camera' | 'file') => {
    const file = await pickFile('image/*', source === 'camera');
    const picture = await add(file, shows);
    if (picture !== undefined) onAdded(picture, shows);
  };
  return (
    <>
      <Choice
        label="What it shows"
        value={shows}
        onChange={setChosen}
        options={optionsOf(subjects)}
      />
      <BigButton disabled={isAtWork} onPress={() => void from('camera')}>
        Take it now
      </BigButton>
      <BigButton kind="outline" disabled={isAtWork} onPress={() => void from('file')}>
        Choose a file
      </BigButton>
      {trouble ? (
        <Words color="$vermilion" role="alert">
          {trouble}
        </Words>
      ) : (
        <Muted>
          {isAtWork
            ? 'It is being made smaller'
            : 'Where and with what it was taken stays on this phone.'}
        </Muted>
      )}
    </>
  );
}
