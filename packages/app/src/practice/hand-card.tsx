import { familyName } from '@holvek/core';
import { handByFamily, useHandLog, type HandOfFamily } from './hand-log';
import { scoreTone } from './score-words';
import { usePreferences } from '@/prefs/preferences';
import { ListLine } from '@/ui/list-line';
import { Card, Pill } from '@/ui/card';
import { Heading, Muted } from '@/ui/words';

/** How one's own hand does, kind by kind: what wants practice most stands first. */
export function HandCard() {
  const { technician } = usePreferences();
  const kinds = handByFamily(useHandLog(), technician);
  if (kinds.length === 0) return null;
  return (
    <Card testID="hand">
      <Heading>Your hand</Heading>
      {kinds.map((kind) => (
        <ListLine
          key={kind.family}
          say={familyName[kind.family]}
          under={handWords(kind)}
          right={<Pill tone={scoreTone(kind)}>{`${Math.round(kind.points)}${trend(kind)}`}</Pill>}
        />
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
