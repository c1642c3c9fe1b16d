'use client';

import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { boardCells, type OffPart } from '@holotonos/core';
import { memo, useId, useMemo } from 'react';
import { useJob } from '@/job/JobContext';

/** The distance from one of these edges to the next. */
const pitch = (edges: readonly number[]): number => {
  const [first = 0, second = first + 60] = [...new Set(edges)].sort((a, b) => a - b);
  return second - first;
};

/** With the keyboard a part is carried one place at a time. */
const oneCell: KeyboardCoordinateGetter = (event, { currentCoordinates, context: { droppableRects } }) => {
  const cells = [...droppableRects.values()];
  const across = pitch(cells.map(({ left }) => left));
  const down = pitch(cells.map(({ top }) => top));
  const by: Record<string, [number, number]> = {
    ArrowRight: [across, 0],
    ArrowLeft: [-across, 0],
    ArrowDown: [0, down],
    ArrowUp: [0, -down],
  };
  const step = by[event.code];
  if (!step) return undefined;
  event.preventDefault();
  return { x: currentCoordinates.x + step[0], y: currentCoordinates.y + step[1] };
};

// The same at every drawing: with others all ninety-six places would be drawn anew for the one that changed.
const byPointer = { activationConstraint: { distance: 6 } };
const byKeyboard = {
  coordinateGetter: oneCell,
  keyboardCodes: { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] },
};

interface LyingProps {
  off: OffPart;
  name: string;
  chosen: boolean;
  onChoose: (part: string) => void;
}

function Lying({ off, name, chosen, onChoose }: LyingProps) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: off.part });
  return (
    <button
      ref={setNodeRef}
      type="button"
      className={`board-part${chosen ? ' chosen' : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 5 } : undefined}
      {...attributes}
      {...listeners}
      aria-roledescription="part on the board"
      aria-label={`${off.cell}: ${name}`}
      aria-pressed={chosen}
      onClick={() => onChoose(off.part)}
    >
      {name}
    </button>
  );
}

const Place = memo(function Place({
  cell,
  off,
  ...rest
}: Omit<LyingProps, 'off'> & { cell: string; off: OffPart | undefined; next: boolean }) {
  const { setNodeRef, isOver } = useDroppable({ id: cell });
  return (
    <div ref={setNodeRef} className={`board-cell${isOver ? ' over' : ''}${rest.next ? ' next' : ''}`}>
      <span className="cell-name label" aria-hidden="true">
        {cell}
      </span>
      {off && <Lying off={off} {...rest} />}
    </div>
  );
});

/** The screw board as it lies on the bench: drag a part to another place, or carry it with Space and the arrow keys. */
export function Board({
  chosen,
  next,
  onChoose,
}: {
  chosen: string | null;
  next: string | null;
  onChoose: (part: string) => void;
}) {
  const { state, names, write } = useJob();
  const id = useId();
  const sensors = useSensors(useSensor(PointerSensor, byPointer), useSensor(KeyboardSensor, byKeyboard));
  const byCell = useMemo(
    () => new Map([...state.off.values()].flatMap((off) => (off.cell ? [[off.cell, off] as const] : []))),
    [state.off],
  );
  const drop = ({ active, over }: DragEndEvent) => {
    const part = String(active.id);
    if (over && state.off.get(part)?.cell !== over.id)
      write('part-placed', { part, where: 'board', cell: String(over.id) });
  };
  const name = (part: string | undefined) => (part === undefined ? '' : (names.get(part) ?? part));
  return (
    <DndContext
      id={id}
      sensors={sensors}
      onDragEnd={drop}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            'Space picks the part up, the arrow keys carry it from place to place, Space puts it down, Escape puts it back.',
        },
        announcements: {
          onDragStart: ({ active }) => `${name(String(active.id))} picked up`,
          onDragOver: ({ active, over }) => (over ? `${name(String(active.id))} over ${over.id}` : undefined),
          onDragEnd: ({ active, over }) => (over ? `${name(String(active.id))} put down at ${over.id}` : 'Put back'),
          onDragCancel: () => 'Put back',
        },
      }}
    >
      <div
        className="board"
        role="group"
        aria-label={`Screw board, ${state.board.rows} rows of ${state.board.columns}`}
        style={{ gridTemplateColumns: `repeat(${state.board.columns}, minmax(0, 1fr))` }}
      >
        {boardCells(state.board).map((cell) => {
          const off = byCell.get(cell);
          return (
            <Place
              key={cell}
              cell={cell}
              off={off}
              name={name(off?.part)}
              chosen={off?.part === chosen && chosen !== null}
              next={cell === next}
              onChoose={onChoose}
            />
          );
        })}
      </div>
    </DndContext>
  );
}
