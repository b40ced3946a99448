import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { CommandDraft, CommandName, FieldError } from '../../contracts/commands';
import type { RequirementVerdict, StudentView } from '../../contracts/views';
import { VERDICTS, type VerdictWord } from '../../core';
import { errorAt, newId, send } from '../../kit/send';
import { Switch } from '../../kit/Switch';

export interface Sheet {
  view: StudentView;
  done: () => Promise<void>;
  leave: () => void;
}

/** Sends a command and keeps what came back; used by every sheet of decisions. */
export function useDecision(done: () => Promise<void>) {
  const [errors, setErrors] = useState<FieldError[]>([]);
  const [wrong, setWrong] = useState('');
  const decide = async <N extends CommandName>(name: N, input: CommandDraft<N>) => {
    const answer = await send(name, input);
    if (answer.ok) return done();
    setErrors(answer.errors);
    setWrong(answer.title);
  };
  const at = (path: string) => ({ error: !!errorAt(errors, path), helperText: errorAt(errors, path) });
  const message = <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>;
  return { decide, at, message };
}

/** A head's word against the computed verdict; kept with its reason, lifted with a reason. */
export function Override({
  r,
  studentId,
  done,
}: {
  r: RequirementVerdict;
  studentId: string;
  done: () => Promise<void>;
}) {
  const [open, setOpen] = useState(false);
  const [word, setWord] = useState<VerdictWord>(r.word === 'met' ? 'short' : 'met');
  const [reason, setReason] = useState('');
  const { decide, at, message } = useDecision(done);
  if (!open)
    return (
      <div className="no-print" style={{ marginTop: 8 }}>
        <Button onClick={() => setOpen(true)}>{r.override ? 'Change the head’s word' : 'Overrule this'}</Button>
      </div>
    );
  const save = (next: VerdictWord | null) =>
    void decide('override.set', { id: newId(), studentId, requirementId: r.id, word: next, reason });
  return (
    <form
      className="stack"
      style={{ marginTop: 10 }}
      onSubmit={(e) => {
        e.preventDefault();
        save(word);
      }}
      noValidate
    >
      <TextField
        id="override-word"
        label="The head’s word"
        select
        value={word}
        onChange={(e) => setWord(e.target.value as VerdictWord)}
      >
        {VERDICTS.map((w) => (
          <MenuItem key={w} value={w}>
            {w}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        id="override-reason"
        label="Why"
        multiline
        minRows={2}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        {...at('reason')}
      />
      {message}
      <div className="row" style={{ flexWrap: 'wrap' }}>
        <Button type="submit" variant="contained">
          Say so
        </Button>
        {r.override && <Button onClick={() => save(null)}>Back to the computed word</Button>}
        <Button variant="text" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </div>
    </form>
  );
}

/** A promotion is recorded, not computed: the head decides, and sees what is missing. */
export function Promote({ view, done, leave }: Sheet) {
  const [rankId, setRank] = useState(view.next?.id ?? view.ranks[0]?.id ?? '');
  const [day, setDay] = useState(view.today);
  const [note, setNote] = useState('');
  const [id] = useState(newId);
  const { decide, at, message } = useDecision(done);
  const missing = [
    ...view.requirements.filter((r) => r.word !== 'met').map((r) => r.technique),
    ...view.gates.filter((g) => g.word !== 'met').map((g) => g.has),
  ];
  const isNext = rankId === view.next?.id;
  return (
    <form
      className="sheet stack"
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        void decide('student.promote', { id, studentId: view.student.id, rankId, day, note });
      }}
      noValidate
    >
      <h2>Record a promotion</h2>
      <TextField id="promote-rank" label="Belt" select value={rankId} onChange={(e) => setRank(e.target.value)}>
        {view.ranks
          .filter((r) => r.id !== view.student.rank.id)
          .map((r) => (
            <MenuItem key={r.id} value={r.id}>
              {r.name}
            </MenuItem>
          ))}
      </TextField>
      <TextField id="promote-day" label="On" value={day} onChange={(e) => setDay(e.target.value)} {...at('day')} />
      <TextField
        id="promote-note"
        label="Note"
        value={note}
        onChange={(e) => setNote(e.target.value)}
        {...at('note')}
      />
      {isNext && missing.length > 0 && (
        <p className="message">Not met yet: {missing.join('; ')}. You decide; it is written down as you say.</p>
      )}
      <p className="second">
        A promotion stays on record. It starts the next belt: classes and hours count from this day.
      </p>
      {message}
      <div className="row">
        <Button type="submit" variant="contained">
          Record it
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}

export function ChangeStudent({ view, done, leave }: Sheet) {
  const [name, setName] = useState(view.student.name);
  const [born, setBorn] = useState(view.student.born ?? '');
  const { decide, at, message } = useDecision(done);
  const left = view.student.leftOn !== null;
  return (
    <form
      className="sheet stack"
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        void decide('student.change', { id: view.student.id, name, born: born.trim() === '' ? null : born });
      }}
      noValidate
    >
      <h2>Name and birth</h2>
      <TextField id="change-name" label="Name" value={name} onChange={(e) => setName(e.target.value)} {...at('name')} />
      <TextField
        id="change-born"
        label="Date of birth"
        value={born}
        onChange={(e) => setBorn(e.target.value)}
        {...at('born')}
      />
      {message}
      <div className="row" style={{ flexWrap: 'wrap' }}>
        <Button type="submit" variant="contained">
          Save
        </Button>
        <Button onClick={leave}>Leave it</Button>
        <Button variant="text" onClick={() => void decide('student.leave', { id: view.student.id, left: !left })}>
          {left ? 'Back on the roll' : 'Has left the school'}
        </Button>
      </div>
      {!left && <p className="second">Who has left keeps their record, is signed out and can be taken back.</p>}
    </form>
  );
}

/** An adapted standard: written by the head for one student, kept with its reason. */
export function Adapt({ view, done, leave }: Sheet) {
  const points = [
    ...new Map(
      view.requirements.flatMap((r) =>
        r.points.map((p) => [p.pointId, { id: p.pointId, name: `${p.name} (${r.technique})` }] as const),
      ),
    ).values(),
  ];
  const [pointId, setPoint] = useState(points[0]?.id ?? '');
  const [how, setHow] = useState<'share' | 'range' | 'waived'>('share');
  const [share, setShare] = useState('60');
  const [lo, setLo] = useState('');
  const [hi, setHi] = useState('');
  const [reason, setReason] = useState('');
  const [id] = useState(newId);
  const { decide, at, message } = useDecision(done);
  const save = (e: SyntheticEvent) => {
    e.preventDefault();
    void decide('adaptation.write', {
      id,
      studentId: view.student.id,
      pointId,
      from: view.today,
      range:
        how === 'range' ? { lo: lo === '' ? Number.NaN : Number(lo), hi: hi === '' ? Number.NaN : Number(hi) } : null,
      share: how === 'share' ? Number(share) / 100 : null,
      waived: how === 'waived',
      reason,
    });
  };
  return (
    <form className="sheet stack" onSubmit={save} noValidate>
      <h2>Adapt a point</h2>
      <TextField
        id="adapt-point"
        label="Point"
        select
        value={pointId}
        onChange={(e) => setPoint(e.target.value)}
        {...at('pointId')}
      >
        {points.map((p) => (
          <MenuItem key={p.id} value={p.id}>
            {p.name}
          </MenuItem>
        ))}
      </TextField>
      <Switch
        label="How"
        value={how}
        onChange={setHow}
        options={[
          { value: 'share', word: 'a share' },
          { value: 'range', word: 'a range' },
          { value: 'waived', word: 'waived' },
        ]}
      />
      {how === 'share' && (
        <TextField
          id="adapt-share"
          label="Asked, in 100"
          type="number"
          value={share}
          onChange={(e) => setShare(e.target.value)}
          {...at('share')}
        />
      )}
      {how === 'range' && (
        <div className="row">
          <TextField
            id="adapt-lo"
            label="Accepted from"
            type="number"
            value={lo}
            onChange={(e) => setLo(e.target.value)}
          />
          <TextField id="adapt-hi" label="to" type="number" value={hi} onChange={(e) => setHi(e.target.value)} />
        </div>
      )}
      <TextField
        id="adapt-reason"
        label="Why"
        multiline
        minRows={2}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        {...at('reason')}
      />
      <p className="second">No diagnosis belongs here. Pain: stop, and ask a doctor or physiotherapist.</p>
      {message}
      <div className="row">
        <Button type="submit" variant="contained">
          Write it
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}
