import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useEffect, useRef, useState } from 'react';
import type { LookWritten } from '../../contracts/look';
import type { LookKitView } from '../../contracts/views';
import { canHurt, isHeld, STAGES, type Purpose, type Side, type Stage } from '../../core';
import { Belt } from '../../kit/marks/Belt';
import { BodyFigure } from '../../kit/marks/BodyFigure';
import { RuleMark } from '../../kit/marks/small';
import { Stick } from '../../kit/marks/Stick';
import { drop, openOnes } from '../../kit/outbox';
import { newId } from '../../kit/send';
import { Switch } from '../../kit/Switch';
import {
  cardFrom,
  heldOf,
  holdRest,
  isMarked,
  marksInWords,
  marksOf,
  resize,
  slipOnce,
  slipped,
  turnNotch,
  uncut,
  type CardMarks,
  type PointMarks,
} from './cardMarks';
import { nameParts, type KitPoint, type KitStudent, type KitTechnique } from './line';
import { draftLook, recordLook } from './record';
import { SideSwitch } from './SideSwitch';
import { SaveState, useAwake } from './SaveState';
import { useKeys } from './useKeys';
import { Key } from './Key';
import { FocusPanel, giveFocus } from './FocusPanel';
import { Handover } from './Handover';
import { Measuring, middleOf, rangeFor, unitAfter } from './Measuring';

interface Props {
  kit: LookKitView;
  student: KitStudent;
  following: KitStudent | null;
  technique: KitTechnique;
  line: readonly KitStudent[];
  conditionId: string;
  leftHanded: boolean;
  onCondition: (id: string) => void;
  onTechnique: () => void;
  onHand: () => void;
  onLooked: () => void;
  onNext: () => void;
  onEnd: () => void;
}
interface SideCard {
  lookId: string;
  marks: CardMarks;
}
type Cards = Partial<Record<Side, SideCard>>;

/** What held every time on this card, from the ground up: a true thing to say now. */
function allHeld(points: readonly KitPoint[], card: CardMarks, side: Side): string {
  const p = points.find((x) => {
    const m = card[x.id];
    return m !== undefined && m.notches.length > 1 && m.notches.every((n) => n === 'H');
  });
  if (!p) return '';
  const on = side === 'none' ? '' : ` on the ${side}`;
  return `${p.name.charAt(0).toLowerCase()}${p.name.slice(1)} held all ${card[p.id]!.notches.length} times${on}.`;
}

/** With more points than these the list takes the whole width of a tablet, and the correction stands beside the keys. */
const MANY = 8;
const NEAR: readonly string[] = ['in air', 'still target', 'moving holder'];

/** All points of one person: from the ground up, by thumb or by keys. Every tap is on the device before it shows. */
export default function Card({
  kit,
  student,
  following,
  technique,
  line,
  conditionId,
  leftHanded,
  onCondition,
  onTechnique,
  onHand,
  onLooked,
  onNext,
  onEnd,
}: Props) {
  useAwake();
  const points = technique.points.filter((p) => !student.waived.includes(p.id));
  const sides: Side[] = technique.sided ? ['left', 'right'] : ['none'];
  const [side, setSide] = useState<Side>(sides[0]!);
  const [of, setOf] = useState(5);
  const [at, setAt] = useState(0);
  // `cards` is what the device has; `made` runs ahead of it by what is just being written down.
  const [cards, setCards] = useState<Cards>({});
  const made = useRef<Cards>({});
  const [note, setNote] = useState('');
  const [noting, setNoting] = useState(false);
  const [how, setHow] = useState(false);
  const [purpose, setPurpose] = useState<Purpose | null>(null);
  const [stage, setStage] = useState<Stage | null>(null);
  const landscape = useMediaQuery('(min-width: 1100px) and (max-height: 900px)', { noSsr: true });
  const [handing, setHanding] = useState(false);
  const [past, setPast] = useState<{ side: Side; marks: CardMarks; at: number }[]>([]);
  const [problem, setProblem] = useState('');
  const chain = useRef<Promise<unknown>>(Promise.resolve());
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    list.current?.children[at]?.scrollIntoView({ block: 'nearest' });
  }, [at]);
  const who = `${student.id} ${technique.id} ${conditionId}`;

  // A card that was open when the browser was closed goes on where it was.
  useEffect(() => {
    let current = true;
    void openOnes().then((open) => {
      const found: Cards = {};
      for (const c of open) {
        const l = c.input as LookWritten;
        if (
          c.name === 'look.record' &&
          c.by === kit.me.personId &&
          `${l.studentId} ${l.techniqueId} ${l.conditionId}` === who
        ) {
          found[l.side] = { lookId: c.id, marks: cardFrom(l.marks, 5) };
          if (l.note) setNote(l.note);
          if (l.purpose) setPurpose(l.purpose);
          if (l.stage) setStage(l.stage);
        }
      }
      if (!current) return;
      made.current = found;
      setCards(found);
    });
    return () => {
      current = false;
    };
  }, [who, kit.me.personId]);

  const point = points[Math.min(at, points.length - 1)];
  const card = cards[side]?.marks ?? {};
  const marksAt = (p: KitPoint): PointMarks => card[p.id] ?? uncut(of);
  const latest = (p: KitPoint): PointMarks => made.current[side]?.marks[p.id] ?? uncut(of);

  const write = (marks: CardMarks, open: boolean, onSide = side, said = note, why = { purpose, stage }) => {
    const lookId = made.current[onSide]?.lookId ?? newId();
    const before = cards[onSide];
    made.current = { ...made.current, [onSide]: { lookId, marks } };
    const list = marksOf(points, marks);
    const draft = draftLook({
      id: lookId,
      studentId: student.id,
      techniqueId: technique.id,
      conditionId,
      side: onSide,
      purpose: why.purpose,
      stage: why.stage,
      marks: list,
      note: said,
      label: `${student.name}, ${technique.name}${onSide === 'none' ? '' : `, ${onSide}`}: ${list.length} points`,
    });
    chain.current = chain.current
      .then(() => (list.length === 0 ? drop(lookId) : recordLook(draft, kit.me.personId, kit.timeZone, open)))
      .then(
        () => {
          setProblem('');
          if (open) setCards((c) => ({ ...c, [onSide]: { lookId, marks } }));
        },
        (e: unknown) => {
          setProblem(e instanceof Error ? e.message : 'The mark was not taken.');
          made.current = { ...made.current, [onSide]: before };
        },
      );
  };
  const set = (p: KitPoint, next: PointMarks, move: boolean) => {
    const old = made.current[side]?.marks ?? {};
    setPast((list) => [...list.slice(-30), { side, marks: old, at }]);
    write({ ...old, [p.id]: next }, true);
    if (move) setAt(Math.min(points.length - 1, at + 1));
  };
  const undo = () => {
    const step = past.at(-1);
    if (!step) return;
    setPast(past.slice(0, -1));
    setSide(step.side);
    setAt(step.at);
    write(step.marks, true, step.side);
  };
  const changeHow = (next: { purpose: Purpose | null; stage: Stage | null }) => {
    setPurpose(next.purpose);
    setStage(next.stage);
    for (const s of sides) {
      const own = made.current[s];
      if (own) write(own.marks, true, s, note, next);
    }
  };
  const finish = async () => {
    let looked = false;
    for (const s of sides) {
      const own = made.current[s];
      if (!own || !Object.values(own.marks).some(isMarked)) continue;
      write(own.marks, false, s);
      looked = true;
    }
    await chain.current;
    if (looked) {
      onLooked();
      // The correction was said over this card: from now on it is the student's until it holds.
      if (student.focus && student.focus.since === null)
        await giveFocus(kit, student, student.focus, { chosen: false, reason: '' }).catch(() => undefined);
    }
    made.current = {};
    setCards({});
    setPast([]);
    setNote('');
    setNoting(false);
    setAt(0);
    setSide(sides[0]!);
  };

  const range = point ? rangeFor(point, student) : null;
  const [value, setValue] = useState<number | null>(null);
  const shownValue = value ?? (point ? middleOf(point, range) : 0);
  const choose = (i: number) => {
    setAt(i);
    setValue(null);
  };
  const hold = () => {
    if (!point) return;
    if (point.kind === 'measured') {
      if (range && isHeld(shownValue, range))
        set(point, { ...latest(point), values: [...latest(point).values, shownValue] }, true);
    } else set(point, holdRest(latest(point)), true);
    setValue(null);
  };
  const slip = () => {
    if (!point) return;
    if (point.kind === 'measured') {
      if (range && !isHeld(shownValue, range))
        set(point, { ...latest(point), values: [...latest(point).values, shownValue] }, false);
    } else set(point, slipOnce(latest(point)), false);
  };
  const clear = () => point && set(point, uncut(of), false);
  const next = async () => {
    await finish();
    onNext();
  };

  useKeys((key, digit) => {
    if (key === 'arrowup') choose(Math.min(points.length - 1, at + 1));
    else if (key === 'arrowdown') choose(Math.max(0, at - 1));
    else if (key === 'arrowleft' && technique.sided) setSide('left');
    else if (key === 'arrowright' && technique.sided) setSide('right');
    else if (key === 'h') hold();
    else if (key === 's') slip();
    else if (key === 'backspace') clear();
    else if (digit !== null && point && point.kind !== 'measured' && digit <= of) set(point, heldOf(digit, of), true);
    else if (key === 'enter') void next();
    else return false;
    return true;
  });

  const rank = kit.ranks.find((r) => r.id === student.rankId);
  const conditions = kit.conditions.filter((c) => NEAR.includes(c.name) || c.id === conditionId);
  const left = point ? marksAt(point).notches.filter((n) => n === 'U').length : 0;
  const unit = unitAfter(point?.unit ?? null);
  const many = points.length > MANY;
  const trueNow = allHeld(points, card, side);
  const beside = many && !landscape;
  const focusPanel = <FocusPanel kit={kit} student={student} now={trueNow} />;
  if (handing && point)
    return (
      <Handover
        point={point}
        student={student}
        line={line}
        of={of}
        onTold={(held, toldBy) => {
          setHanding(false);
          set(point, { ...heldOf(held, of), toldBy }, true);
        }}
        onBack={() => setHanding(false)}
      />
    );
  return (
    <div className={`card${leftHanded ? ' left-handed' : ''}${many ? ' many' : ''}`}>
      <header>
        <div>
          <h1>
            {student.name} {rank && <Belt name={rank.name} cloth={rank.cloth} width={84} height={26} />}
          </h1>
          <p>
            <b>{technique.name}</b>{' '}
            <ButtonBase className="link" onClick={onTechnique}>
              another item
            </ButtonBase>
          </p>
        </div>
        <ButtonBase className="link" onClick={onHand}>
          {leftHanded ? 'keys at the right' : 'keys at the left'}
        </ButtonBase>
      </header>
      <div className="switches">
        {technique.sided && <SideSwitch side={side} onSide={setSide} />}
        <Switch
          mat
          label="Condition"
          value={conditionId}
          onChange={onCondition}
          options={conditions.map((c) => ({ value: c.id, word: c.name }))}
        />
        <div className="reps">
          <Button aria-label="One repetition less" disabled={of <= 1} onClick={() => setOf(of - 1)}>
            −
          </Button>
          <span>
            {of} {of === 1 ? 'time' : 'times'}
          </span>
          <Button aria-label="One repetition more" disabled={of >= 20} onClick={() => setOf(of + 1)}>
            +
          </Button>
        </div>
        <Button onClick={() => setHow(!how)} aria-expanded={how}>
          {purpose === null && stage === null ? 'How' : [purpose, stage].filter(Boolean).join(', ')}
        </Button>
        {how && (
          <>
            <Switch
              mat
              label="Purpose"
              value={purpose ?? 'either'}
              onChange={(p) => changeHow({ purpose: p === 'either' ? null : p, stage })}
              options={[
                { value: 'either', word: 'either' },
                { value: 'show', word: 'to show' },
                { value: 'study', word: 'to study' },
              ]}
            />
            <Switch
              mat
              label="Stage"
              value={stage ?? 'any'}
              onChange={(s) => changeHow({ purpose, stage: s === 'any' ? null : s })}
              options={[{ value: 'any', word: 'not said' }, ...STAGES.map((s) => ({ value: s, word: s }))]}
            />
          </>
        )}
      </div>
      <div className="body">
        <div className="figure">
          {!beside && focusPanel}
          {student.rests[`t:${technique.id}`] && <p className="hurts">This {student.rests[`t:${technique.id}`]}.</p>}
          <BodyFigure kind={technique.kind} points={points} lit={point?.id} width={230} height={300} />
        </div>
        <ol className="points" ref={list} aria-label="Points from the ground up">
          {points.map((p, i) => {
            const m = marksAt(p);
            return (
              <li key={p.id} className={i === at ? 'now' : ''}>
                <ButtonBase onClick={() => choose(i)} aria-current={i === at ? 'true' : undefined}>
                  <span className="no num">{i + 1}</span>
                  <span className="nm">
                    <b>{p.name}</b>
                    <span>
                      {canHurt(p) ? (
                        <>
                          <span className="hurts">can hurt</span> if it slips
                        </>
                      ) : p.kind === 'felt' ? (
                        'the receiver says'
                      ) : (
                        p.how
                      )}
                    </span>
                  </span>
                  {p.kind === 'measured' && p.accepted && p.unit ? (
                    <RuleMark
                      accepted={student.adapted[p.id] && range && p.id === point?.id ? range : p.accepted}
                      wanted={p.wanted}
                      unit={p.unit}
                      values={m.values}
                      width={144}
                    />
                  ) : (
                    <Stick
                      marks={resize(m, Math.max(of, m.notches.filter((n) => n !== 'U').length)).notches}
                      side={side}
                      width={144}
                      height={40}
                    />
                  )}
                  <span className="n num">{marksInWords(m, p.unit)}</span>
                </ButtonBase>
              </li>
            );
          })}
        </ol>
      </div>
      <div className="now-point">
        <section aria-live="polite">
          {point ? (
            <>
              <h2>
                {point.name} {canHurt(point) && <span className="hurts">can hurt</span>}
              </h2>
              {point.kind === 'measured' && range ? (
                <Measuring point={point} range={range} value={shownValue} onValue={setValue} />
              ) : point.kind === 'felt' ? (
                <>
                  <p>{point.how}. Only who felt it can tell.</p>
                  <Button onClick={() => setHanding(true)}>Hand over the tablet</Button>
                </>
              ) : (
                <>
                  <div className="each" role="group" aria-label="Which repetition slipped?">
                    {resize(marksAt(point), of).notches.map((n, i) => (
                      <ButtonBase
                        key={i}
                        aria-label={`Repetition ${i + 1}: ${n === 'H' ? 'held' : n === 'S' ? 'slipped' : 'not seen'}`}
                        onClick={() => set(point, turnNotch(resize(latest(point), of), i), false)}
                      >
                        <Stick marks={[n]} side={side} width={40} height={34} />
                        {i + 1}
                      </ButtonBase>
                    ))}
                  </div>
                  {point.slips[0] && (
                    <p>Slip: {point.slips[0].looksLike.charAt(0).toLowerCase() + point.slips[0].looksLike.slice(1)}.</p>
                  )}
                  {point.slips[0]?.cue && <p className="say">“{point.slips[0].cue}”</p>}
                </>
              )}
            </>
          ) : (
            <p>Every point of this item is waived for {nameParts(student.name)[0]}.</p>
          )}
          {beside && focusPanel}
        </section>
        <section className="keys" aria-label="Mark">
          {point && (
            <>
              <Key
                notch="H"
                word="Held"
                sub={
                  point.kind === 'measured'
                    ? `keeps ${shownValue}${unit}`
                    : slipped(marksAt(point)) > 0 && left > 0
                      ? `the other ${left}`
                      : ''
                }
                disabled={point.kind === 'measured' && !!range && !isHeld(shownValue, range)}
                onClick={hold}
              />
              <Key
                notch="S"
                word="Slipped"
                sub={
                  point.kind === 'measured'
                    ? range && !isHeld(shownValue, range)
                      ? `keeps ${shownValue}${unit}`
                      : 'outside the range'
                    : slipped(marksAt(point)) > 0
                      ? 'once more'
                      : ''
                }
                disabled={point.kind === 'measured' && (!range || isHeld(shownValue, range))}
                onClick={slip}
              />
              <Key notch="U" word="Not seen" low disabled={!isMarked(marksAt(point))} onClick={clear} />
            </>
          )}
        </section>
      </div>
      <footer>
        {noting && (
          <TextField
            id="note"
            value={note}
            onChange={(e) => setNote(e.target.value)}
            onBlur={() => {
              if (made.current[side]) write(made.current[side].marks, true, side, note);
            }}
            placeholder="A note, about as long as one breath"
            slotProps={{ htmlInput: { 'aria-label': 'Note', maxLength: 300 } }}
            autoFocus
          />
        )}
        <SaveState by={kit.me.personId} problem={problem} />
        <Button disabled={past.length === 0} onClick={undo}>
          Undo
        </Button>
        <Button onClick={() => setNoting(!noting)} aria-pressed={noting}>
          Note
        </Button>
        <Button onClick={() => void finish().then(onEnd)}>End</Button>
        <Button variant="contained" onClick={() => void next()}>
          {following ? `Next: ${following.name}` : 'Save this card'}
        </Button>
      </footer>
    </div>
  );
}
