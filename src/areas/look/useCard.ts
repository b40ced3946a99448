import { useRef, useState } from 'react';
import type { LookWritten } from '../../contracts/look';
import type { LookKitView } from '../../contracts/views';
import type { Purpose, Side, Stage } from '../../core';
import { drop, openNow } from '../../kit/outbox';
import { newId } from '../../kit/send';
import { cardFrom, isMarked, marksOf, uncutFor, type CardMarks, type PointMarks } from './cardMarks';
import type { KitPoint, KitStudent, KitTechnique } from './line';
import { draftLook, recordLook } from './record';

/** How a technique was done: to show or to study it, at which stage of learning, with whom; null where it is not said. */
export interface How {
  purpose: Purpose | null;
  stage: Stage | null;
  partnerId: string | null;
}
interface SideCard {
  lookId: string;
  marks: CardMarks;
}
type Cards = Partial<Record<Side, SideCard>>;
interface Step {
  side: Side;
  marks: CardMarks;
  at: number;
}
const STEPS_KEPT = 30;

/** A card that was open when the browser was closed, or when somebody else was looked at in between. */
function begunCard(who: string, by: string): { cards: Cards; notes: Partial<Record<Side, string>>; how: How } {
  const out: ReturnType<typeof begunCard> = {
    cards: {},
    notes: {},
    how: { purpose: null, stage: null, partnerId: null },
  };
  for (const c of openNow()) {
    const l = c.input as LookWritten;
    if (c.name !== 'look.record' || c.by !== by || `${l.studentId} ${l.techniqueId} ${l.conditionId}` !== who) continue;
    out.cards[l.side] = { lookId: c.id, marks: cardFrom(l.marks, 5) };
    out.notes[l.side] = l.note;
    if (l.purpose || l.stage || l.partnerId)
      out.how = { purpose: l.purpose, stage: l.stage ?? null, partnerId: l.partnerId ?? null };
  }
  return out;
}

/**
 * The card of one person and one technique under one condition: a look a side, each written on this device with every
 * tap and shown only once it is there. It goes on where it was left. Each card is a component of its own.
 */
export function useCard({
  kit,
  student,
  technique,
  conditionId,
  points,
  of,
}: {
  kit: LookKitView;
  student: KitStudent;
  technique: KitTechnique;
  conditionId: string;
  points: readonly KitPoint[];
  of: number;
}) {
  const sides: Side[] = technique.sided ? ['left', 'right'] : ['none'];
  const [begun] = useState(() => begunCard(`${student.id} ${technique.id} ${conditionId}`, kit.me.personId));
  // `cards` is what the device has; `made` runs ahead of it by what is just being written down.
  const [cards, setCards] = useState<Cards>(begun.cards);
  const made = useRef<Cards>(begun.cards);
  const [notes, setNotes] = useState(begun.notes);
  const [how, setHow] = useState<How>(begun.how);
  const [past, setPast] = useState<readonly Step[]>([]);
  const [problem, setProblem] = useState('');
  const chain = useRef<Promise<unknown>>(Promise.resolve());

  const write = (
    side: Side,
    marks: CardMarks,
    open: boolean,
    { note = notes[side] ?? '', as = how }: { note?: string; as?: How } = {},
  ) => {
    const lookId = made.current[side]?.lookId ?? newId();
    const before = cards[side];
    made.current = { ...made.current, [side]: { lookId, marks } };
    const list = marksOf(points, marks);
    const draft = draftLook({
      id: lookId,
      studentId: student.id,
      techniqueId: technique.id,
      conditionId,
      side,
      ...as,
      marks: list,
      note,
      label: `${student.name}, ${technique.name}${side === 'none' ? '' : `, ${side}`}: ${list.length === 0 ? 'a note' : `${list.length} points`}`,
    });
    const empty = list.length === 0 && note.trim() === '';
    chain.current = chain.current
      .then(() => (empty ? drop(lookId) : recordLook(draft, kit.me.personId, kit.timeZone, open)))
      .then(
        () => {
          setProblem('');
          if (open) setCards((c) => ({ ...c, [side]: { lookId, marks } }));
        },
        (e: unknown) => {
          setProblem(e instanceof Error ? e.message : 'The mark was not taken.');
          made.current = { ...made.current, [side]: before };
        },
      );
  };
  const marksNow = (side: Side): CardMarks => made.current[side]?.marks ?? {};

  return {
    sides,
    problem,
    how,
    canUndo: past.length > 0,
    /** What the device has of a side. */
    shown: (side: Side): CardMarks => cards[side]?.marks ?? {},
    /** What was tapped last, although it may still be on its way to the device. */
    latest: (side: Side, p: KitPoint): PointMarks => marksNow(side)[p.id] ?? uncutFor(p, of),
    note: (side: Side): string => notes[side] ?? '',
    /** Marks one point; `at` is where the cursor stood, so that undoing returns there. */
    set(side: Side, p: KitPoint, next: PointMarks, at: number) {
      const old = marksNow(side);
      setPast((list) => [...list.slice(-STEPS_KEPT), { side, marks: old, at }]);
      write(side, { ...old, [p.id]: next }, true);
    },
    /** Takes the last mark back; says where it was. */
    undo(): { side: Side; at: number } | null {
      const step = past.at(-1);
      if (!step) return null;
      setPast(past.slice(0, -1));
      write(step.side, step.marks, true);
      return step;
    },
    setNote(side: Side, note: string) {
      setNotes((n) => ({ ...n, [side]: note }));
      write(side, marksNow(side), true, { note });
    },
    changeHow(as: How) {
      setHow(as);
      for (const side of sides) {
        const own = made.current[side];
        if (own) write(side, own.marks, true, { as });
      }
    },
    /** Closes the card: its looks may be sent. True if anything was marked. */
    async finish(): Promise<boolean> {
      let looked = false;
      for (const side of sides) {
        const own = made.current[side];
        if (!own) continue;
        const marked = Object.values(own.marks).some(isMarked);
        if (marked || (notes[side] ?? '').trim() !== '') write(side, own.marks, false);
        looked ||= marked;
      }
      await chain.current;
      made.current = {};
      setCards({});
      setPast([]);
      setNotes({});
      return looked;
    },
  };
}
