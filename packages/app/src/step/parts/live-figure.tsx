import type { Gauge, Settling } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { SettledPill } from './settled-pill';
import { useTapping } from '@/desk/use-tapping';
import { useSpoken } from '@/hands/speak';
import { usePreferences } from '@/prefs/preferences';
import { useUnits } from '@/units/use-units';
import { BigNumber } from '@/ui/big-number';
import { Muted } from '@/ui/words';

type Props = {
  readonly value: number | undefined;
  readonly gauge: Gauge | undefined;
  readonly settling: Settling | undefined;
  readonly note?: string;
  readonly label: string;
};

/** The figure that everything turns on, as large as the screen allows. */
export function LiveFigure({ value, gauge, settling, note, label }: Props) {
  const units = useUnits();
  const { isLarge } = usePreferences();
  const figure = value === undefined ? '–' : units.figure(value, gauge?.resolution_pa);
  const state = value === undefined ? undefined : settling?.state;
  const said =
    state === 'settled' ? `${figure} ${units.pressure}, it rests` : restless[state ?? ''];
  useSpoken(said ?? '', state ?? '');
  return (
    <XStack
      justifyContent="space-between"
      alignItems="center"
      gap="$2"
      flexWrap={isLarge ? 'wrap' : 'nowrap'}
    >
      <XStack alignItems="baseline" gap="$2" role="status" aria-label={label} aria-live="off">
        <BigNumber testID="live-figure" {...(isLarge ? largeLook(figure) : {})}>
          {figure}
        </BigNumber>
        <Muted fontSize="$4">{units.pressure}</Muted>
      </XStack>
      <YStack alignItems="flex-end" gap="$1" flexShrink={1}>
        <SettledPill state={settling} />
        {note ? <Muted textAlign="right">{note}</Muted> : null}
        <AsShown value={value} gauge={gauge} />
      </YStack>
    </XStack>
  );
}

/** What is said of a gauge that does not come to rest. */
const restless: Readonly<Record<string, string>> = { hunting: 'it hunts', creeping: 'it creeps' };

/** As large as a phone's width allows, px: a digit takes six tenths of its height. */
const LARGE_WIDTH = 290;
const largeLook = (figure: string) => {
  const fontSize = Math.min(132, Math.floor(LARGE_WIDTH / (0.6 * Math.max(2, figure.length))));
  return { fontSize, lineHeight: Math.round(fontSize * 1.05) };
};

/** What the gauge itself shows, where that is not the pressure at its tapping. */
function AsShown({ value, gauge }: Pick<Props, 'value' | 'gauge'>) {
  const units = useUnits();
  const tapping = useTapping(gauge);
  if (value === undefined || tapping.shows(value) === value) return null;
  return (
    <Muted textAlign="right">{`gauge shows ${units.figure(tapping.shows(value), gauge?.resolution_pa)}`}</Muted>
  );
}
