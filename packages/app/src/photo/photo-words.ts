import type { PictureTrouble } from './draw-smaller';

/** Why nothing came of a file. */
export const pictureTrouble: Readonly<Record<PictureTrouble, string>> = {
  too_large: 'The file is larger than 25 MB. Nothing was kept: take it with fewer pixels.',
  heic: 'This browser does not open HEIC. Nothing was kept: set the camera to JPEG (“most compatible”), or choose another file.',
  unreadable: 'It is no picture that can be opened here. Nothing was kept.',
  no_room:
    'The phone is full. The picture was not kept; everything else is. Make room and take it again.',
};
