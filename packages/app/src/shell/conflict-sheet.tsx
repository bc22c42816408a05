import { valveSchema } from '@holvek/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { XStack, YStack } from '@/ui/kit';
import { differencesOf, showConflict, useConflict, type Difference } from '@/data/conflicts';
import { useUnits, useUnitsOf, type Units } from '@/units/use-units';
import { BottomSheet } from '@/ui/bottom-sheet';
import { BigButton } from '@/ui/press';
import { Muted, Strong, Words } from '@/ui/words';

/** More than this many places are not read by anybody. */
const MOST_SHOWN = 12;

/** A valve is told in its own unit; whatever else is kept, in the phone's. */
function useUnitsOfKept(): (kept: unknown) => Units {
  const ofPhone = useUnits();
  const ofValve = useUnitsOf();
  return (kept) => {
    const valve = valveSchema.safeParse(kept);
    return valve.success ? ofValve(valve.data) : ofPhone;
  };
}

/** Both versions side by side, where somebody has changed what was being changed. */
export function ConflictSheet() {
  const conflict = useConflict();
  const client = useQueryClient();
  const unitsOf = useUnitsOfKept();
  const [trouble, setTrouble] = useState(false);
  if (!conflict) return null;
  const { kind, mine, theirs, putMine } = conflict;
  const units = unitsOf(mine);
  const differences = differencesOf(theirs, mine);
  const close = () => {
    setTrouble(false);
    void client.invalidateQueries({ queryKey: [kind] }).finally(() => showConflict(undefined));
  };
  const overwrite = () => void putMine().then(close, () => setTrouble(true));
  return (
    <BottomSheet isOpen title="Changed meanwhile" onClose={close}>
      <Words>
        Somebody else has kept a change while yours was being made. Nothing was overwritten: choose
        which stands. The other stays in the history.
      </Words>
      {differences.slice(0, MOST_SHOWN).map((difference) => (
        <BothWays key={difference.path.join('.')} difference={difference} units={units} />
      ))}
      {differences.length > MOST_SHOWN ? (
        <Muted>{`and ${differences.length - MOST_SHOWN} more places`}</Muted>
      ) : null}
      {trouble ? (
        <Words color="$vermilion" role="alert">
          It could not be kept. Nothing was changed.
        </Words>
      ) : null}
      <BigButton onPress={close}>Keep what is there</BigButton>
      <BigButton kind="outline" onPress={overwrite}>
        Put mine over it
      </BigButton>
    </BottomSheet>
  );
}

function BothWays({
  difference: { path, theirs, mine },
  units,
}: {
  readonly difference: Difference;
  readonly units: Units;
}) {
  const key = path.at(-1) ?? '';
  return (
    <YStack borderTopWidth={1} borderColor="$line" paddingTop="$2">
      <Muted>{placeWords(path)}</Muted>
      <XStack gap="$3">
        <Strong flex={1}>{`there: ${valueWords(key, theirs, units)}`}</Strong>
        <Strong flex={1}>{`yours: ${valueWords(key, mine, units)}`}</Strong>
      </XStack>
    </YStack>
  );
}

/** ["target", "set_point_pa"] → "target, set point". */
const placeWords = (path: readonly string[]): string =>
  path
    .map((part) => (/^\d+$/u.test(part) ? `no. ${Number(part) + 1}` : part))
    .map((part) => part.replace(/_(pa|dn|m|s)$/u, '').replaceAll('_', ' '))
    .join(', ');

function valueWords(key: string, value: unknown, units: Units): string {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (typeof value === 'number' && key.endsWith('_pa')) return units.withUnit(value);
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}
