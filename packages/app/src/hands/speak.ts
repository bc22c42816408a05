import { useEffect, useRef } from 'react';
import { preferences, usePreferences } from '@/prefs/preferences';

/** What of the browser's voice is used. */
type Voice = Pick<SpeechSynthesis, 'speak' | 'cancel' | 'getVoices'>;
const voiceHere = (): Voice | undefined =>
  typeof speechSynthesis === 'undefined' ? undefined : speechSynthesis;

/** A voice of this very device: what is said of a valve goes to nobody's server. */
export const localVoice = (
  voices: readonly SpeechSynthesisVoice[],
): SpeechSynthesisVoice | undefined =>
  voices.find(({ localService, lang }) => localService && lang.startsWith('en')) ??
  voices.find(({ localService }) => localService);

/** Figures as they are spoken: thousands together, a minus as a word. */
export const spokenFigures = (text: string): string =>
  text
    .replace(/(\d)[\u2009\u202f](?=\d)/gu, '$1')
    .replace(/\u00a0/gu, ' ')
    .replace(/−(?=\d)/gu, 'minus ');

/**
 * Says something aloud; what was still being said is of before, and is cut off.
 *
 * @returns false where it is switched off, or the device has no voice of its own
 */
export function speak(text: string, voice: Voice | undefined = voiceHere()): boolean {
  if (!preferences().isSpoken || !voice || text.trim() === '') return false;
  const own = localVoice(voice.getVoices());
  if (!own) return false;
  const words = new SpeechSynthesisUtterance(spokenFigures(text));
  words.voice = own;
  voice.cancel();
  voice.speak(words);
  return true;
}

/**
 * Says words whenever they change; off by default.
 *
 * @param when  what has to change for them to be said again: a figure that flickers is said once
 */
export function useSpoken(text: string, when: string = text): void {
  const { isSpoken } = usePreferences();
  const latest = useRef(text);
  useEffect(() => {
    latest.current = text;
  });
  useEffect(() => {
    if (isSpoken) speak(latest.current);
  }, [isSpoken, when]);
}
