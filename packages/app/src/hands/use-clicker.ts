import { useKeys } from '@/ui/use-keys';
import { usePreferences } from '@/prefs/preferences';

/** Keys that clickers of a hand send, and those for loudness where a device tells them to a page. */
const CLICKS = ['pagedown', 'audiovolumeup', 'mediatracknext'] as const;

/** One press of a clicker does what is asked for now; off by default. */
export function useClicker(press: () => void): void {
  const { hasClicker } = usePreferences();
  useKeys(hasClicker ? Object.fromEntries(CLICKS.map((key) => [key, press])) : {});
}
