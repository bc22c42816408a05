import {
  adjustersOf,
  boundFigures,
  families,
  hasElectronics,
  isInstrument,
  targetOf,
  type JudgedByPoints,
  type Valve,
} from '@holvek/core';
import { XStack, YStack } from '@/ui/kit';
import { spanWords, splitWords } from '@/words/aim-words';
import { ValveGlyph } from './valve-glyph';
import { Allowed } from '@/people/allowed';
import { useUnits } from '@/units/use-units';
import { Card, Row } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { familyView } from '@/family/views';
import { BigNumber } from '@/ui/big-number';
import { Muted, Strong, Words } from '@/ui/words';
import { signalWords } from '@/words/signal-words';

/** What the valve must hold and why; further adjusters below the leading one. */
export function TargetCard({
  valve,
  onChange,
}: {
  readonly valve: Valve;
  readonly onChange: () => void;
}) {
  const units = useUnits();
  const { target, plate } = valve;
  if (isInstrument(plate) && !hasElectronics(plate))
    return <SpanCard valve={valve} plate={plate} onChange={onChange} />;
  const others = adjustersOf(plate).slice(1);
  return (
    <Card>
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <YStack flexShrink={1}>
          <Muted>{families[plate.family].holds}</Muted>
          <XStack alignItems="baseline" gap="$2" flexWrap="wrap">
            <BigNumber fontSize="$8" lineHeight="$8">
              {units.figure(target.set_point_pa)}
            </BigNumber>
            <Muted fontSize="$4">{`${units.pressure}\u00A0±\u00A0${units.figure(target.tolerance_pa)}`}</Muted>
          </XStack>
        </YStack>
        <ValveGlyph family={plate.family} />
      </XStack>
      <Words color="$muted">{boundFigures(target.why)}</Words>
      {others.map(({ id, name }, i) => {
        const own = targetOf(valve, id);
        return own ? (
          <Row key={id} label={name} isLast={i === others.length - 1}>
            {`${units.figure(own.set_point_pa)}\u00A0±\u00A0${units.withUnit(own.tolerance_pa)}`}
          </Row>
        ) : null;
      })}
      <XStack justifyContent="space-between" alignItems="center">
        <Muted>{`never past ${units.withUnit(target.limit_pa)}`}</Muted>
        <Allowed action="change_target" what="To change it">
          <WordButton onPress={onChange}>change target</WordButton>
        </Allowed>
      </XStack>
    </Card>
  );
}

/** What an instrument is asked for: its two ranges side by side, and how near they must agree. */
function SpanCard({
  valve: { target },
  plate,
  onChange,
}: {
  readonly valve: Valve;
  readonly plate: JudgedByPoints;
  readonly onChange: () => void;
}) {
  const units = useUnits();
  return (
    <Card>
      <XStack justifyContent="space-between" alignItems="center" gap="$2">
        <YStack flexShrink={1}>
          <Muted>{familyView(plate.family).shows ?? 'shows'}</Muted>
          <Strong fontSize="$6" lineHeight="$6">
            {signalWords(plate.input, units)}
          </Strong>
          <Muted fontSize="$4">{`as ${signalWords(plate.output, units)},\u00A0±\u00A0${spanWords(plate.tolerance_span)} of span`}</Muted>
        </YStack>
        <ValveGlyph family={plate.family} />
      </XStack>
      <Words color="$muted">{boundFigures(target.why)}</Words>
      {'air_to' in plate ? (
        <>
          <Row label="Action">{plate.action}</Row>
          <Row label="No air">{plate.air_to === 'open' ? 'shut' : 'open'}</Row>
          {plate.split_with ? (
            <Row label="Split range">{splitWords(plate.input, plate.split_with, units)}</Row>
          ) : null}
        </>
      ) : null}
      <XStack justifyContent="space-between" alignItems="center">
        <Muted>{`${families[plate.family].holds} ${units.withUnit(target.set_point_pa)}`}</Muted>
        <Allowed action="change_target" what="To change it">
          <WordButton onPress={onChange}>change it</WordButton>
        </Allowed>
      </XStack>
    </Card>
  );
}
