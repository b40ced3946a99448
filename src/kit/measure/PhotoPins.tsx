import Button from '@mui/material/Button';
import { memo, useCallback, useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import {
  capital,
  firstEnds,
  firstPins,
  inUnit,
  LANDMARKS,
  LENGTH_ENDS,
  measure,
  type FoundBody,
  type Scale,
  type Subject,
  type View,
} from '../../core';
import {
  beginPinning,
  confirmIt,
  cover,
  onwardsFrom,
  putAt,
  remember,
  undoPin,
  type Pinned,
  type Pinning,
} from './pinning';
import { PhotoStage } from './PhotoStage';
import { PinList } from './PinList';
import { ReadRows } from './ReadRows';
import { askedNext, readRows, shownHalf, shownValue, type Row, type Taken } from './reads';
import type { Picture } from './picture';

/** Landmarks on a picture and what they say; only this is drawn anew while a thumb moves one. */
export function PhotoPins({
  picture,
  view,
  subject,
  scale,
  byLength,
  rows,
  found,
  onKeys,
  onTouch,
  keeping,
  onTake,
  onClose,
}: {
  picture: Picture;
  view: View;
  subject: Subject;
  /** Null: no length is known. */
  scale: Scale | null;
  /** The scale is a known length, whose ends are set as well. */
  byLength: boolean;
  rows: readonly Row[];
  /** What a model found, as guesses. */
  found: FoundBody | null;
  /** What the sheet does with a key. */
  onKeys: (does: ((e: KeyboardEvent) => void) | null) => void;
  onTouch: () => void;
  /** The picture stays on this device. */
  keeping: boolean;
  onTake: (taken: Taken[]) => void;
  onClose: () => void;
}) {
  const { width, height } = picture;
  const needs: Pinned[] = [
    ...new Set([
      ...rows.flatMap((r) => r.kind.needs),
      ...(rows.some((r) => r.kind.scaled) ? (scale?.needs ?? []) : []),
    ]),
  ];
  const keysOfRows = rows.map((r) => r.kind.key);
  const readOff = (p: Pinning['pins']) => {
    const numbers = measure(view, p, scale, subject, keysOfRows);
    const read = readRows(rows, numbers, p);
    return { read, next: askedNext(view, p, numbers, read) };
  };
  const guessed = () => {
    const pins = {
      ...firstPins(view, width, height, subject.facing),
      ...firstEnds(width, height),
      ...(found?.facing === subject.facing ? found.pins : {}),
    };
    const first = rows[0]?.kind.needs[0] ?? LANDMARKS[view][0]!;
    return beginPinning(pins, readOff(pins).next ?? first);
  };
  const [now, setNow] = useState<Pinning>(guessed);
  const touched = now.before.length > 0;
  // What a thumb has set is never moved by a guess that comes later.
  const [seen, setSeen] = useState(found);
  if (found !== seen) {
    setSeen(found);
    if (!touched) setNow(guessed());
  }
  useEffect(() => {
    if (touched) onTouch();
  }, [touched, onTouch]);

  const stage = useRef<SVGSVGElement>(null);
  const drag = useRef<{ x: number; y: number; from: { x: number; y: number } } | null>(null);
  // Whoever is typing meanwhile goes on typing.
  useEffect(() => {
    if (!document.activeElement?.closest('input:not([type=file])')) stage.current?.focus();
  }, []);
  const { pins, at } = now;
  const { read, next } = readOff(pins);
  const pin = pins[at];
  const onWith = (p: Pinning) => onwardsFrom(p, view, readOff(p.pins).next, needs);
  const on = () => setNow(onWith(confirmIt(now, picture)));
  const hide = () => setNow(onWith(cover(now)));
  const undo = useCallback(() => setNow(undoPin), []);
  const choose = useCallback((name: Pinned) => setNow((p) => ({ ...p, at: name })), []);

  const down = (e: PointerEvent) => {
    if (!pin) return;
    setNow(remember(now));
    drag.current = { x: e.clientX, y: e.clientY, from: pin };
    e.currentTarget.setPointerCapture(e.pointerId);
  };
  // The pin goes half as far as the thumb, which does not cover it then.
  const moved = (e: PointerEvent) => {
    const d = drag.current;
    const box = stage.current?.getBoundingClientRect();
    if (!d || !box) return;
    const k = (box.width > 0 ? width / box.width : 1) / 2;
    const [x, y] = [d.from.x + (e.clientX - d.x) * k, d.from.y + (e.clientY - d.y) * k];
    setNow((p) => putAt(p, x, y, picture));
  };
  useEffect(() => {
    onKeys((e) => {
      const aim = e.target instanceof HTMLElement ? e.target : null;
      if (aim?.closest('input, [role="combobox"], [role="listbox"], [role="radiogroup"]')) return;
      const step = e.shiftKey ? 10 : 1;
      const arrows: Record<string, [number, number]> = {
        ArrowLeft: [-step, 0],
        ArrowRight: [step, 0],
        ArrowUp: [0, -step],
        ArrowDown: [0, step],
      };
      const by = arrows[e.key];
      if (by && pin) {
        e.preventDefault();
        setNow(putAt(remember(now), pin.x + by[0], pin.y + by[1], picture));
      } else if (e.key === 'Enter' && !aim?.closest('button, summary')) on();
      else if (e.key === 'Backspace') undo();
    });
    return () => onKeys(null);
  });

  const sure = read.filter((r) => r.sure);
  const unsure = read.find((r) => r.word === 'cannot tell');
  const take = () => onTake(sure.map((r) => ({ pointId: r.point.id, value: r.value!, half: r.half })));
  const one = sure.length === 1 ? inUnit(sure[0]!.value!, sure[0]!.kind.unit) : String(sure.length);
  const listed = [...LANDMARKS[view], ...(byLength ? LENGTH_ENDS : [])];
  return (
    <>
      <div className="photo-two">
        <PhotoStage
          ref={stage}
          picture={picture}
          view={view}
          pins={pins}
          at={at}
          byLength={byLength}
          onDown={down}
          onMove={moved}
          onUp={() => (drag.current = null)}
        />
        <PinList
          names={listed.filter((n) => needs.includes(n) || pins[n]?.set)}
          pins={pins}
          at={at}
          onChoose={choose}
        />
        <aside>
          <ReadRows rows={read} drawn={picture.drawn ?? null} />
          {unsure && unsure.value !== null && (
            <p className="quiet">
              <b>{unsure.point.name}:</b> the width lies across an edge
              {next ? `; set ${next} next` : '; set them once more, or say it by eye'}.
            </p>
          )}
          {unsure?.value === null && (
            <p className="quiet">No length is known: say the stature or a length, or read an angle.</p>
          )}
          <WhatElse {...{ view, pins, scale, subject }} but={keysOfRows} />
          <p className="quiet">± nine times in ten: thumb, guess, scale, and bodies off the table by a tenth.</p>
        </aside>
      </div>
      <Foot
        canUndo={touched}
        lit={at}
        set={pin?.set === true}
        covered={pin?.covered === true}
        takes={sure.length > 0 && !picture.drawn ? one : null}
        drawn={picture.drawn !== undefined}
        untouched={!unsure}
        keeping={keeping}
        onUndo={undo}
        onRight={useLatest(on)}
        onCover={useLatest(hide)}
        onTake={useLatest(take)}
        onClose={useLatest(onClose)}
      />
    </>
  );
}

/** A function that stays the same and does what was last given. */
function useLatest(does: () => void): () => void {
  const latest = useRef(does);
  useEffect(() => {
    latest.current = does;
  });
  return useCallback(() => latest.current(), []);
}

/** What is done with it; drawn anew only when its own words change, since a drag changes none of them. */
const Foot = memo(function Foot({
  canUndo,
  lit,
  set,
  covered,
  takes,
  drawn,
  untouched,
  keeping,
  onUndo,
  onRight,
  onCover,
  onTake,
  onClose,
}: {
  canUndo: boolean;
  lit: Pinned;
  set: boolean;
  covered: boolean;
  /** What can be taken, in words; null: nothing yet. */
  takes: string | null;
  /** It is a drawing: there is nobody to take it for. */
  drawn: boolean;
  untouched: boolean;
  keeping: boolean;
  onUndo: () => void;
  onRight: () => void;
  onCover: () => void;
  onTake: () => void;
  onClose: () => void;
}) {
  return (
    <footer>
      <p className="quiet">
        <b>Nothing leaves this device.</b> {keeping ? 'The photo stays on it' : 'The photo goes when this closes'}; the
        numbers stay.
      </p>
      {!set && <Button onClick={onCover}>{covered ? `${capital(lit)} is seen` : `${capital(lit)} is covered`}</Button>}
      <Button disabled={!canUndo} onClick={onUndo}>
        Undo
      </Button>
      <Button onClick={onRight}>{set || covered ? 'On to the next' : `${capital(lit)} is right`}</Button>
      <Button onClick={onClose}>Leave it</Button>
      <Button variant="contained" disabled={takes === null} onClick={onTake}>
        {drawn
          ? 'A drawing is nobody’s look'
          : takes !== null
            ? `Take ${takes} into the look`
            : untouched
              ? 'Confirm one first'
              : 'Cannot tell yet'}
      </Button>
    </footer>
  );
});

/** The other numbers of the picture, worked out only while somebody reads them. */
function WhatElse({
  view,
  pins,
  scale,
  subject,
  but,
}: {
  view: View;
  pins: Pinning['pins'];
  scale: Scale | null;
  subject: Subject;
  but: readonly string[];
}) {
  const [open, setOpen] = useState(false);
  const all = open ? measure(view, pins, scale, subject).filter((m) => !but.includes(m.kind.key)) : [];
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>What else it says</summary>
      <ul>
        {all.map((m) => (
          <li key={m.kind.key}>
            {m.kind.key}: {inUnit(shownValue(m.value, m.kind.unit), m.kind.unit)} ±{' '}
            {inUnit(shownHalf(m.half, m.kind.unit), m.kind.unit)}
          </li>
        ))}
      </ul>
    </details>
  );
}
