import { View } from './kit';
import { Words } from './words';

/**
 * What has come to be, for whoever hears the page: spoken when the words change, and not seen. It stays
 * where it is while there is nothing to say, since a voice follows only what was there before.
 */
export const SaidOnce = ({ children }: { readonly children: string }) => (
  <View
    role="status"
    aria-live="polite"
    position="absolute"
    width={1}
    height={1}
    overflow="hidden"
    opacity={0}
    pointerEvents="none"
  >
    <Words>{children}</Words>
  </View>
);
