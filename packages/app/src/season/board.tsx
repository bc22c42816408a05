import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragMoveEvent,
} from '@dnd-kit/core';
import {
  areaOf,
  moverOf,
  moveTo,
  whereIs,
  type Planned,
  type SeasonVisit,
  rulesFor,
} from '@holvek/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { View } from '@/ui/kit';
import { Strong, Words } from '@/ui/words';
import { AREA_ROW, BoardRow, LABELS, VALVE_ROW, type Track } from './board-row';
import { barSentence, shortDay, worthWords } from './season-words';
import type { PlanActions } from './use-plan';
import type { SeasonDesk } from './use-season-desk';
import { WeekHead } from './week-head';

type Props = {
  readonly desk: SeasonDesk;
  readonly actions: PlanActions;
  readonly selected: string | undefined;
  readonly onSelect: (valveId: string) => void;
};

type Row = { readonly area: string } | { readonly visit: SeasonVisit };

/** px of the board that is seen at once. */
const HEIGHT = 480;

/** Places down, weeks across: windows as bars, visits as dots that can be dragged. */
export function Board({ desk, actions, selected, onSelect }: Props) {
  const [width, setWidth] = useState(900);
  const scrollRef = useRef<HTMLDivElement>(null);
  const rows = useMemo(() => rowsOf(desk), [desk]);
  const days = desk.made.days.length;
  const track: Track = { days, perDay: Math.max(4, (width - LABELS - 16) / days) };
  const drag = useDrag(desk, actions, track);
  // eslint-disable-next-line react-hooks/incompatible-library -- its rows are drawn from it here and nowhere else
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scrollRef.current,
    estimateSize: (i) => ('area' in rows[i]! ? AREA_ROW : VALVE_ROW),
    overscan: 12,
    initialRect: { width: 900, height: HEIGHT },
  });
  const planned = new Map(desk.season.plan.map((each) => [each.valve_id, each]));
  return (
    // It is measured a moment after the card beside it has come: until then nothing lies over that.
    <View
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      overflow="hidden"
      testID="board"
    >
      <WeekHead desk={desk} track={track} />
      <View minHeight={28} role="status" aria-live="polite" testID="drag-said">
        {drag.said ? <Strong>{drag.said}</Strong> : null}
      </View>
      <div ref={scrollRef} style={{ maxHeight: HEIGHT, overflowY: 'auto' }} tabIndex={-1}>
        <DndContext
          sensors={drag.sensors}
          onDragMove={drag.moved}
          onDragEnd={drag.ended}
          onDragCancel={drag.cancelled}
        >
          <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
            {virtual.getVirtualItems().map(({ key, index, start, size }) => (
              <div
                key={key}
                style={{ position: 'absolute', top: start, left: 0, right: 0, height: size }}
              >
                <RowOf
                  row={rows[index]!}
                  {...{ desk, track, planned, selected, onSelect }}
                  isFixed={!actions.may}
                />
              </div>
            ))}
          </div>
        </DndContext>
      </div>
    </View>
  );
}

function RowOf({
  row,
  desk,
  track,
  planned,
  selected,
  isFixed,
  onSelect,
}: {
  readonly isFixed: boolean;
  readonly row: Row;
  readonly desk: SeasonDesk;
  readonly track: Track;
  readonly planned: ReadonlyMap<string, Planned>;
  readonly selected: string | undefined;
  readonly onSelect: (valveId: string) => void;
}) {
  if ('area' in row)
    return (
      <View height={AREA_ROW} justifyContent="flex-end" borderTopWidth={1} borderColor="$line">
        <Words fontFamily="$strong">{row.area}</Words>
      </View>
    );
  const { id } = row.visit.valve;
  return (
    <BoardRow
      desk={desk}
      visit={row.visit}
      planned={planned.get(id)}
      track={track}
      isSelected={selected === id}
      isFixed={isFixed}
      onSelect={() => onSelect(id)}
    />
  );
}

/** Areas with what is wanted in them, the earliest first; what is done stays to be seen. */
function rowsOf({ visits, made, season }: SeasonDesk): readonly Row[] {
  const planned = new Set(season.plan.map(({ valve_id }) => valve_id));
  const shown = visits.filter(({ valve: { id } }) => made.visits.has(id) || planned.has(id));
  const byArea = new Map<string, SeasonVisit[]>();
  for (const visit of shown) {
    const area = areaOf(visit.valve.place);
    byArea.set(area, [...(byArea.get(area) ?? []), visit]);
  }
  return [...byArea].flatMap(([area, own]) => [
    { area },
    ...own
      .sort((a, b) => a.wanted.likely.localeCompare(b.wanted.likely))
      .map((visit) => ({ visit })),
  ]);
}

/** A dot that is dragged says at once what it would cost, or which rule keeps it out. */
function useDrag(desk: SeasonDesk, actions: PlanActions, { perDay }: Track) {
  const [said, setSaid] = useState<string>();
  const { made, routes, season } = desk;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: (event, { currentCoordinates: { x, y } }) => {
        if (event.code === 'ArrowRight') return { x: x + perDay, y };
        return event.code === 'ArrowLeft' ? { x: x - perDay, y } : undefined;
      },
    }),
  );
  const targetOf = ({ active, delta }: DragMoveEvent | DragEndEvent) => {
    const block = made.blockOf.get(String(active.id));
    const place = block === undefined ? undefined : whereIs(routes).get(block);
    if (block === undefined || !place) return undefined;
    const day = Math.min(
      made.days.length - 1,
      Math.max(0, place.day + Math.round(delta.x / perDay)),
    );
    return { block, place, to: { person: place.person, day } };
  };
  return {
    said,
    sensors,
    moved: (event: DragMoveEvent) => {
      const target = targetOf(event);
      if (!target) return;
      const { block, to } = target;
      const found = moveTo(moverOf(made.problem, routes, block), to);
      const day = shortDay(made.days[to.day]!);
      const rules = rulesFor(season.rules, String(event.active.id));
      setSaid(
        typeof found === 'string'
          ? `${day}: not there, ${barSentence(found, rules)}.`
          : `${day}: ${worthWords(found.more)}.`,
      );
    },
    ended: (event: DragEndEvent) => {
      setSaid(undefined);
      const target = targetOf(event);
      if (target && target.to.day !== target.place.day) actions.move(target.block, target.to);
    },
    cancelled: () => setSaid(undefined),
  };
}
