import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { Valve } from '@holvek/core';
import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import X from 'lucide-react-native/icons/x';
import { View, XStack } from '@/ui/kit';
import { useInk } from '@/ui/use-ink';
import { Press } from '@/ui/press';
import { Strong } from '@/ui/words';

type Props = {
  readonly valves: readonly Valve[];
  readonly onOrder: (ids: readonly string[]) => void;
};

/** Valves in an order that is dragged, stepped with arrows, or moved from the keyboard. */
export function SortableValves({ valves, onOrder }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = valves.map(({ id }) => id);
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id)
      onOrder(arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {valves.map((valve, i) => (
          <SortableLine
            key={valve.id}
            valve={valve}
            place={i + 1}
            onStep={(by) => {
              const to = i + by;
              if (to >= 0 && to < ids.length) onOrder(arrayMove(ids, i, to));
            }}
            onRemove={() => onOrder(ids.filter((id) => id !== valve.id))}
          />
        ))}
      </SortableContext>
    </DndContext>
  );
}

type LineProps = {
  readonly valve: Valve;
  readonly place: number;
  readonly onStep: (by: 1 | -1) => void;
  readonly onRemove: () => void;
};

function SortableLine({ valve, place, onStep, onRemove }: LineProps) {
  const ink = useInk();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: valve.id,
  });
  const key = (label: string, onPress: () => void, icon: React.ReactNode) => (
    <Press
      aria-label={label}
      onPress={onPress}
      width={44}
      height={52}
      alignItems="center"
      justifyContent="center"
    >
      {icon}
    </Press>
  );
  return (
    <div
      ref={setNodeRef}
      style={{
        transform: CSS.Transform.toString(transform),
        transition,
        opacity: isDragging ? 0.7 : 1,
      }}
    >
      <XStack
        alignItems="center"
        minHeight={56}
        borderBottomWidth={1}
        borderColor="$line"
        backgroundColor="$background"
      >
        <div
          {...attributes}
          {...listeners}
          aria-label={`Drag ${valve.tag}`}
          style={{ touchAction: 'none', cursor: 'grab', padding: 12 }}
        >
          <GripVertical size={20} color={ink.muted} />
        </div>
        <View flex={1}>
          <Strong numberOfLines={1}>{`${place}. ${valve.tag} ${valve.name}`}</Strong>
        </View>
        {key(`${valve.tag} up`, () => onStep(-1), <ArrowUp size={20} color={ink.color} />)}
        {key(`${valve.tag} down`, () => onStep(1), <ArrowDown size={20} color={ink.color} />)}
        {key(`${valve.tag} out`, onRemove, <X size={20} color={ink.vermilion} />)}
      </XStack>
    </div>
  );
}
