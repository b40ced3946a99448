import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { EarlierMarksView, LookKitView } from '../../contracts/views';
import { withNewer } from '../../contracts/views/earlierMarks';
import { adaptedInWords, canHurt, capital, isHeld, low, type Side } from '../../core';
import { useAhead } from '../../kit/deviceQueue/useAhead';
import { Belt } from '../../kit/marks/Belt';
import { BodyFigure } from '../../kit/marks/BodyFigure';
import { Stick, type Notch } from '../../kit/marks/Stick';
import { ask, newId } from '../../kit/send';
import { useKeys } from '../../kit/useKeys';
import { Board, type Cut } from './Board';
import { Key } from './Key';
import { nameParts, type KitPoint, type KitStudent, type KitTechnique } from './line';
import { Measuring, rangeFor, unitAfter } from './Measuring';
import { draftLook, recordLook } from './record';
import { SaveState, useAwake } from './SaveState';
import './Sweep.css';

/** What was tapped for somebody: how many held of how many, or what was measured; null: taken back. */
interface Tapped {
  lookId: string;
  held: number | null;
  of: number;
  value: number | null;
}
interface Props {
  kit: LookKitView;
  line: readonly KitStudent[];
  technique: KitTechnique;
  point: KitPoint;
  conditionId: string;
  side: Side;
  leftHanded: boolean;
  onHand: () => void;
  onSide: (side: Side) => void;
  /** Those of the school who are not on the line yet, and what happens when one of them comes. */
  away: readonly KitStudent[];
  onArrive: (id: string) => void;
  late: Record<string, string>;
  onSwept: () => void;
  onNextPoint: () => void;
  onEnd: () => void;
}
/** How often what other watchers marked is asked for. */
const OTHERS_EVERY = 12_000;

const ORDINAL = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];
const marksKey = (sweep: string) => `stavewright-sweep-${sweep}`;

interface Pass {
  pass: number;
  done: Record<string, Tapped>;
  /** When something was tapped last, in ms. */
  at: number;
}
/** A pass as it was kept, and whether that was long ago. */
type Kept = Pass & { over: boolean };
/** A pass that nobody went on with for so long is over, unless its watcher says otherwise; in ms. */
const PASS_OVER = 300_000;

/** How far a sweep had come on this device. */
function readPass(sweep: string): Kept {
  try {
    const kept = (JSON.parse(localStorage.getItem(marksKey(sweep)) ?? 'null') ?? {}) as Partial<Pass>;
    // Of an older release: what it tapped had no number of its own.
    const done = Object.entries(kept.done ?? {}).map(([id, d]) => [
      id,
      { ...d, of: d.of ?? 1, value: d.value ?? null },
    ]);
    const at = kept.at ?? 0;
    return {
      pass: kept.pass ?? 1,
      done: Object.fromEntries(done) as Pass['done'],
      at,
      over: Date.now() - at > PASS_OVER,
    };
  } catch {
    return { pass: 1, done: {}, at: 0, over: false };
  }
}

/** Remembers how far it has come; without room only that is forgotten, the marks are kept elsewhere. */
function keepPass(sweep: string, soFar: Omit<Pass, 'at'>): void {
  try {
    localStorage.setItem(marksKey(sweep), JSON.stringify({ ...soFar, at: Date.now() }));
  } catch {
    // The next reload begins the pass anew; what was marked is in the queue.
  }
}

/** What is stored of somebody in words; the counter of the keys has no part in it. */
const wordOf = (d: Pick<Tapped, 'held' | 'of'> | undefined): string => wordFor(d?.held ?? null, d?.of ?? 1);
const wordFor = (held: number | null, of: number): string =>
  held === null ? 'not seen' : of === 1 ? (held === 1 ? 'held' : 'slipped') : `${held} of ${of}`;

/** One point across the whole line: one tap a person, mark and move on. */
export function Sweep({
  kit,
  line,
  technique,
  point,
  conditionId,
  side,
  leftHanded,
  onHand,
  onSide,
  away,
  onArrive,
  late,
  onSwept,
  onNextPoint,
  onEnd,
}: Props) {
  useAwake();
  const narrow = useMediaQuery('(max-width: 640px)', { noSsr: true });
  const waived = (s: KitStudent) => s.waived.includes(point.id);
  const firstOpen = Math.max(
    0,
    line.findIndex((s) => !waived(s)),
  );
  const sweepKey = `${kit.today} ${point.id} ${conditionId} ${side}`;
  // A reload in the middle of a pass goes on where it was. Each sweep is a component of its own, so this is read once.
  const [kept] = useState(() => readPass(sweepKey));
  const [pass, setPass] = useState(kept.pass);
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
        marks:
          tap.held === null
            ? []
            : point.kind === 'measured'
              ? [{ pointId: point.id, kind: 'measured', values: [tap.value!] }]
              : [{ pointId: point.id, kind: point.kind, held: tap.held, of: tap.of }],
        // Over what the device really has: a look that could not be written is corrected by nobody.
        replaces: over?.lookId ?? null,
        names: { [point.id]: point.name },
        label: `${who.name}, ${point.name}: ${tap.value !== null && tap.held !== null ? `${tap.value}${unitAfter(point.unit)}` : wordFor(tap.held, tap.of)}`,
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
    if (soFar !== began.current) keepPass(sweepKey, JSON.parse(soFar) as Omit<Pass, 'at'>);
  }, [sweepKey, soFar]);
  const before = Object.values(kept.done).filter((d) => d.held !== null).length;
  const [asks, setAsks] = useState(before > 0 && kept.over);
  const [at, setAt] = useState(() => {
    const open = line.findIndex((s) => !waived(s) && (kept.done[s.id]?.held ?? null) === null);
    return open < 0 ? firstOpen : open;
  });
  const [of, setOf] = useState(1);
  const [last, setLast] = useState<{ studentId: string; before: Tapped | undefined; word: string } | null>(null);
  const [earlier, setEarlier] = useState<EarlierMarksView['marks']>([]);
  const [noEarlier, setNoEarlier] = useState('');
  const rows = useRef<HTMLUListElement>(null);

  const [came, setCame] = useState(false);
  const [value, setValue] = useState<number | null>(null);
  useEffect(() => {
    let since: string | undefined;
    const look = () =>
      void ask('earlierMarks', { techniqueId: technique.id, ...(since ? { since } : {}) }).then((a) => {
        if (a.ok) {
          since = a.view.at;
          setEarlier((marks) => withNewer(marks, a.view));
        }
        setNoEarlier(a.ok ? '' : a.title);
      });
    look();
    const timer = setInterval(look, OTHERS_EVERY);
    return () => clearInterval(timer);
  }, [technique.id]);
  useEffect(() => {
    rows.current?.children[at]?.scrollIntoView({ block: 'nearest' });
  }, [at]);

  const own = new Set(ahead.entries().map(([, d]) => d.lookId));
  const sticks = new Map<string, Notch[]>();
  for (const m of earlier) {
    if (m.pointId !== point.id || m.side !== side || own.has(m.lookId)) continue;
    const list = sticks.get(m.studentId) ?? [];
    if (list.length >= 2) continue;
    list.unshift(m.held >= m.of ? 'H' : 'S');
    sticks.set(m.studentId, list);
  }

  // What another watcher marked of the same point today stands beside the name; both looks count.
  const others = useMemo(() => {
    const byStudent = new Map<string, string>();
    for (const m of earlier)
      if (
        m.by !== null &&
        m.day === kit.today &&
        m.pointId === point.id &&
        m.side === side &&
        !byStudent.has(m.studentId)
      )
        byStudent.set(
          m.studentId,
          `${nameParts(m.by)[0]}: ${m.of === 1 ? (m.held === 1 ? 'held' : 'slipped') : `${m.held} of ${m.of}`}`,
        );
    return byStudent;
  }, [earlier, kit.today, point.id, side]);

  const person = line[at];
  const measured = point.kind === 'measured';
  const range = rangeFor(point, person);
  // A measure that nobody took is none: both keys wait for it.
  const measure = measured && range !== null ? value : null;
  const accepted = measure !== null && isHeld(measure, range!);
  const next = (from: number) => {
    for (let i = from + 1; i < line.length; i += 1) if (!waived(line[i]!)) return i;
    return from;
  };

  const isOpen = (s: KitStudent) => !waived(s) && (ahead.latest(s.id)?.held ?? null) === null;
  /** The next who is not marked yet, beginning anew at the door; where all are, it stays. */
  const nextOpen = (from: number, but: KitStudent) => {
    for (let k = 1; k < line.length; k += 1) {
      const i = (from + k) % line.length;
      if (line[i] !== but && isOpen(line[i]!)) return i;
    }
    return from;
  };

  const mark = (held: number | null, who = person) => {
    if (!who || waived(who)) return;
    const now = ahead.latest(who.id);
    if (held === null && (now === undefined || now.held === null)) {
      setAt(next(at));
      return;
    }
    // Shown as taken only when the device has it; a correction is written over what the device has.
    ahead.set(who.id, { lookId: newId(), held, of: measured ? 1 : of, value: measured ? measure : null });
    onSwept();
    setValue(null);
    const was = now && now.held !== null ? `, was ${wordOf(now)}` : '';
    setLast({ studentId: who.id, before: now, word: `${wordFor(held, measured ? 1 : of)}${was}` });
    setAt(held === null ? next(at) : nextOpen(at, who));
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
    const n = pass + 1;
    setPass(n);
    for (const [id] of ahead.entries()) ahead.forget(id);
    setLast(null);
    setAsks(false);
    setAt(firstOpen);
  };

  useKeys((key, digit) => {
    if (asks) return false;
    if (key === 'arrowdown') setAt((i) => Math.min(line.length - 1, i + 1));
    else if (key === 'arrowup') setAt((i) => Math.max(0, i - 1));
    else if (key === 'h') {
      if (!measured || accepted) mark(measured ? 1 : of);
    } else if (key === 's') {
      if (!measured || (measure !== null && !accepted)) mark(measured ? 0 : of - 1);
    } else if (key === 'backspace') mark(null);
    else if (digit !== null && !measured && digit <= of) mark(digit);
    else if (key === 'enter') setAt(next(at));
    else return false;
    return true;
  });

  const cuts = line.map((s): Cut =>
    waived(s)
      ? 'corded'
      : (done[s.id]?.held ?? null) === null
        ? 'not seen'
        : done[s.id]!.held! >= done[s.id]!.of
          ? 'held'
          : 'slipped',
  );
  const boardWords = line.map((s) =>
    (done[s.id]?.held ?? null) === null || done[s.id]!.of === 1 ? '' : wordOf(done[s.id]),
  );
  const keeps = measure === null ? 'measure first' : `keeps ${measure}${unitAfter(point.unit)}`;
  const condition = kit.conditions.find((c) => c.id === conditionId)?.name ?? '';
  const slip = point.slips[0];
  const ranks = new Map(kit.ranks.map((r) => [r.id, r]));
  const [given, rest] = person ? nameParts(person.name) : ['', ''];
  const following = line[next(at)];
  const sideWord = side === 'none' ? '' : `, ${side}`;
  return (
    <div className={`sweep${leftHanded ? ' left-handed' : ''}`}>
      <header>
        <div>
          <h1>{point.name}</h1>
          <p>
            {technique.name}, {condition}
            {sideWord}
          </p>
        </div>
        <p className="when">
          <b>{ORDINAL[pass - 1] ? `${capital(ORDINAL[pass - 1]!)} pass` : `Pass ${pass}`} along the line</b>
          <span>
            {Object.values(done).filter((d) => d.held !== null).length} of {line.length} marked
          </span>
        </p>
      </header>
      <section className="what" aria-label="What to look at">
        <BodyFigure
          kind={technique.kind}
          points={[{ id: point.id, bodyPart: point.bodyPart }]}
          lit={point.id}
          width={292}
          height={300}
        />
        {point.how !== '' && <p>{point.how}.</p>}
        {slip && (
          <p>
            {canHurt(point) && <span className="hurts">Can hurt. </span>}
            <b>Slip:</b> {low(slip.looksLike)}.
          </p>
        )}
        {slip?.cue && <p className="say">“{slip.cue}”</p>}
        <div className="tools">
          {away.length > 0 && (
            <Button onClick={() => setCame(!came)} aria-expanded={came}>
              Somebody came
            </Button>
          )}
          {technique.sided && side !== 'none' && (
            <Button onClick={() => onSide(side === 'left' ? 'right' : 'left')}>
              Now the {side === 'left' ? 'right' : 'left'}
            </Button>
          )}
          <Button onClick={onHand}>{leftHanded ? 'Keys at the right' : 'Keys at the left'}</Button>
        </div>
        {came && (
          <ul className="cards" aria-label="Who came?">
            {away.map((s) => (
              <li key={s.id}>
                <Button
                  onClick={() => {
                    setCame(false);
                    onArrive(s.id);
                  }}
                >
                  {s.name}
                </Button>
              </li>
            ))}
          </ul>
        )}
      </section>
      <div className="line">
        {noEarlier !== '' && <p className="hidden">Earlier marks are not at hand. {noEarlier}</p>}
        <div className="caps" aria-hidden="true">
          <span>from the door</span>
          <span>{noEarlier === '' ? 'earlier' : 'earlier: not at hand'}</span>
          <span className="this">this pass</span>
        </div>
        <div className="rows">
          <ul ref={rows} aria-label="The line">
            {line.map((s, i) => {
              const [first, family] = nameParts(s.name);
              const rank = ranks.get(s.rankId);
              const note = waived(s)
                ? 'not asked: waived'
                : s.adapted[point.id]
                  ? `adapted: ${adaptedInWords(s.adapted[point.id]!)}`
                  : (others.get(s.id) ?? (late[s.id] ? `came at ${late[s.id]}` : ''));
              return (
                <li key={s.id} className={`${i === at ? 'now' : ''}${waived(s) ? ' out' : ''}`}>
                  <ButtonBase
                    onClick={() => setAt(i)}
                    aria-current={i === at ? 'true' : undefined}
                    aria-label={`${s.name}: ${waived(s) ? 'not asked' : wordOf(done[s.id])}`}
                  >
                    <span className="no num">{i + 1}</span>
                    {rank && <Belt name={rank.name} cloth={rank.cloth} width={54} height={17} />}
                    <span className="nm">
                      {first} <small>{family}</small>
                      {note !== '' && <em>{note}</em>}
                    </span>
                    <Stick
                      marks={[
                        ...Array.from({ length: Math.max(0, 2 - (sticks.get(s.id)?.length ?? 0)) }, (): Notch => 'U'),
                        ...(sticks.get(s.id) ?? []),
                      ]}
                      side={side === 'left' ? 'left' : 'right'}
                      width={58}
                      height={24}
                      label="earlier"
                    />
                  </ButtonBase>
                </li>
              );
            })}
          </ul>
          <Board cuts={cuts} words={boardWords} width={narrow ? 120 : 240} />
        </div>
      </div>
      {asks ? (
        <section className="keys asks" aria-label="Go on, or look again?">
          <p>
            <b>Swept today already.</b> {before} of {line.length} were marked in the {ORDINAL[pass - 1] ?? 'last'} pass.
          </p>
          <div>
            <Button variant="contained" onClick={nextPass}>
              Look again
            </Button>
            <p>A new pass: everybody is watched once more, and both looks count.</p>
          </div>
          <div>
            <Button onClick={() => setAsks(false)}>Go on with it</Button>
            <p>What was marked stands; a mark that is changed replaces the one before.</p>
          </div>
        </section>
      ) : (
        <section className="keys" aria-label="Mark">
          <div className="who" aria-live="polite">
            <b>
              {given} {rest}
            </b>
            <span>
              {at + 1} of {line.length}
              {following && following !== person ? `, then ${nameParts(following.name)[0]}` : ', the last'}
              {person &&
                (done[person.id]?.held ?? null) !== null &&
                `. Marked: ${wordOf(done[person.id])}; a key changes it`}
            </span>
          </div>
          {measured && range ? (
            <Measuring point={point} range={range} value={value} onValue={setValue} />
          ) : (
            <div className="reps">
              <Button aria-label="One repetition less" disabled={of <= 1} onClick={() => setOf(of - 1)}>
                −
              </Button>
              <span>{of === 1 ? 'one each' : `${of} each`}</span>
              <Button aria-label="One repetition more" disabled={of >= 9} onClick={() => setOf(of + 1)}>
                +
              </Button>
            </div>
          )}
          {!measured && of > 1 && (
            <div className="digits" role="group" aria-label={`How many of ${of} held?`}>
              {Array.from({ length: of + 1 }, (_, n) => (
                <ButtonBase key={n} onClick={() => mark(n)}>
                  {n}
                </ButtonBase>
              ))}
            </div>
          )}
          <Key
            notch="H"
            word="Held"
            sub={measured ? (accepted ? keeps : measure === null ? keeps : '') : of > 1 ? `all ${of}` : ''}
            disabled={measured && !accepted}
            onClick={() => mark(measured ? 1 : of)}
          />
          <Key
            notch="S"
            word="Slipped"
            sub={measured ? (accepted ? '' : keeps) : of > 1 ? 'once' : ''}
            disabled={measured && (measure === null || accepted)}
            onClick={() => mark(measured ? 0 : of - 1)}
          />
          <Key notch="U" word="Not seen" low onClick={() => mark(null)} />
        </section>
      )}
      <footer>
        <SaveState by={kit.me.personId} problem={ahead.problem} />
        <Button disabled={!last} onClick={undo}>
          {last ? `Undo: ${nameParts(line.find((s) => s.id === last.studentId)?.name ?? '')[0]} ${last.word}` : 'Undo'}
        </Button>
        <Button onClick={nextPass}>Next pass</Button>
        <Button onClick={onNextPoint}>Next point</Button>
        <Button onClick={onEnd}>End the sweep</Button>
      </footer>
    </div>
  );
}
