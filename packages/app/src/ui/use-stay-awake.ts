import { activateKeepAwakeAsync, deactivateKeepAwake } from 'expo-keep-awake';
import { useEffect } from 'react';

const RUN = 'run';

/** Keeps the screen on while a valve is worked on, where the browser lets it; where not, the screen goes out as ever. */
export function useStayAwake(): void {
  useEffect(() => {
    const isHeld = activateKeepAwakeAsync(RUN).then(
      () => true,
      () => false,
    );
    return () => void isHeld.then((held) => (held ? deactivateKeepAwake(RUN) : undefined));
  }, []);
}
