import { useEffect, useState } from 'react';
import { Image, type ImageStyle } from 'react-native';
import { pictures } from '@/data/store';

type Props = {
  readonly name: string;
  /** What is to be seen on it, for who does not see it. */
  readonly say: string;
  readonly size: 'whole' | 'small';
  readonly style: ImageStyle;
};

/** A picture from the server, or from this phone while it waits there. */
export function Picture({ name, say, size, style }: Props) {
  const uri = usePictureAddress(name, size);
  return uri === undefined ? null : (
    <Image
      source={{ uri }}
      accessibilityLabel={say}
      resizeMode={size === 'small' ? 'cover' : 'contain'}
      style={style}
    />
  );
}

/** Where it is to be had; undefined while the phone looks whether it has it itself. */
function usePictureAddress(name: string, size: Props['size']): string | undefined {
  const [held, setHeld] = useState<{ readonly name: string; readonly uri?: string }>();
  useEffect(() => {
    let address: string | undefined;
    let isGone = false;
    void pictures.held(name).then((bytes) => {
      if (isGone) return;
      address = bytes && URL.createObjectURL(new Blob([bytes], { type: 'image/jpeg' }));
      setHeld({ name, ...(address === undefined ? {} : { uri: address }) });
    });
    return () => {
      isGone = true;
      if (address !== undefined) URL.revokeObjectURL(address);
    };
  }, [name]);
  if (held?.name !== name) return undefined;
  return held.uri ?? `/api/pictures/${name}?size=${size}`;
}
