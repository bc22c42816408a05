import { useState, type ReactNode } from 'react';
import { SignInPage } from './sign-in-page';
import { useSession } from './session';
import { usePreferences } from '@/prefs/preferences';
import { Screen } from '@/shell/screen';
import { Loading, Trouble } from '@/ui/states';

/**
 * Nobody works here without a name. Without a network the one who was here goes on; one whose session
 * has run out may go on too, and what is entered waits on the phone.
 */
export function WhoIsHere({ children }: { readonly children: ReactNode }) {
  const { data, isPending, refetch } = useSession();
  const { technician } = usePreferences();
  const [isLater, setLater] = useState(false);
  const isKnown = technician !== '';
  if (data?.person || (isKnown && (isLater || !data))) return children;
  if (isPending) return <Loading what="Asking who is here" />;
  if (!data)
    return (
      <Screen title="Who is here?">
        <Trouble
          title="The server cannot be reached"
          say="Nobody has signed in on this phone yet: the first time it takes a network. After that it works without."
          onRetry={() => void refetch()}
        />
      </Screen>
    );
  return <SignInPage house={data} {...(isKnown ? { onLater: () => setLater(true) } : {})} />;
}
