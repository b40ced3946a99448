import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { LookWritten } from '../../../contracts/look';
import type { EarlierShowingsView, LookKitView } from '../../../contracts/views';
import {
  capital,
  dayInWords,
  LANES,
  layoutStave,
  OWN_POINTS,
  readShowing,
  rungInWords,
  rungTogether,
  stepSaid,
  svgOf,
  traceFloor,
  type CountMark,
  type Purpose,
  stancesNamed,
  roleIn,
  rolesOf,
  workingLane,
  type Lane,
  type PlacePoint,
} from '../../../core';
import { drop, openNow } from '../../../kit/deviceQueue/deviceQueue';
import { useAhead } from '../../../kit/deviceQueue/useAhead';
import '../../../kit/drawing/drawing.css';
import { onScreen } from '../../../kit/drawing/tones';
import { Belt } from '../../../kit/marks/Belt';
import { CutMark } from '../../../kit/marks/CutMark';
import { Stick, type Notch } from '../../../kit/marks/Stick';
import { ask, newId } from '../../../kit/send';
import { Switch } from '../../../kit/Switch';
import { useKeys } from '../../../kit/useKeys';
import { AtTheName } from '../AtTheName';
import { Key } from '../../../kit/mat/Key';
import { nameParts, type KitItem, type KitSequence, type KitStudent } from '../line';
import { NoteField } from '../NoteField';
import { Partner } from '../Partner';
import { draftLook, recordLook } from '../record';
import { RestAsks } from '../RestAsks';
import { SaveState, useAwake } from '../../../kit/mat/SaveState';
import {
  isShown,
  markCount,
  namedPoints,
  nameSlip,
  pointsAt,
  restHeld,
  showingOf,
  tapCount,
  unseen,
  type ShowingMarks,
} from './showing';
import './FormCard.css';

const COLUMN = 81;
const PURPOSE_WORDS: Record<Purpose, string> = { show: 'shown', study: 'studied' };

interface Props {
  kit: LookKitView;
  student: KitStudent;
  following: KitStudent | null;
  item: KitItem & { sequence: KitSequence };
  conditionId: string;
  leftHanded: boolean;
  onItem: () => void;
  onLooked: () => void;
  onNext: () => void;
  onEnd: () => void;
}

/** One showing, whole: each tap writes it anew. */
interface Showing {
  lookId: string;
  marks: ShowingMarks;
  note: string;
  purpose: Purpose;
  partner: string | null;
  /** Whose part is watched, in a drill for two. */
  lane: Lane | null;
  open: boolean;
}

/** A showing that was open when the browser was closed, or when somebody else was looked at in between. */
function begunShowing(studentId: string, sequenceId: string, from: number, to: number, by: string): Showing | null {
  for (const c of openNow()) {
    const l = c.input as LookWritten;
    const read = l.sequence ? readShowing(l.sequence.counts) : null;
    if (c.name !== 'look.record' || c.by !== by || l.studentId !== studentId || !l.sequence || !read) continue;
    if (l.sequence.id !== sequenceId || l.sequence.from !== from || l.sequence.to !== to) continue;
    const slips = l.sequence.slips.map((s) => ({ ...s }));
    const marks: ShowingMarks = { from, counts: [...read.counts], own: { ...read.own }, slips };
    return {
      lookId: c.id,
      marks,
      purpose: l.purpose ?? 'show',
      note: l.note,
      partner: l.partnerId ?? null,
      lane: l.sequence.lane ?? null,
      open: true,
    };
  }
  return null;
}

/** A form, drill or set count by count on its stave: a tap on a column means it slipped there, "the rest held" closes. */
export default function FormCard({
  kit,
  student,
  following,
  item,
  conditionId,
  leftHanded,
  onItem,
  onLooked,
  onNext,
  onEnd,
}: Props) {
  useAwake();
  const { sequence } = item;
  const [from, to] = [item.part?.from ?? 1, item.part?.to ?? sequence.body.moves.length];
  const [begun] = useState(() => begunShowing(student.id, sequence.id, from, to, kit.me.personId));
  const ahead = useAhead<'showing', Showing>(
    async (_, now) => {
      if (!isShown(now.marks) && now.note.trim() === '') {
        await drop(now.lookId);
        return now;
      }
      const draft = draftLook({
        id: now.lookId,
        studentId: student.id,
        sequence: showingOf(now.marks, sequence, now.lane),
        conditionId,
        side: 'none',
        purpose: now.purpose,
        partnerId: now.partner,
        note: now.note,
        marks: namedPoints(now.marks, sequence),
        names: Object.fromEntries(sequence.points.map((p) => [p.id, p.name])),
        label: `${student.name}, ${item.name}`,
      });
      await recordLook(draft, kit.me.personId, kit.timeZone, now.open);
      return now;
    },
    () => (begun ? [['showing', begun]] : []),
  );
  const roles = rolesOf(sequence.body);
  const usualLane = roles && workingLane(sequence.body);
  const [fresh, setFresh] = useState<Showing>(
    () =>
      begun ?? {
        lookId: newId(),
        marks: unseen(from, to),
        note: '',
        purpose: 'show',
        partner: null,
        lane: usualLane,
        open: true,
      },
  );
  // What the device has is drawn; taps are laid upon what was tapped last.
  const shown = ahead.has('showing') ?? fresh;
  const latest = () => ahead.latest('showing') ?? fresh;
  const { marks } = shown;
  const { note, purpose, partner, lookId, lane } = latest();
  const problem = ahead.problem;
  // Whose work rests is asked about once, before anything is marked.
  const [allowed, setAllowed] = useState(false);
  const rest = allowed ? null : (student.rests[item.key] ?? student.rests[`s:${sequence.id}`] ?? null);
  const [past, setPast] = useState<{ marks: ShowingMarks; word: string }[]>([]);
  const [at, setAt] = useState(0);
  const [noting, setNoting] = useState(false);
  const [earlier, setEarlier] = useState<EarlierShowingsView['showings']>([]);
  const [noEarlier, setNoEarlier] = useState('');
  const [nth, setNth] = useState(1);
  const frame = useRef<HTMLDivElement>(null);

  useEffect(() => {
    void ask('earlierShowings', { sequenceId: sequence.id }).then((a) =>
      a.ok ? setEarlier(a.view.showings) : setNoEarlier(a.title),
    );
  }, [sequence.id]);
  const layout = useMemo(() => {
    const part = { ...sequence.body, moves: sequence.body.moves.slice(from - 1, to), closing: [] };
    const trace = traceFloor(part, { stature: 1.7, stances: stancesNamed(sequence.stances ?? []) });
    return layoutStave(part, { column: COLUMN, zoneGap: 30, scale: 1.15 }, trace);
  }, [sequence.body, sequence.stances, from, to]);
  useEffect(() => {
    const el = frame.current;
    const x = layout.columns[at]?.x ?? 0;
    if (!el) return;
    if (x < el.scrollLeft + 60 || x > el.scrollLeft + el.clientWidth - 2 * COLUMN)
      el.scrollTo({ left: Math.max(0, x - el.clientWidth * 0.4) });
  }, [at, layout]);

  const shouts = sequence.body.moves.slice(from - 1, to).some((m) => m.step.shout || m.partner?.shout);
  const change = (more: Partial<Showing>) => ahead.set('showing', { ...latest(), ...more });
  const set = (next: ShowingMarks, word: string) => {
    const before = latest().marks;
    setPast((p) => [...p.slice(-40), { marks: before, word }]);
    change({ marks: next });
  };
  const undo = () => {
    const step = past.at(-1);
    if (!step) return;
    setPast(past.slice(0, -1));
    change({ marks: step.marks });
  };
  /** False where the device has no room: then the showing stays, with all that was tapped. */
  const finish = async (): Promise<boolean> => {
    const now = latest();
    if (!isShown(now.marks) && now.note.trim() === '') return true;
    change({ open: false });
    if (!(await ahead.settled())) return false;
    if (isShown(now.marks)) onLooked();
    return true;
  };
  const again = async () => {
    const before = latest();
    if (!(await finish())) return;
    if (isShown(before.marks))
      setEarlier([
        {
          id: before.lookId,
          studentId: student.id,
          day: kit.today,
          from,
          counts: showingOf(before.marks, sequence, before.lane).counts,
          by: kit.me.name,
          byMe: true,
          slips: before.marks.slips,
          lane: before.lane,
        },
        ...earlier,
      ]);
    ahead.forget('showing');
    setFresh({ ...before, lookId: newId(), marks: unseen(from, to), note: '', open: true });
    setPast([]);
    setNoting(false);
    setAt(0);
    setNth(nth + 1);
  };
  const next = async () => {
    if (await finish()) onNext();
  };
  const count = from + at;
  const press = (mark: CountMark) => {
    set(
      markCount(latest().marks, at, mark),
      `${count} ${mark === 'H' ? 'held' : mark === 'S' ? 'slipped' : 'not seen'}`,
    );
    if (mark !== 'S') setAt(Math.min(marks.counts.length - 1, at + 1));
  };
  const tap = (i: number) => {
    setAt(i);
    set(tapCount(latest().marks, i), `${from + i} slipped`);
  };
  const close = () => set(restHeld(latest().marks, shouts), 'the rest held');

  useKeys((key) => {
    if (rest) return false;
    if (key === 'arrowright') setAt((i) => Math.min(marks.counts.length - 1, i + 1));
    else if (key === 'arrowleft') setAt((i) => Math.max(0, i - 1));
    else if (key === 'home') setAt(0);
    else if (key === 'end') setAt(marks.counts.length - 1);
    else if (key === 'h') press('H');
    else if (key === 's') press('S');
    else if (key === 'backspace') press('U');
    else if (key === 'r') close();
    else if (key === 'enter') void next();
    else return false;
    return true;
  });

  const mine = earlier
    .filter((e) => e.studentId === student.id && e.id !== lookId && (e.lane ?? usualLane) === lane)
    .slice(0, 3);
  const newest = mine.map((e) => ({ e, read: readShowing(e.counts) })).find((x) => x.read?.counts.includes('S'));
  const slippedAt = newest ? newest.e.from + newest.read!.counts.indexOf('S') : null;
  const named = newest?.e.slips.find((s) => s.count === slippedAt);
  const rank = kit.ranks.find((r) => r.id === student.rankId);
  const asked = kit.asked.find(
    (a) =>
      a.itemKey === item.key && a.rankId === kit.ranks[kit.ranks.findIndex((r) => r.id === student.rankId) + 1]?.id,
  );
  const step = sequence.body.moves[count - 1]!;
  const done = (lane === 'B' ? step.partner : step.step) ?? step.step;
  const whats = [
    // What this form is looked at by at this very place goes first.
    ...(step.points ?? []).map((p) => ({ pointId: null, what: placeName(p), critical: false })),
    ...pointsAt(sequence, count).map((p) => ({ pointId: p.id, what: p.name, critical: p.critical })),
    { pointId: null, what: 'feet stop short', critical: false },
    { pointId: null, what: 'forgotten', critical: false },
  ];
  const chosen = (w: { pointId: string | null; what: string }) =>
    marks.slips.some((s) => s.count === count && s.pointId === w.pointId && s.what === w.what);
  const x0 = layout.columns[0]?.x ?? 0;
  const width = COLUMN * marks.counts.length;
  const open = marks.counts.includes('U');
  const conditionName = kit.conditions.find((c) => c.id === conditionId)?.name ?? '';
  const condition = asked ? `${conditionName}, ${asked.repetitions} showings asked` : conditionName;
  return (
    <div className={`form-card${leftHanded ? ' left-handed' : ''}`}>
      <header>
        <div>
          <h1>
            {student.name} {rank && <Belt name={rank.name} cloth={rank.cloth} width={84} height={26} />}
          </h1>
          <AtTheName student={student} today={kit.today} />
          <p>
            <b>{item.name}</b> <span>{condition}</span>{' '}
            <ButtonBase className="link" onClick={onItem}>
              another item
            </ButtonBase>
          </p>
          {(sequence.kind === 'partner drill' || roles !== null) && (
            <div className="together">
              {lane !== null && (
                <Switch
                  mat
                  label="Whose part"
                  value={lane}
                  onChange={(x) => change({ lane: x })}
                  options={LANES.map((x) => ({ value: x, word: roleIn(sequence.body, x) }))}
                />
              )}
              <Partner
                line={kit.students}
                student={student}
                value={partner}
                onPartner={(id) => {
                  change({ partner: id });
                }}
              />
              <span role="status">
                {partner === null
                  ? `${nameParts(student.name)[0]}: ${rungInWords(student.rung ?? 0)}.`
                  : `Together ${rungInWords(rungTogether(student.rung, kit.students.find((s) => s.id === partner)?.rung ?? null))}.`}{' '}
                Who teaches is in charge of all contact.
              </span>
            </div>
          )}
          {slippedAt !== null && (
            <p className="first">
              <b>Watch first:</b> count {slippedAt}. {named ? `${capital(named.what)}` : 'It slipped'} on{' '}
              {dayInWords(newest!.e.day, kit.today)}.
            </p>
          )}
        </div>
        <Switch
          mat
          label="Purpose"
          value={purpose}
          onChange={(p) => {
            change({ purpose: p });
          }}
          options={(['show', 'study'] as const).map((p) => ({ value: p, word: PURPOSE_WORDS[p] }))}
        />
      </header>
      <div className="body">
        <div className="score" ref={frame} tabIndex={0} role="group" aria-label={`Stave of ${item.name}`}>
          <div style={{ width: layout.width, position: 'relative' }}>
            <svg
              width={layout.width}
              height={layout.height}
              viewBox={`0 0 ${layout.width} ${layout.height}`}
              aria-hidden="true"
              className="stave"
            >
              <rect
                x={layout.columns[at]?.x}
                y={layout.top}
                width={COLUMN}
                height={layout.height - layout.top}
                rx="4"
                fill="var(--lit)"
              />
              {layout.lines.map((l) => (
                <g key={l.from} className="lines" dangerouslySetInnerHTML={{ __html: svgOf(l.primitives, onScreen) }} />
              ))}
              {layout.columns.map((c) => (
                <g
                  key={c.index}
                  transform={`translate(${c.x} ${c.y})`}
                  dangerouslySetInnerHTML={{ __html: svgOf(c.primitives, onScreen) }}
                />
              ))}
            </svg>
            <div className="board-row">
              <b>{nth === 1 ? 'tonight' : `tonight, ${nth}`}</b>
              <div style={{ marginLeft: x0 }}>
                <Stick marks={marks.counts} side="none" width={width} height={58} label="tonight" />
              </div>
            </div>
            {noEarlier !== '' && mine.length === 0 && <li className="second">Not at hand. {noEarlier}</li>}
            {mine.map((e) => {
              const read = readShowing(e.counts);
              const shown = marks.counts.map((_, i): Notch => read?.counts[from + i - e.from] ?? 'U');
              return (
                <div className="board-row low" key={e.id}>
                  <span>{e.day === kit.today ? 'before' : shortDay(e.day)}</span>
                  <div style={{ marginLeft: x0 }}>
                    <Stick marks={shown} side="none" width={width} height={20} label={dayInWords(e.day, kit.today)} />
                  </div>
                </div>
              );
            })}
            {layout.columns.map((c, i) => (
              <ButtonBase
                key={c.index}
                className={`col${i === at ? ' now' : ''}`}
                style={{ left: c.x, width: COLUMN, top: layout.top, bottom: 0 }}
                aria-label={`Count ${from + i}, ${actionName(sequence, from + i)}: ${said(marks.counts[i]!)}`}
                aria-current={i === at ? 'true' : undefined}
                disabled={rest !== null}
                onClick={() => tap(i)}
              />
            ))}
          </div>
        </div>
        {rest ? (
          <RestAsks
            student={student}
            rest={rest}
            today={kit.today}
            onLook={() => setAllowed(true)}
            onPass={() => void next()}
          />
        ) : (
          <section className="keys" aria-label="Mark">
            <div className="who" aria-live="polite">
              <b>Count {count}</b>
              <span>{capital(stepSaid(done))}</span>
            </div>
            <ul className="whats" aria-label={`What slipped at count ${count}`}>
              {whats.map((w) => (
                <li key={`${w.pointId} ${w.what}`}>
                  <ButtonBase
                    role="checkbox"
                    aria-checked={chosen(w)}
                    onClick={() =>
                      set(nameSlip(latest().marks, at, { pointId: w.pointId, what: w.what }), `${count} slipped`)
                    }
                    className={chosen(w) ? 'on' : ''}
                  >
                    <CutMark cut={chosen(w) ? 'slipped' : 'not seen'} /> {capital(w.what)}
                    {w.critical && <b>critical</b>}
                  </ButtonBase>
                </li>
              ))}
            </ul>
            <div className="own">
              {OWN_POINTS.filter((o) => o !== 'shouts' || shouts).map((o) => (
                <ButtonBase
                  key={o}
                  className={`own-point ${marks.own[o]}`}
                  aria-label={`${o}: ${said(marks.own[o])}`}
                  onClick={() =>
                    set({ ...latest().marks, own: { ...latest().marks.own, [o]: TURN[latest().marks.own[o]] } }, o)
                  }
                >
                  <CutMark cut={said(marks.own[o])} /> {o}
                </ButtonBase>
              ))}
            </div>
            <Key notch="H" word="Held" onClick={() => press('H')} />
            <Key notch="S" word="Slipped" onClick={() => press('S')} />
            <Key notch="U" word="Not seen" low onClick={() => press('U')} />
          </section>
        )}
      </div>
      <footer>
        {noting && (
          <NoteField
            note={note}
            onNote={(text) => {
              change({ note: text });
            }}
          />
        )}
        <SaveState by={kit.me.personId} problem={problem} />
        <Button disabled={past.length === 0} onClick={undo}>
          {past.length > 0 ? `Undo: ${past.at(-1)!.word}` : 'Undo'}
        </Button>
        <Button onClick={() => setNoting(!noting)} aria-pressed={noting}>
          Note
        </Button>
        {open ? (
          <Button variant="contained" disabled={rest !== null} onClick={close}>
            The rest held
          </Button>
        ) : (
          <Button onClick={() => void again()}>Once more</Button>
        )}
        <Button onClick={() => void finish().then((kept) => kept && onEnd())}>End</Button>
        <Button variant={open ? 'outlined' : 'contained'} onClick={() => void next()}>
          {following ? `Next: ${nameParts(following.name)[0]}` : 'Save this showing'}
        </Button>
      </footer>
    </div>
  );
}

/** A form's own point as it stands on a key and in a slip. */
const placeName = (p: PlacePoint): string =>
  [p.name, p.felt ? 'felt' : '', p.between ? 'before the next' : ''].filter(Boolean).join(', ');
const said = (m: CountMark) => (m === 'H' ? 'held' : m === 'S' ? 'slipped' : 'not seen');
const TURN: Record<CountMark, CountMark> = { U: 'S', S: 'H', H: 'U' };
const shortDay = (day: string) =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
const actionName = (s: KitSequence, count: number): string => {
  const m = s.body.moves[count - 1];
  return m?.step.actions[0]?.name ?? m?.partner?.actions[0]?.name ?? m?.step.stance ?? '';
};
