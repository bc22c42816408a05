import { personTrouble } from './people-words';
import { Words } from '@/ui/words';

/** Why it was not so, where something was tried. */
export const Refused = ({ error }: { readonly error: unknown }) =>
  error ? (
    <Words color="$vermilion" role="alert">
      {personTrouble(error)}
    </Words>
  ) : null;
