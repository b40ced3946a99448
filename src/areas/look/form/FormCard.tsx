import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useState } from 'react';
import type { LookWritten } from '../../../contracts/look';
import type { EarlierShowingsView, LookKitView } from '../../../contracts/views';
import {
  capital,
  dayInWords,
  readShowing,
  type CountMark,
  type Purpose,
  rolesOf,
  workingLane,
  type Lane,
} from '../../../core';
import { drop, openNow } from '../../../kit/deviceQueue/deviceQueue';
import { useAhead } from '../../../kit/deviceQueue/useAhead';
import '../../../kit/drawing/drawing.css';
import { Belt } from '../../../kit/marks/Belt';
import { ask, newId } from '../../../kit/send';
import { Switch } from '../../../kit/Switch';
import { useKeys } from '../../../kit/useKeys';
import { AtTheName } from '../../../kit/mat/AtTheName';
import { nameParts, type KitItem, type KitSequence, type KitStudent } from '../../../kit/mat/line';
import { Handover } from '../Handover';
import { NoteField } from '../NoteField';
import { draftLook, recordLook } from '../../../kit/mat/record';
import { RestAsks } from '../RestAsks';
import { Keys } from './Keys';
import { Score } from './Score';
import { SaveState, useAwake } from '../../../kit/mat/SaveState';
import {
  cutSaid,
  isShown,
  markCount,
  namedPoints,
  nameSlip,
  restHeld,
  showingOf,
  tellFelt,
  type Named,
  tapCount,
  unseen,
  turnOwn,
  type ShowingMarks,
} from './showing';
import { Together } from './Together';
import './FormCard.css';

const PURPOSE_WORDS: Record<Purpose, string> = { show: 'shown', study: 'studied' };

interface Props {
  kit: LookKitView;
  student: KitStudent;
  following: KitStudent | null;
  /** Who stands on the line: any of them may have felt it. */
  line: readonly KitStudent[];
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
    const slips = l.sequence.slips.map(({ toldBy = null, held = false, ...s }) => ({ ...s, toldBy, held }));
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
  line,
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
  /** What whoever felt it is being asked about. */
  const [asking, setAsking] = useState<{ felt: Named; name: string } | null>(null);
  const [earlier, setEarlier] = useState<EarlierShowingsView['showings']>([]);
  const [noEarlier, setNoEarlier] = useState('');
  const [nth, setNth] = useState(1);

  useEffect(() => {
    void ask('earlierShowings', { sequenceId: sequence.id }).then((a) =>
      a.ok ? setEarlier(a.view.showings) : setNoEarlier(a.title),
    );
  }, [sequence.id]);

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
    set(markCount(latest().marks, at, mark), `${count} ${cutSaid(mark)}`);
    if (mark !== 'S') setAt(Math.min(marks.counts.length - 1, at + 1));
  };
  const tap = (i: number) => {
    setAt(i);
    set(tapCount(latest().marks, i), `${from + i} slipped`);
  };
  const close = () => set(restHeld(latest().marks, shouts), 'the rest held');

  useKeys((key) => {
    if (rest || asking) return false;
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
  const named = newest?.e.slips.find((s) => s.count === slippedAt && !s.held);
  const rank = kit.ranks.find((r) => r.id === student.rankId);
  const asked = kit.asked.find(
    (a) =>
      a.itemKey === item.key && a.rankId === kit.ranks[kit.ranks.findIndex((r) => r.id === student.rankId) + 1]?.id,
  );
  const open = marks.counts.includes('U');
  const conditionName = kit.conditions.find((c) => c.id === conditionId)?.name ?? '';
  if (asking)
    return (
      <Handover
        point={{ name: capital(asking.name), how: '' }}
        student={student}
        partnerId={partner}
        me={kit.me}
        line={line}
        of={1}
        onTold={(n, toldBy) => {
          const said = n === 1 ? 'told that it was so' : 'told that it was not';
          set(tellFelt(latest().marks, at, asking.felt, n === 1, toldBy), `${count} ${said}`);
          setAsking(null);
        }}
        onBack={() => setAsking(null)}
      />
    );
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
            <Together
              kit={kit}
              student={student}
              sequence={sequence}
              lane={lane}
              partner={partner}
              onLane={(x) => change({ lane: x })}
              onPartner={(id) => change({ partner: id })}
            />
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
        <Score
          sequence={sequence}
          stave={{ from, to, title: item.name }}
          at={at}
          counts={marks.counts}
          nth={nth}
          earlier={mine.map((e) => ({ ...e, when: e.day === kit.today ? 'before' : shortDay(e.day) }))}
          noEarlier={mine.length === 0 ? noEarlier : ''}
          today={kit.today}
          shut={rest !== null}
          onTap={tap}
        />
        {rest ? (
          <RestAsks
            student={student}
            rest={rest}
            today={kit.today}
            onLook={() => setAllowed(true)}
            onPass={() => void next()}
          />
        ) : (
          <Keys
            sequence={sequence}
            count={count}
            condition={conditionName}
            lane={lane}
            marks={marks}
            shouts={shouts}
            onMark={press}
            onFelt={(felt, name) => setAsking({ felt, name })}
            onName={(slip) => set(nameSlip(latest().marks, at, slip), `${count} slipped`)}
            onOwn={(own) => set(turnOwn(latest().marks, own), own)}
          />
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

const shortDay = (day: string) =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
