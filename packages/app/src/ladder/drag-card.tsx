import type { System } from '@holvek/core';
import { ClashCard } from './clash-card';
import type { DragState } from './use-system';
import { useUnits } from '@/units/use-units';
import { Card, Row } from '@/ui/card';
import { WordButton } from '@/ui/press';
import { Muted, Strong } from '@/ui/words';

/** What gives way to the rung that is held, or which rules forbid it. */
export function DragCard({
  drag,
  system,
  onRelease,
}: {
  readonly drag: DragState;
  readonly system: System;
  readonly onRelease: () => void;
}) {
  const units = useUnits();
  const nameOf = (id: string) => system.rungs.find((rung) => rung.id === id)?.name ?? id;
  return (
    <>
      <Card tone="work" testID="drag">
        <Strong color="$onBrassSoft">{`${nameOf(drag.rung)} held at ${units.withUnit(drag.pa)}`}</Strong>
        {drag.clash ? (
          <Muted color="$onBrassSoft">
            It cannot stand there: see below. It is drawn where it last could.
          </Muted>
        ) : drag.gaveWay.length === 0 ? (
          <Muted color="$onBrassSoft">Nothing else has to give way.</Muted>
        ) : null}
        {drag.gaveWay.map(({ rung, by }, i) => (
          <Row key={rung} label={nameOf(rung)} isLast={i === drag.gaveWay.length - 1}>
            {`${by > 0 ? 'up' : 'down'} ${units.withUnit(Math.abs(by))}`}
          </Row>
        ))}
        <WordButton onPress={onRelease}>let go</WordButton>
      </Card>
      {drag.clash ? <ClashCard clash={drag.clash} system={system} /> : null}
    </>
  );
}
