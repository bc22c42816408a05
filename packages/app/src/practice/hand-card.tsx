import { familyName } from '@holvek/core';
import { handByFamily, useHandLog, type HandOfFamily } from './hand-log';
import { usePreferences } from '@/settings/preferences';
import { Card, Pill } from '@/ui/card';
import { XStack, YStack } from '@/ui/kit';
import { Heading, Muted, Strong } from '@/ui/words';

/** How one's own hand does, kind by kind: what wants practice most stands first. */
export function HandCard() {
  const { technician } = usePreferences();
  const kinds = handByFamily(useHandLog(), technician);
  if (kinds.length === 0) return null;
  return (
    <Card testID="hand">
      <Heading>Your hand</Heading>
      {kinds.map((kind) => (
        <XStack
          key={kind.family}
          justifyContent="space-between"
          alignItems="center"
          gap="$2"
          minHeight={56}
          borderBottomWidth={1}
          borderColor="$line"
        >
          <YStack flexShrink={1}>
            <Strong>{familyName[kind.family]}</Strong>
            <Muted>{handWords(kind)}</Muted>
          </YStack>
          <Pill tone={kind.points >= 85 ? 'good' : kind.points >= 60 ? 'work' : 'stop'}>
            {`${Math.round(kind.points)}${trend(kind)}`}
          </Pill>
        </XStack>
      ))}
      <Muted>Points of your last five, kept on this phone alone.</Muted>
    </Card>
  );
}

const trend = ({ points, before }: HandOfFamily): string => {
  if (before === undefined || Math.abs(points - before) < 3) return '';
  return points > before ? ' ↑' : ' ↓';
};

function handWords({ runs, moves, faulty, found, pastLimit }: HandOfFamily): string {
  const said = [
    runs === 1 ? '1 run' : `${runs} runs`,
    `${moves.toFixed(1)} moves for each of the master’s`,
    ...(faulty > 0 ? [`${found} of ${faulty} faults found`] : []),
    ...(pastLimit > 0 ? [`limit passed ${pastLimit} ×`] : []),
  ];
  return said.join(' · ');
}
