import { flowUnits, pressureUnits } from '@holvek/core';
import { RadioCard } from '@/settings/radio-card';
import { UnitsByFamilyCard } from '@/settings/units-by-family-card';
import { changePreferences, usePreferences, type Preferences } from '@/prefs/preferences';
import { BackupsCard } from '@/house/backups-card';
import { HouseRulesForm } from '@/settings/house-rules-form';
import { MeCard } from '@/people/me-card';
import { HandsFreeCard } from '@/hands/hands-free-card';
import { PlacesCard } from '@/place/places-card';
import { Screen } from '@/shell/screen';
import { SyncPill } from '@/shell/sync-pill';
import { Card } from '@/ui/card';
import { Columns } from '@/ui/columns';
import { Choice } from '@/ui/field';
import { Heading, Muted } from '@/ui/words';

const themes: readonly { readonly value: Preferences['theme']; readonly say: string }[] = [
  { value: 'system', say: 'As the phone' },
  { value: 'light', say: 'Enamel' },
  { value: 'dark', say: 'Plant room' },
];
const letters: readonly { readonly value: Preferences['textPercent']; readonly say: string }[] = [
  { value: '100', say: 'Ordinary' },
  { value: '115', say: 'Larger' },
  { value: '130', say: 'Large' },
  { value: '150', say: 'Largest' },
];
const options = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, say: value }));

/** Who works on this phone, how it looks, and the house's own figures. */
export default function SettingsScreen() {
  const { pressureUnit, flowUnit, theme, textPercent } = usePreferences();
  return (
    <Screen title="Settings" right={<SyncPill />} wide>
      <Columns
        left={
          <>
            <MeCard />
            <Card>
              <Heading>This phone</Heading>
              <Choice
                label="Pressure"
                value={pressureUnit}
                onChange={(value) => changePreferences({ pressureUnit: value })}
                options={options(pressureUnits)}
              />
              <Choice
                label="Flow"
                value={flowUnit}
                onChange={(value) => changePreferences({ flowUnit: value })}
                options={options(flowUnits)}
              />
              <Choice
                label="Look"
                value={theme}
                onChange={(value) => changePreferences({ theme: value })}
                options={themes}
              />
              <Choice
                label="Letters"
                value={textPercent}
                onChange={(value) => changePreferences({ textPercent: value })}
                options={letters}
              />
            </Card>
            <HandsFreeCard />
            <UnitsByFamilyCard />
            <RadioCard />
            <PlacesCard />
            <BackupsCard />
          </>
        }
        right={
          <Card>
            <Heading>House rules</Heading>
            <Muted>
              Ordinary trade figures, yours to change. The maker’s manual, local code and licensed
              persons outrank them. A run keeps the rules it was started with.
            </Muted>
            <HouseRulesForm />
          </Card>
        }
      />
    </Screen>
  );
}
