import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import Button from '@mui/material/Button';
import type { LookKitView } from '../../../contracts/views';
import { Belt } from '../../../kit/marks/Belt';
import type { KitStudent } from '../../../kit/mat/line';
import './OrderLine.css';

const HOW = {
  draggable: 'Take it with the space bar, move it with the arrows, let it go with the space bar. Escape puts it back.',
};

/** The order of the line, from the door: dragged by the grip, or moved by keys. */
export default function OrderLine({
  people,
  ranks,
  before,
  onOrder,
  onDone,
}: {
  people: readonly KitStudent[];
  ranks: LookKitView['ranks'];
  /** How they stood last time; null where nobody knows. */
  before: string[] | null;
  onOrder: (ids: string[] | null) => void;
  onDone: () => void;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = people.map((p) => p.id);
  const end = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    onOrder(arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  const name = (id: UniqueIdentifier) => people.find((p) => p.id === id)?.name ?? '';
  const place = (id: UniqueIdentifier) => `${ids.indexOf(String(id)) + 1} of ${ids.length}`;
  // Whoever does not see the line hears names and places.
  const said: Announcements = {
    onDragStart: ({ active }) => `${name(active.id)} is taken, ${place(active.id)}.`,
    onDragOver: ({ active, over }) => (over ? `${name(active.id)} would be ${place(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) => `${name(active.id)} is ${place((over ?? active).id)}.`,
    onDragCancel: ({ active }) => `${name(active.id)} stays ${place(active.id)}.`,
  };
  return (
    <div className="order-line">
      <p>Drag by the grip, or take it with the space bar and move it with the arrows. The first stands at the door.</p>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={{ announcements: said, screenReaderInstructions: HOW }}
        onDragEnd={end}
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ol>
            {people.map((p) => (
              <Row key={p.id} person={p} rank={ranks.find((r) => r.id === p.rankId)} />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <footer className="plain">
        <Button variant="contained" onClick={onDone}>
          So they stand
        </Button>
        {before && <Button onClick={() => onOrder(before)}>As last time</Button>}
        <Button onClick={() => onOrder(null)}>By belt</Button>
      </footer>
    </div>
  );
}

function Row({ person, rank }: { person: KitStudent; rank: LookKitView['ranks'][number] | undefined }) {
  const { attributes, listeners, setNodeRef, transform, transition, newIndex } = useSortable({ id: person.id });
  return (
    <li ref={setNodeRef} style={{ transform: CSS.Transform.toString(transform), transition }}>
      <span className="num">{newIndex + 1}</span>
      {rank && <Belt name={rank.name} cloth={rank.cloth} width={54} height={17} />}
      <b>{person.name}</b>
      <button type="button" className="grip" aria-label={`Move ${person.name}`} {...attributes} {...listeners}>
        <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
          <path d="M3 6H19M3 11H19M3 16H19" stroke="currentColor" strokeWidth="2.4" strokeLinecap="round" />
        </svg>
      </button>
    </li>
  );
}
