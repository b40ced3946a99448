import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useMemo, useState } from 'react';
import type { LookKitView } from '../../../contracts/views';
import { byAsking, isHeld, plural, type Side } from '../../../core';
import { keepTrying } from '../../../kit/deviceQueue/deviceQueue';
import { Belt } from '../../../kit/marks/Belt';
import { BodyFigure } from '../../../kit/marks/BodyFigure';
import { Switch } from '../../../kit/Switch';
import { useKeys } from '../../../kit/useKeys';
import { heldOf, holdRest, measured as measureOnce, slipOnce, tryOnce, uncutFor, type PointMarks } from './cardMarks';
import { FocusPanel, focusGiven } from './FocusPanel';
import { Handover } from '../Handover';
import { HowDone } from './HowDone';
import { AtTheName } from '../../../kit/mat/AtTheName';
import { nameParts, type KitPoint, type KitStudent, type KitTechnique } from '../../../kit/mat/line';
import { rangeFor } from '../../../kit/mat/line';
import { NoteField } from '../NoteField';
import type { Taken } from '../../../kit/measure/reads';
import { measuredPerson, measuredPoint } from '../../../kit/measure/useReading';
import { MarkKeys } from './MarkKeys';
import { NowPoint } from './NowPoint';
import { Partner } from '../Partner';
import { PointList } from './PointList';
import { RestAsks } from '../RestAsks';
import { restAt } from '../rests';
import { SaveState, useAwake } from '../../../kit/mat/SaveState';
import { SideSwitch } from '../../../kit/mat/SideSwitch';
import { allHeld, slippedTonight } from './tonight';
import { useCard } from './useCard';
import './Card.css';

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

/** With more points than these the list takes the whole width of a tablet, and the correction stands beside the keys. */
const MANY = 8;
/** So many conditions are offered beside the one that is on. */
const NEAR = 3;

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
  const [of, setOf] = useState(5);
  const card = useCard({ kit, student, technique, conditionId, points, of });
  const [side, setSide] = useState<Side>(card.sides[0]!);
  // Whose work rests is asked about once, before anything is marked.
  const [allowed, setAllowed] = useState(false);
  const restOf = (p: KitPoint | undefined) =>
    p && !allowed ? restAt(student, `t:${technique.id}`, conditionId, p.id) : null;
  const [at, setAt] = useState(() => {
    const first = points.findIndex((p) => restOf(p) === null);
    return first < 0 ? 0 : first;
  });
  const [value, setValue] = useState<number | null>(null);
  const [byEye, setByEye] = useState(false);
  const [more, setMore] = useState(false);
  const [noting, setNoting] = useState(false);
  const [handing, setHanding] = useState(false);
  const landscape = useMediaQuery('(min-width: 1100px) and (max-height: 900px)', { noSsr: true });

  const point = points[Math.min(at, points.length - 1)];
  const marks = card.shown(side);
  const marksAt = (p: KitPoint): PointMarks => marks[p.id] ?? uncutFor(p, of);
  const now = point ? marksAt(point) : null;
  const range = point ? rangeFor(point, student) : null;
  const measurable = point?.kind === 'measured';
  const measured = measurable && !byEye;
  const rest = restOf(point);
  // Nobody who only watched can say what was felt.
  const felt = point?.kind === 'felt';
  // A measure that nobody took is none: both keys wait for it.
  const measure = measured && range !== null ? value : null;
  const accepted = measure !== null && isHeld(measure, range!);

  const near = useMemo(() => {
    const here = kit.asked.filter((a) => a.techniqueId === technique.id).map((a) => a.conditionId);
    const everywhere = byAsking(
      kit.conditions,
      kit.asked.map((a) => a.conditionId),
    );
    return new Set(
      byAsking(everywhere, here)
        .slice(0, NEAR)
        .map((c) => c.id),
    );
  }, [kit, technique.id]);

  const choose = (i: number) => {
    setAt(Math.max(0, Math.min(points.length - 1, i)));
    setValue(null);
  };
  const set = (next: PointMarks, move: boolean) => {
    if (!point) return;
    card.set(side, point, next, at);
    if (move) choose(onwards(at));
  };
  /** The next point upwards that does not rest; where all above do, it stays. */
  const onwards = (from: number) => {
    const next = points.findIndex((p, i) => i > from && restOf(p) === null);
    return next < 0 ? from : next;
  };
  /** Held: the rest of the repetitions, the measure that stands there, or one more try that hit. */
  const hold = () => {
    if (!point || felt || rest) return;
    const latest = card.latest(side, point);
    if (!measured) return point.kind === 'counted' ? set(tryOnce(latest, 'H'), false) : set(holdRest(latest), true);
    if (measure !== null && accepted) set({ ...latest, values: [...latest.values, measure] }, true);
    setValue(null);
  };
  const slip = () => {
    if (!point || felt || rest) return;
    const latest = card.latest(side, point);
    if (!measured) set(point.kind === 'counted' ? tryOnce(latest, 'S') : slipOnce(latest), false);
    else if (measure !== null && !accepted) {
      set({ ...latest, values: [...latest.values, measure] }, false);
      setValue(null);
    }
  };
  /** What was read off a picture or a clip: each number is a mark of its own point. */
  const take = (taken: readonly Taken[]) => {
    for (const { pointId, value: read, half } of taken) {
      const p = points.find((x) => x.id === pointId);
      if (p && restOf(p) === null) card.set(side, p, measureOnce(card.latest(side, p), read, half), at);
    }
    setValue(null);
  };
  const clear = () => point && !rest && set(uncutFor(point, of), false);
  const undo = () => {
    const step = card.undo();
    if (!step) return;
    setSide(step.side);
    choose(step.at);
  };
  /** False where the device has no room: then the card stays, with all that was tapped. */
  const finish = async (): Promise<boolean> => {
    const marked = await card.finish();
    if (marked === null) return false;
    if (marked) {
      onLooked();
      // The correction was said over this card: from now on it is the student's until it holds.
      if (student.focus && student.focus.since === null)
        keepTrying(focusGiven(kit, student, student.focus, { chosen: false, reason: '' }));
    }
    setNoting(false);
    setAt(0);
    setSide(card.sides[0]!);
    return true;
  };
  const next = async () => {
    if (await finish()) onNext();
  };

  useKeys((key, digit) => {
    if (key === 'arrowup') choose(at + 1);
    else if (key === 'arrowdown') choose(at - 1);
    else if (key === 'arrowleft' && technique.sided) setSide('left');
    else if (key === 'arrowright' && technique.sided) setSide('right');
    else if (key === 'h') hold();
    else if (key === 's') slip();
    else if (key === 'backspace') clear();
    else if (digit !== null && point && !measured && !felt && !rest && digit <= of) set(heldOf(digit, of), true);
    else if (key === 'enter') void next();
    else return false;
    return true;
  });

  const rank = kit.ranks.find((r) => r.id === student.rankId);
  const many = points.length > MANY;
  const beside = many && !landscape;
  const focusPanel = (
    <FocusPanel
      kit={kit}
      student={student}
      now={allHeld(points, marks, side)}
      tonight={slippedTonight(
        points,
        card.sides.map((x) => [x, card.shown(x)] as const),
      )}
    />
  );
  if (handing && point)
    return (
      <Handover
        point={point}
        student={student}
        partnerId={card.how.partnerId}
        me={kit.me}
        line={line}
        of={of}
        onTold={(n, toldBy) => {
          setHanding(false);
          set({ ...heldOf(n, of), toldBy }, true);
        }}
        onBack={() => setHanding(false)}
      />
    );
  return (
    <div className={`card${leftHanded ? ' left-handed' : ''}${many ? ' many' : ''}${more ? ' open' : ''}`}>
      <header>
        <div>
          <h1>
            {student.name} {rank && <Belt name={rank.name} cloth={rank.cloth} width={84} height={26} />}
          </h1>
          <AtTheName student={student} today={kit.today} />
          <p>
            <b>{technique.name}</b>{' '}
            <ButtonBase className="link" onClick={onTechnique}>
              another item
            </ButtonBase>
          </p>
        </div>
        <ButtonBase className="link more" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? 'less' : 'more'}
        </ButtonBase>
        <ButtonBase className="link hand" onClick={onHand}>
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
          options={kit.conditions
            .filter((c) => near.has(c.id) || c.id === conditionId)
            .map((c) => ({ value: c.id, word: c.name }))}
        />
        <div className="reps">
          <Button aria-label="One repetition less" disabled={of <= 1} onClick={() => setOf(of - 1)}>
            −
          </Button>
          <span>
            {of} {plural(of, 'time')}
          </span>
          <Button aria-label="One repetition more" disabled={of >= 20} onClick={() => setOf(of + 1)}>
            +
          </Button>
        </div>
        {kit.conditions.find((c) => c.id === conditionId)?.partner === true && (
          <Partner
            line={line}
            student={student}
            value={card.how.partnerId}
            onPartner={(partnerId) => card.changeHow({ ...card.how, partnerId })}
          />
        )}
        <HowDone how={card.how} onHow={(how) => card.changeHow(how)} />
      </div>
      <div className="body">
        <div className="figure">
          {!beside && focusPanel}
          <BodyFigure kind={technique.kind} points={points} lit={point?.id} width={230} height={300} />
        </div>
        <PointList
          points={points}
          student={student}
          at={at}
          side={side}
          of={of}
          today={kit.today}
          marksAt={marksAt}
          restOf={restOf}
          onChoose={choose}
        />
      </div>
      <div className="now-point">
        <section aria-live="polite">
          {point && now ? (
            <NowPoint
              key={`${point.id} ${side}`}
              point={point}
              range={range}
              value={value}
              onValue={setValue}
              marks={now}
              of={of}
              side={side}
              latest={() => card.latest(side, point)}
              onMarks={(m) => set(m, false)}
              onHandOver={() => setHanding(true)}
              byEye={measurable && byEye}
              onByEye={setByEye}
              who={measuredPerson(student)}
              item={technique.name}
              readable={points.flatMap((p) => measuredPoint(p, rangeFor(p, student)) ?? [])}
              onTake={take}
            />
          ) : (
            <p>Every point of this item is waived for {nameParts(student.name)[0]}.</p>
          )}
          {beside && focusPanel}
        </section>
        {rest ? (
          <RestAsks
            student={student}
            rest={rest}
            today={kit.today}
            onLook={() => setAllowed(true)}
            onPass={() => (onwards(at) === at ? void next() : choose(onwards(at)))}
          />
        ) : (
          <section className="keys" aria-label="Mark">
            {point && now && (
              <MarkKeys
                point={point}
                marks={now}
                measured={measured}
                measure={measure}
                accepted={accepted}
                onHold={hold}
                onSlip={slip}
                onClear={clear}
              />
            )}
          </section>
        )}
      </div>
      <footer>
        {noting && <NoteField note={card.note(side)} onNote={(text) => card.setNote(side, text)} />}
        <SaveState by={kit.me.personId} problem={card.problem} />
        <Button disabled={!card.canUndo} onClick={undo}>
          Undo
        </Button>
        <Button onClick={() => setNoting(!noting)} aria-pressed={noting}>
          Note
        </Button>
        <Button onClick={() => void finish().then((kept) => kept && onEnd())}>End</Button>
        <Button variant="contained" onClick={() => void next()}>
          {following ? `Next: ${following.name}` : 'Save this card'}
        </Button>
      </footer>
    </div>
  );
}
