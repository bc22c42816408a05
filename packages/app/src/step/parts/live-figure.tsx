import type { Gauge, Settling } from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { SettledPill } from './settled-pill';
import { useTapping } from '@/run/use-tapping';
import { useUnits } from '@/settings/use-units';
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
  const tapping = useTapping(gauge);
  const shown = value === undefined ? undefined : tapping.shows(value);
  return (
    <XStack justifyContent="space-between" alignItems="center" gap="$2">
      <XStack alignItems="baseline" gap="$2" role="status" aria-label={label} aria-live="off">
        <BigNumber testID="live-figure">
          {value === undefined ? '–' : units.figure(value, gauge?.resolution_pa)}
        </BigNumber>
        <Muted fontSize="$4">{units.pressure}</Muted>
      </XStack>
      <YStack alignItems="flex-end" gap="$1" flexShrink={1}>
        <SettledPill state={settling} />
        {note ? <Muted textAlign="right">{note}</Muted> : null}
        {shown !== undefined && shown !== value ? (
          <Muted textAlign="right">{`gauge shows ${units.figure(shown, gauge?.resolution_pa)}`}</Muted>
        ) : null}
      </YStack>
    </XStack>
  );
}
