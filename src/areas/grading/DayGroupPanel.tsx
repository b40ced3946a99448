import Button from '@mui/material/Button';
import MuiTextField from '@mui/material/TextField';
import { useState } from 'react';
import {
  clockInWords,
  countOf,
  listInWords,
  readClock,
  RUNGS,
  taskInWords,
  type DayGroup,
  type partnersOf,
} from '../../core';

/** What a group takes and who works with whom; it can be pinned to a time, and on the day its begin is noted. */
export function DayGroupPanel({
  group,
  at,
  latest,
  person,
  paired,
  isPinned,
  began,
  onPlace,
  onBegan,
}: {
  group: DayGroup;
  at: number;
  latest: number;
  person: (id: string) => string;
  paired: ReturnType<typeof partnersOf>;
  isPinned: boolean;
  began: number | undefined;
  /** Pins it to a time; null: lets it go again. */
  onPlace: ((at: number | null) => void) | null;
  onBegan: (() => void) | null;
}) {
  const [typed, setTyped] = useState(clockInWords(at));
  const read = readClock(typed);
  return (
    <section className="sheet stack" aria-label={group.belt}>
      <h2>
        {clockInWords(at)}, {group.belt}
      </h2>
      <p className="second">
        {countOf(group.minutes, 'minute')}, from the door: {listInWords(group.people.map(person), 40)}. At the latest{' '}
        {clockInWords(latest)}.{began !== undefined && ` Began at ${clockInWords(began)}.`}
      </p>
      <ol>
        {group.tasks.map((t, i) => (
          <li key={t.items.join(' ')} className="line py-1">
            <span className="spread">
              <b>{t.label}</b> <span className="num">{t.minutes} min</span>
            </span>
            <span className="second">{taskInWords(t)}</span>
            {paired
              .filter((p) => p.task === i)
              .flatMap((p) => p.pairs)
              .map((p) => (
                <p key={`${p.a} ${p.b}`}>
                  {person(p.a)} with {person(p.b)}
                  {p.c !== undefined && ` and ${person(p.c)}, a three`}
                  <span className="second">
                    , {RUNGS[p.rung - 1]}
                    {p.standsIn && ', stands in'}
                  </span>
                </p>
              ))}
          </li>
        ))}
      </ol>
      {onPlace && (
        <div className="row top">
          <MuiTextField
            id="group-begins"
            label="Begins"
            value={typed}
            error={read === null}
            helperText={read === null ? 'A time such as 10:30.' : isPinned ? 'Pinned.' : ' '}
            onChange={(e) => setTyped(e.target.value)}
          />
          <Button disabled={read === null} onClick={() => read !== null && onPlace(read)}>
            Pin it there
          </Button>
          {isPinned && <Button onClick={() => onPlace(null)}>Let it go</Button>}
        </div>
      )}
      {onBegan && (
        <Button variant="contained" onClick={onBegan}>
          Began now
        </Button>
      )}
    </section>
  );
}
