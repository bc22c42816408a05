import { useDraggable } from '@dnd-kit/core';
import { daysBetween, isDone, type Planned, type SeasonVisit } from '@holvek/core';
import { useInk } from '@/ui/use-ink';
import { View, XStack } from '@/ui/kit';
import { Press } from '@/ui/press';
import { Muted, Words } from '@/ui/words';
import { shortDay } from './season-words';
import type { SeasonDesk } from './use-season-desk';

/** px of the names at the left, of a row, and of the head of an area. */
export const LABELS = 210;
export const VALVE_ROW = 34;
export const AREA_ROW = 40;
const DOT = 18;

export type Track = { readonly days: number; readonly perDay: number };

type Props = {
  readonly desk: SeasonDesk;
  readonly visit: SeasonVisit;
  readonly planned: Planned | undefined;
  readonly track: Track;
  readonly isSelected: boolean;
  /** Whoever is here moves nothing. */
  readonly isFixed: boolean;
  readonly onSelect: () => void;
};

/** A valve on the board: its name, its window, and where it is planned. */
export function BoardRow({ desk, visit, planned, track, isSelected, isFixed, onSelect }: Props) {
  const valve = desk.valves.get(visit.valve.id);
  const person = desk.people.find(({ id }) => id === planned?.person_id);
  const isOver = isDone(desk.season, visit);
  return (
    <XStack
      height={VALVE_ROW}
      alignItems="center"
      backgroundColor={isSelected ? '$quiet' : 'transparent'}
    >
      <Press width={LABELS} height={VALVE_ROW} justifyContent="center" onPress={onSelect}>
        <Words numberOfLines={1}>{`${visit.valve.tag} ${valve?.name ?? ''}`}</Words>
      </Press>
      <View flex={1} height={VALVE_ROW} position="relative">
        <Window desk={desk} visit={visit} track={track} />
        {planned ? (
          <>
            <Dot
              id={visit.valve.id}
              label={`${visit.valve.tag}, ${shortDay(planned.day)}, ${person?.name ?? ''}`}
              left={middleOf(daysBetween(desk.season.from, planned.day), track)}
              isHeld={planned.locked === true}
              isLate={planned.day > visit.wanted.late}
              isDone={isOver}
              isFixed={isFixed}
            />
            <Muted
              position="absolute"
              top={8}
              left={middleOf(daysBetween(desk.season.from, planned.day), track) + DOT}
              aria-hidden
              pointerEvents="none"
            >
              {isOver ? 'done' : (person?.name.split(' ')[0] ?? '')}
            </Muted>
          </>
        ) : null}
      </View>
    </XStack>
  );
}

/** px of the middle of a day. */
const middleOf = (day: number, { perDay }: Track): number => (day + 0.5) * perDay;

/** From the first day on which it makes sense to the one from which it is late. */
function Window({ desk, visit, track }: Pick<Props, 'desk' | 'visit' | 'track'>) {
  const at = (day: string) =>
    Math.min(track.days, Math.max(0, daysBetween(desk.season.from, day))) * track.perDay;
  const { earliest, likely, late, because } = visit.wanted;
  const [from, to] = [at(earliest), at(late)];
  const isUnsettled = because === 're_test' || because === 'repair' || because === 'gauge_failed';
  const isOver = late < desk.today;
  return (
    <>
      <View
        position="absolute"
        top={10}
        height={14}
        borderRadius="$1"
        left={from}
        width={Math.max(4, to - from)}
        backgroundColor={isOver ? '$vermilionSoft' : isUnsettled ? '$brassSoft' : '$lane'}
      />
      <View
        position="absolute"
        top={7}
        height={20}
        width={3}
        left={at(likely)}
        backgroundColor={isOver ? '$vermilion' : isUnsettled ? '$brassMark' : '$verdigris'}
      />
    </>
  );
}

type DotProps = {
  readonly id: string;
  readonly label: string;
  readonly left: number;
  readonly isHeld: boolean;
  readonly isLate: boolean;
  readonly isDone: boolean;
  readonly isFixed: boolean;
};

/** A planned visit: taken hold of with a finger, or with the space bar and moved by the arrow keys. */
function Dot({ id, label, left, isHeld, isLate, isDone: isOver, isFixed }: DotProps) {
  const ink = useInk();
  const { attributes, listeners, setNodeRef, transform } = useDraggable({
    id,
    disabled: isOver || isFixed,
    attributes: { roleDescription: 'visit that can be moved' },
  });
  const colour = isOver ? ink.muted : isLate ? ink.vermilion : ink.verdigris;
  return (
    <div
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      aria-label={label}
      data-testid={`dot-${id}`}
      style={{
        position: 'absolute',
        top: (VALVE_ROW - DOT) / 2,
        left: left - DOT / 2,
        width: DOT,
        height: DOT,
        borderRadius: DOT,
        boxSizing: 'border-box',
        background: isHeld ? ink.card : colour,
        border: `4px solid ${colour}`,
        touchAction: 'none',
        cursor: isOver || isFixed ? 'default' : 'ew-resize',
        transform: transform ? `translateX(${transform.x}px)` : undefined,
        zIndex: transform ? 2 : 1,
      }}
    />
  );
}
