import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import type { ClassNoteShown, ClassPlanShown, LookKitView } from '../../contracts/views';
import { countOf, hasBegun, itemKey, type Run, type Standing } from '../../core';
import { put } from '../../kit/deviceQueue/deviceQueue';
import { itemsOf } from '../../kit/mat/line';
import { SaveState } from '../../kit/mat/SaveState';
import { newId } from '../../kit/send';
import { isAtPost } from './AtThePost';
import { HandsTold } from './HandsTold';
import { NoteList } from './Notes';
import type { TheGuests } from './useGuests';
import type { TheLine } from './useLine';

/** Ten seconds at the end: what was taught, who was here, a note; then it is closed for every device. */
export function Close({
  kit,
  shown,
  run,
  standing,
  closed,
  line,
  guests,
  notes,
  onBack,
  onEnd,
}: {
  kit: LookKitView;
  shown: ClassPlanShown;
  run: Run;
  standing: Standing;
  closed: boolean;
  line: TheLine;
  guests: TheGuests;
  /** Said while it ran. */
  notes: readonly ClassNoteShown[];
  onBack: (() => void) | null;
  onEnd: () => void;
}) {
  const [note, setNote] = useState(shown.note);
  const [done, setDone] = useState(false);
  const [problem, setProblem] = useState('');
  const items = useMemo(() => itemsOf(kit), [kit]);
  const skipped = new Set(run.spent.filter((s) => s.skipped).map((s) => s.block));
  const keysOf = (blocks: typeof shown.plan.blocks) => blocks.flatMap((b) => b.items.map((i) => itemKey(i.item)));
  const been = shown.plan.blocks.filter((b) => hasBegun(run, b.id));
  // What never came to its turn was not taught, unless somebody says so.
  const offered = [...new Set(keysOf(shown.plan.blocks.filter((b) => !skipped.has(b.id))))];
  const [ticked, setTicked] = useState<ReadonlySet<string>>(() => new Set(keysOf(been)));
  const taught = offered.filter((key) => ticked.has(key));
  const minutes = (id: string) => {
    if (id === run.block) return Math.round((standing.of - standing.left) / 60);
    const s = run.spent.find((x) => x.block === id);
    return s ? Math.round((s.to - s.from) / 60_000) : 0;
  };
  const missed = line.expected.filter((x) => line.stateOf(x.id) === 'away');
  // Where the class worked at a post everybody who may is asked for, else whoever is on a ladder already.
  const atPost = been.some((b) => isAtPost(kit, b));
  const struck = line.people.filter((p) => (p.hands ?? []).length > 0 && (atPost || (p.strikes ?? null) !== null));
  const close = async () => {
    onEnd();
    await line.change({ items: taught });
    try {
      await put({
        id: newId(),
        at: new Date().toISOString(),
        name: 'class.close',
        input: { id: shown.id, note },
        label: 'The class is closed',
        by: kit.me.personId,
        open: false,
      });
      setDone(true);
      setProblem('');
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'It could not be closed.');
    }
  };
  return (
    <div className="running close">
      <header>
        <h1>How was the class?</h1>
      </header>
      <p>
        {line.line.present.length} {line.line.present.length === 1 ? 'was' : 'were'} here
        {guests.guests.length > 0 ? `, and ${countOf(guests.guests.length, 'guest')}` : ''}
        {missed.length > 0 ? `; ${missed.map((x) => x.name.split(' ')[0]).join(', ')} missed it` : ''}.
      </p>
      <ul className="spent">
        {shown.plan.blocks.map((b) => (
          <li key={b.id}>
            <b>{b.name}</b>{' '}
            <span className="quiet">
              {skipped.has(b.id)
                ? 'skipped'
                : hasBegun(run, b.id)
                  ? `${minutes(b.id)} min, planned ${b.minutes}`
                  : 'not reached'}
            </span>
          </li>
        ))}
      </ul>
      {offered.length > 0 && (
        <fieldset>
          <legend>Taught</legend>
          {!closed && taught.length < offered.length && (
            <Button variant="text" onClick={() => setTicked(new Set(offered))}>
              All that was planned
            </Button>
          )}
          {offered.map((key) => (
            <label key={key} className="row">
              <input
                type="checkbox"
                checked={ticked.has(key)}
                disabled={closed}
                onChange={(e) =>
                  setTicked(new Set(e.target.checked ? [...ticked, key] : [...ticked].filter((k) => k !== key)))
                }
              />
              {items.find((i) => i.key === key)?.name ?? 'not in the library any more'}
            </label>
          ))}
        </fieldset>
      )}
      <HandsTold people={struck} day={shown.day} by={kit.me.personId} />
      <NoteList notes={notes} />
      <TextField
        label="To remember"
        multiline
        minRows={3}
        value={note}
        disabled={closed}
        onChange={(e) => setNote(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 2000 } }}
      />
      {closed && <p>This class is closed.</p>}
      <div role="status">{done && <p>The class is closed. Whoever was away finds it on their list.</p>}</div>
      <div role="alert">{problem !== '' && <p className="hurts">{problem}</p>}</div>
      <footer>
        <SaveState by={kit.me.personId} problem={line.problem} />
        {onBack && <Button onClick={onBack}>It goes on</Button>}
        {closed || done ? (
          <a className="button" href="/tonight">
            To the plan
          </a>
        ) : (
          <Button variant="contained" onClick={() => void close()}>
            Close the class
          </Button>
        )}
      </footer>
    </div>
  );
}
