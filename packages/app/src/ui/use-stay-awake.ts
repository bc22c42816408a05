import { activateKeepAwakeAsync, deactivateKeepAwake } from 'expo-keep-awake';
import { useEffect, useId } from 'react';

/** Keeps the screen on while a valve is worked on, where the browser lets it; where not, the screen goes out as ever. */
export function useStayAwake(): void {
  const own = useId();
  useEffect(() => {
    const isHeld = activateKeepAwakeAsync(own).then(
      () => true,
      () => false,
    );
    return () => {
      // What the browser has let go of by itself, in a page that was hidden, needs no letting go.
      void isHeld
        .then((held) => (held ? deactivateKeepAwake(own) : undefined))
        .catch(() => undefined);
    };
  }, [own]);
}
