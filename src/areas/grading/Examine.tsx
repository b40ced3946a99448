import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import { useRef, useState } from 'react';
import type { ExamineView } from '../../contracts/views';
import { inUnit, isHeld, SHEET_WORDS, wordOfMark, type SheetWord } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { Measuring } from '../../kit/mat/Measuring';
import { measuredPoint, useReading } from '../../kit/measure/useReading';
import { Key } from '../../kit/mat/Key';
import '../../kit/mat/mat.css';
import { SaveState, useAwake } from '../../kit/mat/SaveState';
import { SideSwitch } from '../../kit/mat/SideSwitch';
import { useKeys } from '../../kit/useKeys';
import './Examine.css';
import {
  firstOpen,
  marked,
  onward,
  openOf,
  restHeld,
  sidesOf,
  valueAt,
  type Cursor,
  type SheetSide,
  type Written,
} from './sheetState';
import { HandIn, PutRight } from './HandIn';
import { MarkField } from './MarkField';
import { PointRows } from './PointRows';
import { useSheet } from './useSheet';
import { WordMark } from './WordMark';

/** Those who do the same items at the same time: the candidates for one belt, by whatever version they are asked. */
const groupsOf = (view: ExamineView) => {
  const groups = new Map<string, ExamineView['candidates']>();
  for (const c of view.candidates) {
    if (c.items.length === 0) continue;
    const key = JSON.stringify([c.to.id, ...c.items.map((i) => [i.name, i.condition])]);
    groups.set(key, [...(groups.get(key) ?? []), c]);
  }
  return [...groups.values()];
};

/** An examiner's own sheet: item by item along a group, point by point, and a word for each. */
export default function Examine({ view }: { view: ExamineView }) {
  const sheet = useSheet(view);
  const groups = groupsOf(view);
  const [at, setAt] = useState({ group: 0, item: 0, person: 0 });
  const [side, setSide] = useState<SheetSide>(() => {
    const first = groups[0]?.[0]?.items[0];
    return first ? sidesOf(first)[0]! : 'none';
  });
  const [cursor, setCursor] = useState<Cursor>({ point: 0, rep: 0 });
  const [asking, setAsking] = useState(false);
  const [mending, setMending] = useState(false);
  const [typed, setTyped] = useState<number | null>(null);
  const undone = useRef<Written[]>([]);
  useAwake();
  const group = groups[at.group] ?? [];
  const person = group[at.person];
  const item = person?.items[at.item];
  const n = item?.repetitions ?? 1;
  /** A measure that is being typed belongs to the repetition it was typed for. */
  const lookAt = (to: Cursor, on = side) => {
    setTyped(null);
    setSide(on);
    setCursor(to);
  };
  const go = (next: typeof at) => {
    void sheet.goOn();
    undone.current = [];
    setAsking(false);
    setAt(next);
    const there = groups[next.group]?.[next.person];
    const what = there?.items[next.item];
    if (!there || !what) return;
    const first = sidesOf(what)[0]!;
    lookAt(firstOpen(sheet.lineOf(there.id, what.requirementId), what.points, first, what.repetitions), first);
  };
  const line = person && item ? sheet.lineOf(person.id, item.requirementId) : null;
  const change = (make: (w: Written) => Written) => {
    if (!person || !item || !line || !sheet.takes) return;
    undone.current.push(line);
    sheet.write(person.id, item.requirementId, make);
  };
  const point = item?.points[cursor.point];
  const range = point?.measured?.accepted ?? null;
  // What stands there already, unless another is being typed.
  const measure = typed ?? (line && point && range ? valueAt(line, point.id, side, cursor.rep) : null);
  const reading = useReading({
    // Who examines need not know how tall anybody is, nor keeps a picture: the stature is asked where it is needed.
    who: person ? { id: person.id, name: person.name, stature: null, pictures: null } : null,
    item: item?.name ?? '',
    side: side === 'left' || side === 'right' ? side : 'none',
    point: point?.measured ? measuredPoint({ ...point, ...point.measured, kind: 'measured' }, range) : null,
    others: [],
    onTake: ([taken]) => taken && setTyped(taken.value),
  });
  /** A measure decides by itself: only the key that fits it takes it. Without one it is by eye. */
  const fits = (m: 'H' | 'S') => measure === null || range === null || isHeld(measure, range) === (m === 'H');
  const mark = (m: 'H' | 'S' | 'U') => {
    if (!item || item.points.length === 0 || (m !== 'U' && !fits(m))) return;
    const here = cursor;
    const taken = m === 'U' || range === null ? null : measure;
    change((w) => marked(w, item.points, side, here, m, taken));
    const next = line && onward(marked(line, item.points, side, here, m), item.points, side, here, n);
    lookAt(next ?? here);
  };
  const scale = view.scale;
  const say = (word: SheetWord) => {
    if (!scale) change((w) => ({ ...w, word }));
  };
  const giveMark = (value: number | null) => {
    if (value === null || (scale && value >= 0 && value <= scale.outOf)) change((w) => ({ ...w, mark: value }));
  };
  const wordNow = line?.word ?? (scale && line?.mark != null ? wordOfMark(scale, line.mark) : null);
  const undo = () => {
    const before = undone.current.pop();
    if (before && person && item) sheet.write(person.id, item.requirementId, () => before);
  };
  /** The next of the group for this item, then the next item, then the next group. */
  const next = (() => {
    if (at.person + 1 < group.length) return { ...at, person: at.person + 1 };
    if (at.item + 1 < (group[0]?.items.length ?? 0)) return { ...at, person: 0, item: at.item + 1 };
    return at.group + 1 < groups.length ? { group: at.group + 1, item: 0, person: 0 } : null;
  })();
  const open = view.candidates.reduce(
    (sum, c) =>
      c.items.reduce((s, i) => {
        const o = openOf(sheet.lineOf(c.id, i.requirementId), i);
        return { marks: s.marks + o.marks, words: s.words + (o.word ? 1 : 0) };
      }, sum),
    { marks: 0, words: 0 },
  );
  useKeys((key, digit) => {
    if (!sheet.takes) return false;
    if (key === 'h') mark('H');
    else if (key === 's') mark('S');
    else if (key === 'backspace') mark('U');
    else if (key === 'r' && item) change((w) => restHeld(w, item.points, side, n));
    else if (key === 'u') undo();
    else if (digit !== null && digit >= 7) say(SHEET_WORDS[digit - 7]!);
    else if (key === 'enter' && next) go(next);
    else if ((key === 'arrowup' || key === 'arrowdown') && item) {
      const by = (key === 'arrowup') === !item.form ? 1 : -1;
      lookAt({ ...cursor, point: Math.max(0, Math.min(item.points.length - 1, cursor.point + by)) });
    } else if ((key === 'arrowleft' || key === 'arrowright') && item?.sided)
      lookAt(cursor, key === 'arrowleft' ? 'left' : 'right');
    else return false;
    return true;
  });
  if (!person || !item || !line)
    return (
      <IslandRoot scheme="dark">
        <main aria-busy={false} className="examine">
          <h1>{view.grading.title}</h1>
          <p>Nobody is put forward yet, or their belt asks for nothing.</p>
          <a className="button" href="/gradings">
            Back
          </a>
        </main>
      </IslandRoot>
    );
  const taking = range === null ? '' : measure === null ? 'by eye' : inUnit(measure, point?.measured?.unit ?? null);
  return (
    <IslandRoot scheme="dark">
      <main aria-busy={!sheet.ready} className="examine">
        {reading.screen}
        <header className="spread">
          <div>
            <h1>{person.name}</h1>
            {view.typedFor && <p className="attention">The sheet of {view.typedFor.name}, from paper.</p>}
            <p>
              <b>{item.name}</b>
              <span className="second">
                , {item.condition}, asks {item.asks}
              </span>{' '}
              {item.critical && <b>Critical for {person.to.name}.</b>}
            </p>
          </div>
          <div className="second own">
            <Belt name={person.to.name} cloth={person.to.cloth} width={64} height={17} />
            item {at.item + 1} of {person.items.length}
          </div>
        </header>
        <ul className="people" aria-label={`To ${person.to.name}`}>
          {group.map((c, i) => {
            const w = c.items[at.item] && sheet.lineOf(c.id, c.items[at.item]!.requirementId);
            return (
              <li key={c.id}>
                <ButtonBase
                  className={i === at.person ? 'on' : ''}
                  aria-current={i === at.person}
                  onClick={() => go({ ...at, person: i })}
                >
                  <b>{c.name.split(' ')[0]}</b>
                  <span>
                    {w?.mark != null ? (
                      <b className="num">{w.mark}</b>
                    ) : w?.word ? (
                      <>
                        <WordMark word={w.word} /> {w.word}
                      </>
                    ) : i === at.person ? (
                      'now'
                    ) : (w?.marks.length ?? 0) > 0 ? (
                      'marked'
                    ) : (
                      ''
                    )}
                  </span>
                </ButtonBase>
              </li>
            );
          })}
        </ul>
        {item.rests && (
          <p className="message hurts rests">
            {item.rests.points === null ? item.name : 'Part of it'} {item.rests.said}. What is not seen is no slip.
          </p>
        )}
        {item.sided && (side === 'left' || side === 'right') && (
          <SideSwitch side={side} onSide={(s) => lookAt(cursor, s)} />
        )}
        {item.points.length === 0 ? (
          <p className="second whole">Its points are not marked one by one here: give your word for the whole.</p>
        ) : (
          <PointRows item={item} line={line} side={side} cursor={cursor} onPoint={lookAt} />
        )}
        <div className="below">
          <section aria-label="Your word">
            <h2>{point ? point.name : item.name}</h2>
            <p className="second">
              {point
                ? `${['First', 'Second', 'Third', 'Fourth', 'Fifth'][cursor.rep] ?? `Number ${cursor.rep + 1}`} of ${n}`
                : 'the whole of it'}
            </p>
            {point?.measured && range && (
              <Measuring
                key={`${point.id} ${side} ${cursor.rep}`}
                point={point.measured}
                range={range}
                value={measure}
                onValue={setTyped}
                reading={sheet.takes ? reading.press : null}
              />
            )}
            {scale ? (
              <MarkField
                scale={scale}
                value={line.mark}
                word={wordNow}
                sided={item.sided}
                disabled={!sheet.takes}
                onMark={giveMark}
              />
            ) : (
              <>
                <p className="second">Your word for it{item.sided ? ', both sides' : ''}</p>
                <div className="words" role="group" aria-label="Your word for it">
                  {SHEET_WORDS.map((w) => (
                    <ButtonBase
                      key={w}
                      className={line.word === w ? 'on' : ''}
                      aria-pressed={line.word === w}
                      disabled={!sheet.takes}
                      onClick={() => say(w)}
                    >
                      <WordMark word={w} size={44} />
                      {w}
                    </ButtonBase>
                  ))}
                </div>
              </>
            )}
            <TextField
              id="sheet-note"
              label="Note"
              value={line.note}
              disabled={!sheet.takes}
              onChange={(e) => {
                const note = e.target.value;
                sheet.write(person.id, item.requirementId, (w) => ({ ...w, note }));
              }}
            />
            <p className="second">
              {view.typedFor
                ? `Typed in from the paper of ${view.typedFor.name}: the panel reads that it was.`
                : 'You see no other sheet, nothing earlier, and nobody reads this one before you hand it in.'}
            </p>
          </section>
          <div className="keys">
            <Key
              notch="H"
              word="Held"
              sub={taking}
              disabled={!sheet.takes || !point || !fits('H')}
              onClick={() => mark('H')}
            />
            <Key
              notch="S"
              word="Slipped"
              sub={taking}
              disabled={!sheet.takes || !point || !fits('S')}
              onClick={() => mark('S')}
            />
            <Key notch="U" word="Not seen" low disabled={!sheet.takes || !point} onClick={() => mark('U')} />
            <Button disabled={!sheet.takes || !point} onClick={() => change((w) => restHeld(w, item.points, side, n))}>
              The rest held
            </Button>
          </div>
        </div>
        {mending && sheet.handedIn && (
          <PutRight
            onOpen={(why) => {
              sheet.correct(why);
              setMending(false);
            }}
            leave={() => setMending(false)}
          />
        )}
        {asking && <HandIn open={open} onHandIn={() => void sheet.handIn()} leave={() => setAsking(false)} />}
        <footer>
          <SaveState by={view.me} problem={sheet.problem} />
          <Button onClick={undo} disabled={!sheet.takes}>
            Undo
          </Button>
          {sheet.handedIn ? (
            <>
              <b role="status">Your sheet is handed in.</b>
              {!view.grading.closed && <Button onClick={() => setMending(true)}>Put something right</Button>}
            </>
          ) : (
            <>
              {sheet.correcting ? (
                <Button onClick={() => void sheet.corrected()}>That is all</Button>
              ) : (
                <Button onClick={() => setAsking(true)}>Hand in</Button>
              )}
              {next && (
                <Button variant="contained" onClick={() => go(next)}>
                  Next: {groups[next.group]![next.person]!.name.split(' ')[0]},{' '}
                  {groups[next.group]![next.person]!.items[next.item]?.name}
                </Button>
              )}
            </>
          )}
        </footer>
      </main>
    </IslandRoot>
  );
}
