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
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import Repeat from 'lucide-react-native/icons/repeat';
import { View, type ViewProps } from 'react-native';
import type { PlanPose } from '@/core/formats/plan';
import { Press, Tick } from '@/ui/Press';
import { tone } from '@/ui/tones';
import { Aside } from '@/ui/Words';
import { actionWords, poseTitle } from '../plan/words';

/** A pose in today's order; the same pose may stand in it twice. */
export interface Row {
  readonly id: string;
  readonly key: string;
  readonly on: boolean;
}

interface OrderListProps {
  readonly rows: readonly Row[];
  readonly planOf: (key: string) => PlanPose | undefined;
  readonly onChange: (rows: readonly Row[]) => void;
  readonly onAgain: (row: Row) => void;
}

/** Today's poses in their order: ticked off, moved by a drag or by keys, and done again. */
export function OrderList({ rows, planOf, onChange, onAgain }: OrderListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent) => {
    const from = rows.findIndex(({ id }) => id === active.id);
    const to = rows.findIndex(({ id }) => id === over?.id);
    if (from >= 0 && to >= 0 && from !== to) onChange(arrayMove([...rows], from, to));
  };
  const title = (id: unknown) => {
    const row = rows.find((one) => one.id === id);
    const planned = row && planOf(row.key);
    return planned ? poseTitle(planned) : '';
  };
  const place = (id: unknown) => `${rows.findIndex((one) => one.id === id) + 1} of ${rows.length}`;
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={dropped}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            'To move this pose press space, then the arrow keys, and space again; escape leaves it where it was.',
        },
        announcements: {
          onDragStart: ({ active }) => `${title(active.id)} taken up.`,
          onDragOver: ({ active, over }) =>
            over ? `${title(active.id)}: place ${place(over.id)}.` : undefined,
          onDragEnd: ({ active, over }) =>
            over ? `${title(active.id)} put down, ${place(over.id)}.` : undefined,
          onDragCancel: ({ active }) => `${title(active.id)} left where it was.`,
        },
      }}
    >
      <SortableContext items={rows.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <View role="list" aria-label="Today’s poses in their order" className="gap-2">
          {rows.map((row) => {
            const planned = planOf(row.key);
            return planned ? (
              <PoseRow
                key={row.id}
                row={row}
                planned={planned}
                onToggle={() =>
                  onChange(rows.map((one) => (one === row ? { ...one, on: !one.on } : one)))
                }
                onAgain={() => onAgain(row)}
              />
            ) : null;
          })}
        </View>
      </SortableContext>
    </DndContext>
  );
}

interface PoseRowProps {
  readonly row: Row;
  readonly planned: PlanPose;
  readonly onToggle: () => void;
  readonly onAgain: () => void;
}

function PoseRow({ row, planned, onToggle, onAgain }: PoseRowProps) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, isDragging } =
    useSortable({ id: row.id });
  const title = poseTitle(planned);
  const { words, mark } = actionWords[planned.decision.word];
  return (
    <View
      role="listitem"
      ref={(node) => setNodeRef(node as unknown as HTMLElement | null)}
      className={`flex-row flex-wrap items-center gap-2 rounded-lg border bg-sheet py-1 pl-4 pr-1 ${isDragging ? 'border-thread' : 'border-line'}`}
      style={{
        transform: [{ translateY: transform?.y ?? 0 }],
        zIndex: isDragging ? 1 : 0,
      }}
    >
      <View className="min-w-[9rem] flex-1">
        <Tick checked={row.on} onToggle={onToggle}>
          {title}
        </Tick>
        <Aside className="-mt-2 pb-1 pl-9">
          {words} {mark}
        </Aside>
      </View>
      <Press
        kind="quiet"
        className="px-2"
        aria-label={`${title} again at the end`}
        icon={<Repeat size={20} color={tone('thread')} aria-hidden />}
        onPress={onAgain}
      />
      {/* A press of its own would take the keys that move it. */}
      <View
        ref={(node) => setActivatorNodeRef(node as unknown as HTMLElement | null)}
        aria-label={`Move ${title}`}
        className="min-h-12 w-11 items-center justify-center"
        style={{ touchAction: 'none', cursor: 'grab' } as unknown as ViewProps['style']}
        {...(attributes as object)}
        {...(listeners as object)}
      >
        <GripVertical size={22} color={tone('faint')} aria-hidden />
      </View>
    </View>
  );
}
