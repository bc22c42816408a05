import { useState, type ReactNode } from 'react';
import { OfflineDoor, SignInPage } from './sign-in-page';
import { useHandsHere, useSession } from './session';
import { usePreferences } from '@/prefs/preferences';
import { Screen } from '@/shell/screen';
import { Loading, Trouble } from '@/ui/states';

/**
 * Nobody works here without a name. Without a network the one who was here goes on, or one whom this phone
 * knows again by his PIN; one whose session has run out may go on too, and what is entered waits.
 */
export function WhoIsHere({ children }: { readonly children: ReactNode }) {
  const { data, isPending, refetch } = useSession();
  const { data: hands } = useHandsHere();
  const { technician, hand } = usePreferences();
  const [isLater, setLater] = useState(false);
  const isKnown = technician !== '';
  const isHere = hand !== 'nobody' && data?.person !== undefined;
  if (isHere || (isKnown && (isLater || !data))) return children;
  if (isPending) return <Loading what="Asking who is here" />;
  if (data)
    return <SignInPage house={data} {...(isKnown ? { onLater: () => setLater(true) } : {})} />;
  if (hands !== undefined && hands.length > 0) return <OfflineDoor />;
  return (
    <Screen title="Who is here?">
      <Trouble
        title="The server cannot be reached"
        say="Nobody has signed in on this phone yet: the first time it takes a network. After that it works without."
        onRetry={() => void refetch()}
      />
    </Screen>
  );
}
