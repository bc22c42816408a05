import { changePreferences } from '@/prefs/preferences';
import { localVoice, speak, spokenFigures } from './speak';

const voice = (name: string, lang: string, localService: boolean) =>
  ({ name, lang, localService }) as SpeechSynthesisVoice;
const cloud = voice('cloud', 'en-GB', false);
const here = voice('here', 'en-GB', true);
const other = voice('other', 'de-DE', true);

/** A browser's voice that keeps what it was told. */
function fake(voices: SpeechSynthesisVoice[]) {
  const said: string[] = [];
  return {
    said,
    getVoices: () => voices,
    cancel: () => void said.push('(cut off)'),
    speak: (words: SpeechSynthesisUtterance) => void said.push(words.text),
  };
}

beforeAll(() => {
  global.SpeechSynthesisUtterance = class {
    voice: SpeechSynthesisVoice | null = null;
    constructor(readonly text: string) {}
  } as never;
});

describe('what is said aloud', () => {
  test('nothing until somebody switches it on', () => {
    const mouth = fake([here]);
    changePreferences({ isSpoken: false });
    expect(speak('it rests', mouth)).toBe(false);
    changePreferences({ isSpoken: true });
    expect(speak('it rests', mouth)).toBe(true);
    expect(mouth.said).toEqual(['(cut off)', 'it rests']);
  });

  test('only by a voice of the device itself, in English where there is one', () => {
    expect(localVoice([cloud, other, here])).toBe(here);
    expect(localVoice([cloud, other])).toBe(other);
    expect(localVoice([cloud])).toBeUndefined();
    changePreferences({ isSpoken: true });
    const mouth = fake([cloud]);
    expect(speak('it rests', mouth)).toBe(false);
    expect(speak('it rests', undefined)).toBe(false);
    expect(mouth.said).toEqual([]);
  });

  test('the newest words; nothing for none', () => {
    changePreferences({ isSpoken: true });
    const mouth = fake([here]);
    expect(speak('  ', mouth)).toBe(false);
    speak('one', mouth);
    speak('two', mouth);
    expect(mouth.said).toEqual(['(cut off)', 'one', '(cut off)', 'two']);
  });

  test('figures as one hears them', () => {
    expect(spokenFigures('1\u202f180\u00a0kPa')).toBe('1180 kPa');
    expect(spokenFigures('−12\u00a0mbar')).toBe('minus 12 mbar');
  });
});
