import { useEffect, useRef, useState } from 'react';
import type { LookKitView } from '../../../contracts/views';
import { inUnit, isHeld, type Side } from '../../../core';
import { useAhead } from '../../../kit/deviceQueue/useAhead';
import { newId } from '../../../kit/send';
import { useKeys } from '../../../kit/useKeys';
import type { KitPoint, KitStudent, KitTechnique } from '../../../kit/mat/line';
import { rangeFor } from '../../../kit/mat/line';
import { draftLook, recordLook, writtenDay } from '../../../kit/mat/record';
import { restAt } from '../rests';
import { keepPass, readPass, wordFor, wordOf, type Tapped } from './pass';

export interface Swept {
  kit: LookKitView;
  line: readonly KitStudent[];
  technique: KitTechnique;
  point: KitPoint;
  conditionId: string;
  side: Side;
  onSwept: () => void;
}

/** One pass of one point along the line: who is marked, where the cursor stands, what the keys do. */
export function useSweep({ kit, line, technique, point, conditionId, side, onSwept }: Swept) {
  const waived = (s: KitStudent) => s.waived.includes(point.id);
  // Whose work rests is passed over until somebody says otherwise, once.
  const [allowed, setAllowed] = useState<ReadonlySet<string>>(new Set());
  const restOf = (s: KitStudent | undefined) =>
    s && !allowed.has(s.id) ? restAt(s, `t:${technique.id}`, conditionId, point.id) : null;
  const out = (s: KitStudent) => waived(s) || restOf(s) !== null;
  const firstOpen = Math.max(
    0,
    line.findIndex((s) => !out(s)),
  );
  const sweepKey = `${writtenDay(kit.timeZone)} ${point.id} ${conditionId} ${side}`;
  // A reload in the middle of a pass goes on where it was. Each sweep is a component of its own, so this is read once.
  const [kept] = useState(() => readPass(sweepKey));
  const [pass, setPass] = useState(kept.pass);
  const [byEye, setByEye] = useState(false);
  const measured = point.kind === 'measured' && !byEye;
  const ahead = useAhead<string, Tapped>(
    async (studentId, tap, over) => {
      const who = kit.students.find((x) => x.id === studentId) ?? line.find((x) => x.id === studentId);
      // What was never on the device needs nothing taken back.
      if (!who || (tap.held === null && (over?.held ?? null) === null)) return over;
      const draft = draftLook({
        id: tap.lookId,
        studentId,
        techniqueId: technique.id,
        conditionId,
        side,
        marks: tap.held === null ? [] : [markOf(point, tap.held, tap)],
        // Over what the device really has: a look that could not be written is corrected by nobody.
        replaces: over?.lookId ?? null,
        names: { [point.id]: point.name },
        label: `${who.name}, ${point.name}: ${tap.value !== null && tap.held !== null ? inUnit(tap.value, point.unit) : wordFor(tap.held, tap.of)}`,
      });
      await recordLook(draft, kit.me.personId, kit.timeZone);
      return tap;
    },
    () => Object.entries(kept.done),
  );
  const done: Record<string, Tapped> = Object.fromEntries(ahead.entries());
  // What the device has of this pass is remembered for a reload.
  const soFar = JSON.stringify({ pass, done });
  const began = useRef(soFar);
  useEffect(() => {
    // Opening it is not yet going on with it.
    if (soFar !== began.current) keepPass(sweepKey, JSON.parse(soFar) as { pass: number; done: typeof done });
  }, [sweepKey, soFar]);
  const before = Object.values(kept.done).filter((d) => d.held !== null).length;
  const [asks, setAsks] = useState(before > 0 && kept.over);
  const [at, setAt] = useState(() => {
    const open = line.findIndex((s) => !out(s) && (kept.done[s.id]?.held ?? null) === null);
    return open < 0 ? firstOpen : open;
  });
  const [of, setOf] = useState(1);
  const [value, setValue] = useState<number | null>(null);
  const [last, setLast] = useState<{ studentId: string; before: Tapped | undefined; word: string } | null>(null);

  const person = line[at];
  const range = rangeFor(point, person);
  // A measure that nobody took is none: both keys wait for it.
  const measure = measured && range !== null ? value : null;
  const accepted = measure !== null && isHeld(measure, range!);
  const rest = restOf(person);
  const next = (from: number) => {
    for (let i = from + 1; i < line.length; i += 1) if (!out(line[i]!)) return i;
    return from;
  };
  const isOpen = (s: KitStudent) => !out(s) && (ahead.latest(s.id)?.held ?? null) === null;
  /** The next who is not marked yet, beginning anew at the door; where all are, it stays. */
  const nextOpen = (from: number, but: KitStudent) => {
    for (let k = 1; k < line.length; k += 1) {
      const i = (from + k) % line.length;
      if (line[i] !== but && isOpen(line[i]!)) return i;
    }
    return from;
  };

  const mark = (held: number | null, read: { value: number; half: number } | null = null) => {
    if (!person || out(person)) return;
    const now = ahead.latest(person.id);
    if (held === null && (now === undefined || now.held === null)) {
      setAt(next(at));
      return;
    }
    // Shown as taken only when the device has it; a correction is written over what the device has.
    ahead.set(person.id, {
      lookId: newId(),
      held,
      of: measured ? 1 : of,
      value: measured ? (read?.value ?? measure) : null,
      half: read?.half ?? null,
    });
    onSwept();
    setValue(null);
    const was = now && now.held !== null ? `, was ${wordOf(now)}` : '';
    setLast({ studentId: person.id, before: now, word: `${wordFor(held, measured ? 1 : of)}${was}` });
    setAt(held === null ? next(at) : nextOpen(at, person));
  };
  const hold = () => {
    if (!measured || accepted) mark(measured ? 1 : of);
  };
  const slip = () => {
    if (!measured || (measure !== null && !accepted)) mark(measured ? 0 : of - 1);
  };
  /** What was read off a picture or a clip is a mark at once: it says itself whether it is accepted. */
  const take = (value: number, half: number) => {
    if (range) mark(isHeld(value, range) ? 1 : 0, { value, half });
  };
  const undo = () => {
    const who = line.find((s) => s.id === last?.studentId);
    if (!who || !last) return;
    // As it was, with its own number and measure.
    ahead.set(who.id, { held: null, of, value: null, ...last.before, lookId: newId() });
    setLast(null);
    setAt(line.indexOf(who));
  };
  const nextPass = () => {
    setPass(pass + 1);
    for (const [id] of ahead.entries()) ahead.forget(id);
    setLast(null);
    setAsks(false);
    setAt(firstOpen);
  };

  useKeys((key, digit) => {
    if (asks) return false;
    if (key === 'arrowdown') setAt((i) => Math.min(line.length - 1, i + 1));
    else if (key === 'arrowup') setAt((i) => Math.max(0, i - 1));
    else if (rest) return false;
    else if (key === 'h') hold();
    else if (key === 's') slip();
    else if (key === 'backspace') mark(null);
    else if (digit !== null && !measured && digit <= of) mark(digit);
    else if (key === 'enter') setAt(next(at));
    else return false;
    return true;
  });

  return {
    problem: ahead.problem,
    pass,
    done,
    /** The looks of this pass. */
    own: new Set(ahead.entries().map(([, d]) => d.lookId)),
    marked: Object.values(done).filter((d) => d.held !== null).length,
    /** A pass of some time ago is open: how many were marked in it. */
    asks: asks ? before : null,
    goOn: () => setAsks(false),
    nextPass,
    at,
    setAt,
    person,
    following: line[next(at)],
    waived,
    restOf,
    rest,
    allow: () => person && setAllowed(new Set([...allowed, person.id])),
    passOver: () => setAt(next(at)),
    of,
    setOf,
    range,
    measured,
    value,
    setValue,
    measure,
    accepted,
    byEye,
    setByEye,
    mark,
    hold,
    slip,
    take,
    last,
    undo,
  };
}
export type Sweeping = ReturnType<typeof useSweep>;

/** A measured point that was only looked at is a mark by eye, and kept as such. */
const markOf = (point: KitPoint, held: number, tap: Tapped) =>
  tap.value !== null
    ? {
        pointId: point.id,
        kind: 'measured' as const,
        values: [tap.value],
        halves: tap.half == null ? null : [tap.half],
      }
    : { pointId: point.id, kind: point.kind === 'measured' ? ('seen' as const) : point.kind, held, of: tap.of };
