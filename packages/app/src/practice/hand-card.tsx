import { familyName } from '@holvek/core';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { certificateOf } from './certificate';
import { handByFamily, useHandLog, type HandOfFamily } from './hand-log';
import { scoreTone } from './score-words';
import { usePreferences } from '@/prefs/preferences';
import { pagesHere } from '@/sheet/paper/client';
import { saveBlob } from '@/ui/files';
import { ListLine } from '@/ui/list-line';
import { Card, Pill } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { Heading, Muted } from '@/ui/words';

/** How one's own hand does, kind by kind: what wants practice most stands first. */
export function HandCard() {
  const { technician } = usePreferences();
  const kinds = handByFamily(useHandLog(), technician);
  const [isFailed, setFailed] = useState(false);
  if (kinds.length === 0) return null;
  const take = async () => {
    const page = certificateOf(technician, kinds, format(new Date(), 'd MMM yyyy'));
    try {
      const bytes = await pagesHere(page.title, [page]);
      saveBlob(`${page.title}.pdf`, new Blob([bytes], { type: 'application/pdf' }));
      setFailed(false);
    } catch {
      setFailed(true);
    }
  };
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
      <WordButton onPress={() => void take()}>
        {isFailed ? 'it could not be made: once more' : 'take it on paper, for whom you like'}
      </WordButton>
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
