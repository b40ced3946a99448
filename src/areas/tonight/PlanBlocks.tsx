import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { LookKitView } from '../../contracts/views';
import { blockTimes, clockInWords, countOf, itemKey, type Block, type ClassPlan } from '../../core';
import type { KitItem } from '../../kit/mat/line';
import { LookLine } from './LookLine';
import type { LookInBlock } from './worth';

/** The blocks of an evening beside its staff, each as high as its minutes, with what can be watched in it. */
export function PlanBlocks({
  kit,
  items,
  plan,
  heights,
  looks,
  barred,
  short,
  selected,
  onSelect,
  onMove,
}: {
  kit: LookKitView;
  items: readonly KitItem[];
  plan: ClassPlan;
  heights: readonly number[];
  looks: readonly LookInBlock[];
  /** Those that go first if time is short. */
  barred: ReadonlySet<LookInBlock>;
  /** What the store is short of, by block. */
  short: ReadonlyMap<string, readonly { name: string; short: number; wanted: number }[]>;
  selected: string | null;
  onSelect: (id: string) => void;
  onMove: (id: string, to: number) => void;
}) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 8 } }));
  const times = new Map(blockTimes(plan).map((t) => [t.id, t]));
  const end = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id)
      onMove(
        String(active.id),
        plan.blocks.findIndex((b) => b.id === over.id),
      );
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={end}>
      <SortableContext items={plan.blocks.map((b) => b.id)} strategy={verticalListSortingStrategy}>
        <ol className="plan-blocks" aria-label="The evening, block by block">
          {plan.blocks.map((b, i) => (
            <Row
              key={b.id}
              block={b}
              height={heights[i]!}
              from={times.get(b.id)!.from}
              to={times.get(b.id)!.to}
              names={b.items.map(
                (x) => items.find((y) => y.key === itemKey(x.item))?.name ?? 'not in the library any more',
              )}
              short={(short.get(b.id) ?? []).map((x) => `${x.name}: ${x.short} of ${x.wanted} short`).join('; ')}
              selected={b.id === selected}
              onSelect={() => onSelect(b.id)}
            >
              <ul>
                {looks
                  .filter((l) => l.blockId === b.id)
                  .map((l) => (
                    <LookLine
                      key={`${l.look.kind} ${l.look.itemKey} ${l.look.pointId} ${l.look.side} ${l.look.studentIds[0]}`}
                      kit={kit}
                      items={items}
                      found={l}
                      bar={barred.has(l)}
                    />
                  ))}
              </ul>
            </Row>
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

/** Nailed down: it keeps its minutes. */
const Nail = () => (
  <svg className="nail" width="9" height="9" viewBox="0 0 9 9" aria-hidden="true">
    <circle cx="4.5" cy="4.5" r="3" fill="var(--ink)" />
  </svg>
);

function Row({
  block,
  height,
  from,
  to,
  names,
  short,
  selected,
  onSelect,
  children,
}: {
  block: Block;
  height: number;
  from: number;
  to: number;
  names: readonly string[];
  short: string;
  selected: boolean;
  onSelect: () => void;
  children: React.ReactNode;
}) {
  const lines = Math.floor((height - 28) / 18);
  const { listeners, setNodeRef, transform, transition } = useSortable({ id: block.id });
  return (
    <li
      ref={setNodeRef}
      className={selected ? 'selected' : ''}
      style={{ height, transform: CSS.Translate.toString(transform), transition }}
    >
      <button
        type="button"
        data-block={block.id}
        aria-expanded={selected}
        aria-label={`${block.name}, ${block.minutes} minutes${block.pinned ? ', kept' : ''}, ${clockInWords(from)} to ${clockInWords(to)}${short === '' ? '' : `, ${short}`}`}
        onClick={onSelect}
        {...listeners}
      >
        <span className="spread">
          <span>
            <b>{block.name}</b>
            {short !== '' && <span className="attention"> {short}</span>}
          </span>
          <span className="second num">
            {block.minutes} min{block.pinned && <Nail />}
          </span>
        </span>
        {lines > 0 && (
          <span className="second clip" style={{ WebkitLineClamp: lines }}>
            {[
              names.join(', '),
              block.how,
              block.who,
              block.things === '' ? '' : `Out: ${block.things}.`,
              block.pairs === null ? '' : `In pairs, ${countOf(block.pairs.rounds, 'round')}.`,
            ]
              .filter((x) => x !== '')
              .map((x) => (/[.!?]$/.test(x) ? x : `${x}.`))
              .join(' ')}
          </span>
        )}
      </button>
      {children}
    </li>
  );
}
