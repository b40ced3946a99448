import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { StudentView } from '../../contracts/views';
import { chanceInWords, HANDS, JOINTS, type Hands, type Joints } from '../../core';
import { ChanceRule } from '../../kit/marks/ChanceRule';
import { newId } from '../../kit/send';
import { capital, dateInWords, firstName } from '../../kit/words';
import { useDecision, type Sheet } from './decisions';

const onSide = (side: string) => (side === 'none' ? '' : `, ${side}`);

/** The one correction with its reason, one true thing to praise, and all slips one tap away. */
export function OneThing({ view, onChoose }: { view: StudentView; onChoose: (() => void) | null }) {
  const [all, setAll] = useState(false);
  const f = view.focus;
  return (
    <section className="sheet one-thing">
      <div className="spread">
        <h2>One thing to work on</h2>
        <span className="second">{f?.since ? `since ${dateInWords(f.since)}` : ''}</span>
      </div>
      <p>
        <b>True now:</b> {view.praise}
      </p>
      {f ? (
        <>
          <p className="serif what">
            {f.point}
            {onSide(f.side)}.
          </p>
          {f.cue !== '' && <p className="serif cue">“{f.cue}”</p>}
          <p className="second">
            {f.hurts && <span className="hurts">Can hurt{f.hurtsHow ? `: ${f.hurtsHow}` : ''}. </span>}
            {f.why} {f.holds} Now {f.held} of the last {f.of}.
          </p>
        </>
      ) : (
        <p className="second">Nothing of what is asked was seen to slip.</p>
      )}
      <div className="row no-print">
        {view.slips.length > 0 && (
          <Button variant="text" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'Only the one' : view.slips.length === 1 ? 'The one slip' : `All ${view.slips.length} slips`}
          </Button>
        )}
        {onChoose && view.slips.length > 1 && (
          <Button variant="text" onClick={onChoose}>
            Choose another
          </Button>
        )}
      </div>
      {all && (
        <ol className="slips">
          {view.slips.map((s) => (
            <li key={`${s.pointId} ${s.side}`} className="line">
              <b>
                {s.point}
                {onSide(s.side)}
              </b>{' '}
              <span className="second">
                {s.held} of {s.of}, needs {s.needs}
                {s.hurts && <span className="hurts"> can hurt</span>}. {s.cue !== '' && `“${s.cue}” `}
                {s.requirements.join(', ')}
              </span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

/** Another correction than the rule names, with the reason that is kept. */
export function ChooseFocus({ view, done, leave }: Sheet) {
  const [key, setKey] = useState('');
  const [reason, setReason] = useState('');
  const { decide, at, message } = useDecision(done);
  const chosen = view.slips.find((s) => `${s.pointId} ${s.side}` === key);
  return (
    <form
      className="sheet stack"
      noValidate
      aria-label="Another thing to work on"
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        if (chosen)
          void decide('focus.give', {
            id: newId(),
            studentId: view.student.id,
            pointId: chosen.pointId,
            side: chosen.side,
            day: view.today,
            chosen: true,
            reason,
          });
      }}
    >
      <h2>Another thing to work on</h2>
      <TextField id="focus-point" label="Work on" select value={key} onChange={(e) => setKey(e.target.value)}>
        {view.slips.map((s) => (
          <MenuItem key={`${s.pointId} ${s.side}`} value={`${s.pointId} ${s.side}`}>
            {s.point}
            {onSide(s.side)}: {s.held} of {s.of}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        id="focus-reason"
        label="Why this one?"
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        multiline
        {...at('reason')}
      />
      {message}
      <div className="row">
        <Button type="submit" variant="contained" disabled={!chosen}>
          Let it be the one
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}

/** How likely the belt passes on the day, gates aside, with the looks behind it. */
export function OnTheDay({ view }: { view: StudentView }) {
  const c = view.chance;
  if (!view.next || view.requirements.length === 0) return null;
  const items = view.requirements.filter((r) => r.chance !== null).sort((a, b) => a.chance!.chance - b.chance!.chance);
  return (
    <section>
      <div className="spread">
        <h2>On the day</h2>
        <span className="second">{c ? `from ${c.looks} looks` : ''}</span>
      </div>
      {!c ? (
        <p className="second line" style={{ paddingTop: 5 }}>
          Too few looks to say how likely it passes.
        </p>
      ) : (
        <div className="line" style={{ paddingTop: 8 }}>
          <ChanceRule {...c} width={308} height={26} scale />
          <p>
            <b>{capital(c.words)}</b>, gates aside
            {Math.round(c.hi * 10) > Math.round(c.lo * 10) &&
              `, between ${Math.round(c.lo * 10)} and ${Math.round(c.hi * 10)}`}
            .{' '}
            {items.length > 0 &&
              `Least sure: ${items
                .slice(0, 2)
                .map((r) => `${r.technique} ${chanceInWords(r.chance!.chance)}`)
                .join(', ')}.`}
          </p>
          <p className="second">
            Five of each, three hold, four at critical points; one item may fail. Points are taken as independent.{' '}
            {c.correctedBy > 0
              ? `Corrected by ${c.correctedBy} past decisions.`
              : 'Not yet corrected by past decisions: there are fewer than thirty.'}
          </p>
        </div>
      )}
    </section>
  );
}

/** What was missed while away, and how it can be made up; ticked off by the next look. */
export function Missed({ view, mine }: { view: StudentView; mine: boolean }) {
  if (view.missed.length === 0) return null;
  return (
    <section>
      <h2>To make up</h2>
      <ul>
        {view.missed.slice(0, 6).map((m) => (
          <li key={m.itemKey} className="line" style={{ padding: '5px 0' }}>
            <b style={{ fontWeight: 550 }}>{m.item}</b> <span className="second">shown on {dateInWords(m.day)}</span>
            <p className="second">
              {m.points.map((p) => (p.cue === '' ? p.name : `${p.name}: “${p.cue}”`)).join(' ')} {m.version}
              {m.drill !== '' && ` Or in a drill: ${m.drill}`}
            </p>
          </li>
        ))}
      </ul>
      <p className="second line" style={{ paddingTop: 5 }}>
        {view.missed.length > 6 && `${view.missed.length - 6} more. `}
        The next look at {mine ? 'you' : firstName(view.student.name)} ticks each off.
      </p>
    </section>
  );
}

/** Work laid off until a habit is gone. */
export function Pauses({
  view,
  onPause,
  onEnd,
}: {
  view: StudentView;
  onPause: (() => void) | null;
  onEnd: ((id: string) => void) | null;
}) {
  if (view.pauses.length === 0 && !onPause) return null;
  return (
    <section>
      <div className="spread">
        <h2>Laid off</h2>
        {onPause && (
          <Button variant="text" className="no-print" onClick={onPause}>
            Lay work off
          </Button>
        )}
      </div>
      {view.pauses.length === 0 && (
        <p className="second line" style={{ paddingTop: 5 }}>
          No work is laid off.
        </p>
      )}
      <ul>
        {view.pauses.map((p) => (
          <li key={p.id} className="line" style={{ padding: '5px 0' }}>
            <b style={{ fontWeight: 550 }}>{p.item}</b>{' '}
            <span className="second">
              until this habit is gone: {p.habit}. {capital(`since ${dateInWords(p.from)}`)}
              {p.until && `, taken up again on ${dateInWords(p.until)}`}
            </span>
            {onEnd && p.until === null && (
              <Button variant="text" className="no-print" onClick={() => onEnd(p.id)}>
                Take it up again
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

export function Pause({ view, done, leave }: Sheet) {
  const [key, setKey] = useState('');
  const [habit, setHabit] = useState('');
  const { decide, at, message } = useDecision(done);
  const chosen = view.requirements.find((r) => r.id === key)?.item;
  return (
    <form
      className="sheet stack"
      noValidate
      aria-label="Lay work off"
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        if (chosen)
          void decide('pause.begin', {
            id: newId(),
            studentId: view.student.id,
            techniqueId: 'technique' in chosen ? chosen.technique : null,
            sequenceId: 'sequence' in chosen ? chosen.sequence : null,
            habit,
            from: view.today,
          });
      }}
    >
      <h2>Lay work off</h2>
      <TextField
        id="pause-item"
        label="Which work?"
        select
        value={key}
        onChange={(e) => setKey(e.target.value)}
        {...at('techniqueId')}
      >
        {view.requirements.map((r) => (
          <MenuItem key={r.id} value={r.id}>
            {r.technique}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        id="pause-habit"
        label="Until which habit is gone?"
        value={habit}
        onChange={(e) => setHabit(e.target.value)}
        {...at('habit')}
      />
      <p className="second">Its verdict stays; no look at it is offered until it is taken up again.</p>
      {message}
      <div className="row">
        <Button type="submit" variant="contained" disabled={!chosen}>
          Lay it off
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}

/** The student's own log: home hours, apart from those of class. */
export function PracticeLog({ view, onAdd }: { view: StudentView; onAdd: (() => void) | null }) {
  const p = view.practice;
  const hours = p.minutes >= 90 ? `${Math.round((p.minutes / 60) * 10) / 10} hours` : `${p.minutes} minutes`;
  return (
    <section>
      <div className="spread">
        <h2>At home</h2>
        {onAdd && (
          <Button variant="text" className="no-print" onClick={onAdd}>
            Write down practice
          </Button>
        )}
      </div>
      <p className="second line" style={{ paddingTop: 5 }}>
        {p.entries === 0
          ? 'Nothing written down in the last four weeks.'
          : `${hours} in four weeks, ${p.repetitions} repetitions${p.strikes > 0 ? `, ${p.strikes} strikes` : ''}. The gates count class hours only.`}
      </p>
      {p.caution !== '' && <p className="message">{p.caution}</p>}
      <ul>
        {p.list.slice(0, 4).map((e) => (
          <li key={e.id} className="line" style={{ padding: '4px 0' }}>
            {e.minutes} minutes{' '}
            <span className="second">
              {dateInWords(e.day)}
              {e.what !== '' && `: ${e.what}`}
              {e.hands !== 'fine' && `, hands ${e.hands}`}
              {e.joints !== 'fine' && `, joints ${e.joints}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

export function Practise({ view, done, leave }: Sheet) {
  const [day, setDay] = useState(view.today);
  const [minutes, setMinutes] = useState('10');
  const [repetitions, setRepetitions] = useState('0');
  const [strikes, setStrikes] = useState('0');
  const [hands, setHands] = useState<Hands>('fine');
  const [joints, setJoints] = useState<Joints>('fine');
  const [what, setWhat] = useState('');
  const { decide, at, message } = useDecision(done);
  const number = (id: string, label: string, value: string, set: (v: string) => void) => (
    <TextField
      id={`practice-${id}`}
      label={label}
      type="number"
      value={value}
      onChange={(e) => set(e.target.value)}
      {...at(id)}
    />
  );
  return (
    <form
      className="sheet stack"
      noValidate
      aria-label="Write down practice"
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        void decide('practice.record', {
          id: newId(),
          studentId: view.student.id,
          day,
          minutes: Number(minutes),
          repetitions: Number(repetitions),
          strikes: Number(strikes),
          hands,
          joints,
          what,
        });
      }}
    >
      <h2>What was practised?</h2>
      <TextField id="practice-day" label="Day" value={day} onChange={(e) => setDay(e.target.value)} {...at('day')} />
      {number('minutes', 'Minutes', minutes, setMinutes)}
      {number('repetitions', 'Repetitions', repetitions, setRepetitions)}
      {number('strikes', 'Strikes on a post or bag', strikes, setStrikes)}
      <TextField
        id="practice-hands"
        label="Hands"
        select
        value={hands}
        onChange={(e) => setHands(e.target.value as Hands)}
      >
        {HANDS.map((h) => (
          <MenuItem key={h} value={h}>
            {h}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        id="practice-joints"
        label="Joints"
        select
        value={joints}
        onChange={(e) => setJoints(e.target.value as Joints)}
      >
        {JOINTS.map((h) => (
          <MenuItem key={h} value={h}>
            {h}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        id="practice-what"
        label="What, in a few words"
        value={what}
        onChange={(e) => setWhat(e.target.value)}
        {...at('what')}
      />
      {(hands === 'skin open' || joints === 'pain') && (
        <p className="message">
          {hands === 'skin open' && 'Open skin: no striking until it has healed, about two weeks. '}
          {joints === 'pain' && 'Pain: stop that work and ask a doctor or physiotherapist.'}
        </p>
      )}
      {message}
      <div className="row">
        <Button type="submit" variant="contained">
          Write it down
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}

/** The floor at home and the height: what the home sheet fits to. */
export function Room({ view, done, leave }: Sheet) {
  const said = (n: number | null) => (n === null ? '' : String(n));
  const [width, setWidth] = useState(said(view.room.width));
  const [depth, setDepth] = useState(said(view.room.depth));
  const [stature, setStature] = useState(said(view.room.stature));
  const { decide, at, message } = useDecision(done);
  const read = (v: string) => (v.trim() === '' ? null : Number(v.replace(',', '.')));
  return (
    <form
      className="sheet stack"
      noValidate
      aria-label="Room at home"
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        void decide('student.room', {
          id: view.student.id,
          roomWidth: read(width),
          roomDepth: read(depth),
          stature: read(stature),
        });
      }}
    >
      <h2>How much floor is there at home?</h2>
      <TextField
        id="room-width"
        label="Width in metres"
        value={width}
        onChange={(e) => setWidth(e.target.value)}
        {...at('roomWidth')}
      />
      <TextField
        id="room-depth"
        label="Depth in metres"
        value={depth}
        onChange={(e) => setDepth(e.target.value)}
        {...at('roomDepth')}
      />
      <TextField
        id="room-stature"
        label="Height in centimetres"
        value={stature}
        onChange={(e) => setStature(e.target.value)}
        {...at('stature')}
      />
      <p className="second">Measure what is really clear, with furniture out of reach.</p>
      {message}
      <div className="row">
        <Button type="submit" variant="contained">
          Keep it
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}

/** Felt points of the last days: only who did the work can tell, on their own page. */
export function Felt({ view, done }: Pick<Sheet, 'view' | 'done'>) {
  const { decide, message } = useDecision(done);
  const [told, setTold] = useState<readonly string[]>([]);
  const keyOf = (f: StudentView['feltAsked'][number]) => `${f.studentId} ${f.techniqueId} ${f.pointId} ${f.side}`;
  const list = view.feltAsked.filter((f) => !told.includes(keyOf(f)));
  if (list.length === 0) return null;
  const tell = (f: (typeof list)[number], held: number) => {
    setTold([...told, keyOf(f)]);
    void decide('felt.record', {
      id: newId(),
      studentId: f.studentId,
      techniqueId: f.techniqueId,
      pointId: f.pointId,
      conditionId: f.conditionId,
      side: f.side,
      held,
      of: 1,
    });
  };
  return (
    <section className="sheet">
      <h2>What did you feel?</h2>
      <p className="second">Nobody else can see these.</p>
      <ul>
        {list.slice(0, 5).map((f) => (
          <li key={keyOf(f)} className="line" style={{ padding: '6px 0' }}>
            <b>{f.point}</b>{' '}
            <span className="second">
              {f.whose ? `${f.whose}’s work on you, if it was you: ${f.technique}` : f.technique}
              {onSide(f.side)}, {dateInWords(f.day)}
            </span>
            <div className="row">
              <Button onClick={() => tell(f, 1)}>It was so</Button>
              <Button onClick={() => tell(f, 0)}>It was not</Button>
            </div>
          </li>
        ))}
      </ul>
      {message}
    </section>
  );
}

/** What a grading or the head decided: kept beside the chance that was believed. */
export function Outcome({ view, done, leave }: Sheet) {
  const [passed, setPassed] = useState('yes');
  const [day, setDay] = useState(view.today);
  const [note, setNote] = useState('');
  const { decide, at, message } = useDecision(done);
  return (
    <form
      className="sheet stack"
      noValidate
      aria-label="What was decided?"
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        void decide('outcome.record', {
          id: newId(),
          studentId: view.student.id,
          rankId: view.next!.id,
          day,
          passed: passed === 'yes',
          note,
        });
      }}
    >
      <h2>What was decided for {view.next?.name}?</h2>
      <TextField id="outcome-passed" label="Decision" select value={passed} onChange={(e) => setPassed(e.target.value)}>
        <MenuItem value="yes">passed</MenuItem>
        <MenuItem value="no">try again</MenuItem>
      </TextField>
      <TextField id="outcome-day" label="Day" value={day} onChange={(e) => setDay(e.target.value)} {...at('day')} />
      <TextField
        id="outcome-note"
        label="Note"
        value={note}
        onChange={(e) => setNote(e.target.value)}
        {...at('note')}
      />
      <p className="second">
        Kept with the chance believed that day, so that it can be seen later how good chances were. A belt is given by
        “Record a promotion”.
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
