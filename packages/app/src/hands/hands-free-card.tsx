import { changePreferences, usePreferences } from '@/prefs/preferences';
import { Card } from '@/ui/card';
import { Choice } from '@/ui/field';
import { Heading, Muted } from '@/ui/words';

const offOn = [
  { value: 'off', say: 'off' },
  { value: 'on', say: 'on' },
] as const;
const asWord = (isOn: boolean) => (isOn ? 'on' : 'off');

/** For hands that are full: heard, seen from afar, pressed without the screen. */
export function HandsFreeCard() {
  const { isSpoken, isLarge, hasClicker } = usePreferences();
  return (
    <Card>
      <Heading>Hands full</Heading>
      <Choice
        label="Say the figure, when it rests, and the next move"
        value={asWord(isSpoken)}
        onChange={(value) => changePreferences({ isSpoken: value === 'on' })}
        options={offOn}
      />
      <Choice
        label="The figure so large that it is read from two metres"
        value={asWord(isLarge)}
        onChange={(value) => changePreferences({ isLarge: value === 'on' })}
        options={offOn}
      />
      <Choice
        label="A clicker’s press is “turned”, or “read”"
        value={asWord(hasClicker)}
        onChange={(value) => changePreferences({ hasClicker: value === 'on' })}
        options={offOn}
      />
      <Muted>
        Only by a voice of this phone’s own. Volume keys work where the browser tells them to a
        page.
      </Muted>
    </Card>
  );
}
