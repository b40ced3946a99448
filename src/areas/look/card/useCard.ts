import { useState } from 'react';
import type { LookWritten } from '../../../contracts/look';
import type { LookKitView } from '../../../contracts/views';
import { countOf, type Purpose, type Side, type Stage } from '../../../core';
import { drop, openNow } from '../../../kit/deviceQueue/deviceQueue';
import { useAhead } from '../../../kit/deviceQueue/useAhead';
import { newId } from '../../../kit/send';
import { cardFrom, isMarked, marksOf, uncutFor, type CardMarks, type PointMarks } from './cardMarks';
import type { KitPoint, KitStudent, KitTechnique } from '../../../kit/mat/line';
import { draftLook, recordLook } from '../../../kit/mat/record';

/** How a technique was done: to show or to study it, at which stage of learning, with whom; null where it is not said. */
export interface How {
  purpose: Purpose | null;
  stage: Stage | null;
  partnerId: string | null;
}
/** The look of one side, whole: each tap writes it anew. */
interface SideCard {
  lookId: string;
  marks: CardMarks;
  note: string;
  how: How;
  open: boolean;
}
interface Step {
  side: Side;
  marks: CardMarks;
  at: number;
}
const STEPS_KEPT = 30;

/** A card that was open when the browser was closed, or when somebody else was looked at in between. */
function begunCard(who: string, by: string): { cards: [Side, SideCard][]; how: How } {
  const out: ReturnType<typeof begunCard> = { cards: [], how: { purpose: null, stage: null, partnerId: null } };
  for (const c of openNow()) {
    const l = c.input as LookWritten;
    if (c.name !== 'look.record' || c.by !== by || `${l.studentId} ${l.techniqueId} ${l.conditionId}` !== who) continue;
    const how = { purpose: l.purpose, stage: l.stage ?? null, partnerId: l.partnerId ?? null };
    out.cards.push([l.side, { lookId: c.id, marks: cardFrom(l.marks, 5), note: l.note, how, open: true }]);
    if (l.purpose || l.stage || l.partnerId) out.how = how;
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
  const [how, setHow] = useState<How>(begun.how);
  const [past, setPast] = useState<readonly Step[]>([]);
  const ahead = useAhead<Side, SideCard>(
    async (side, own) => {
      const list = marksOf(points, own.marks);
      if (list.length === 0 && own.note.trim() === '') {
        await drop(own.lookId);
        return own;
      }
      const draft = draftLook({
        id: own.lookId,
        studentId: student.id,
        techniqueId: technique.id,
        conditionId,
        side,
        ...own.how,
        marks: list,
        note: own.note,
        names: Object.fromEntries(points.map((p) => [p.id, p.name])),
        label: `${student.name}, ${technique.name}${side === 'none' ? '' : `, ${side}`}: ${list.length === 0 ? 'a note' : countOf(list.length, 'point')}`,
      });
      await recordLook(draft, kit.me.personId, kit.timeZone, own.open);
      return own;
    },
    () => begun.cards,
  );
  const cardOf = (side: Side): SideCard =>
    ahead.latest(side) ?? { lookId: newId(), marks: {}, note: '', how, open: true };
  const change = (side: Side, more: Partial<SideCard>) => ahead.set(side, { ...cardOf(side), ...more });

  return {
    sides,
    problem: ahead.problem,
    how,
    canUndo: past.length > 0,
    /** What the device has of a side. */
    shown: (side: Side): CardMarks => ahead.has(side)?.marks ?? {},
    /** What was tapped last, although it may still be on its way to the device. */
    latest: (side: Side, p: KitPoint): PointMarks => cardOf(side).marks[p.id] ?? uncutFor(p, of),
    note: (side: Side): string => ahead.latest(side)?.note ?? '',
    /** Marks one point; `at` is where the cursor stood, so that undoing returns there. */
    set(side: Side, p: KitPoint, next: PointMarks, at: number) {
      const old = cardOf(side).marks;
      setPast((list) => [...list.slice(-STEPS_KEPT), { side, marks: old, at }]);
      change(side, { marks: { ...old, [p.id]: next } });
    },
    /** Takes the last mark back; says where it was. */
    undo(): { side: Side; at: number } | null {
      const step = past.at(-1);
      if (!step) return null;
      setPast(past.slice(0, -1));
      change(step.side, { marks: step.marks });
      return step;
    },
    setNote(side: Side, note: string) {
      change(side, { note });
    },
    changeHow(as: How) {
      setHow(as);
      for (const side of sides) if (ahead.latest(side)) change(side, { how: as });
    },
    /** Closes the card: its looks may be sent. Says if anything was marked; null where the device has no room for it. */
    async finish(): Promise<boolean | null> {
      const own = sides.flatMap((side) => {
        const card = ahead.latest(side);
        return card ? [{ side, card }] : [];
      });
      for (const { side } of own) change(side, { open: false });
      if (!(await ahead.settled())) return null;
      for (const { side } of own) ahead.forget(side);
      setPast([]);
      return own.some(({ card }) => Object.values(card.marks).some(isMarked));
    },
  };
}
