import ButtonBase from '@mui/material/ButtonBase';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useMemo, useState } from 'react';
import type { SequenceView } from '../../contracts/views';
import {
  asGraded,
  asKeptBy,
  capital,
  compareSequences,
  comparisonInWords,
  inWords,
  layoutStave,
  makeVocabulary,
  plural,
  schoolsOf,
  stancesOf,
  traceFloor,
  type Sequence,
} from '../../core';
import '../../kit/drawing/drawing.css';
import { Stave } from '../../kit/drawing/Stave';
import { IslandRoot } from '../../kit/IslandRoot';
import { ask } from '../../kit/send';
import './Beside.css';

/** '' as written, 'gradings', or '~' and the name of a school. */
const asKept = (s: Sequence, keeper: string): Sequence =>
  keeper === '' ? s : keeper === 'gradings' ? asGraded(s) : asKeptBy(s, keeper.slice(1));

/** "What is the other way of it?": a form beside another, or beside the same as another school keeps it. */
export default function Beside({ view, asked }: { view: SequenceView; asked: Readonly<Record<string, string>> }) {
  const s = view.sequence!;
  const [withId, setWith] = useState(view.others.some((o) => o.id === asked['with']) ? asked['with']! : s.id);
  const schools = schoolsOf(s.body);
  const [one, setOne] = useState(asked['one'] ?? '');
  const [two, setTwo] = useState(asked['two'] ?? (withId === s.id && schools[0] !== undefined ? `~${schools[0]}` : ''));
  const [found, setFound] = useState<{ id: string; body: Sequence } | null>(null);
  const [wrong, setWrong] = useState('');
  const [lit, setLit] = useState<{ a: number | null; b: number | null }>({ a: null, b: null });
  useEffect(() => {
    if (withId === s.id) return;
    let left = false;
    void ask('sequence', { id: withId }).then((answer) => {
      if (left) return;
      if (answer.ok && answer.view.sequence) setFound({ id: withId, body: answer.view.sequence.body });
      else setWrong(answer.ok ? 'This sequence is not there.' : answer.title);
    });
    return () => {
      left = true;
    };
  }, [withId, s.id]);
  // What is compared stands in the address, so that it can be opened again and passed on.
  useEffect(() => {
    const query = new URLSearchParams(
      Object.entries({ with: withId === s.id ? '' : withId, one, two }).filter(([, x]) => x !== ''),
    );
    window.history.replaceState(null, '', query.size > 0 ? `?${query.toString()}` : window.location.pathname);
  }, [withId, one, two, s.id]);

  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const other = withId === s.id ? s.body : found?.id === withId ? found.body : null;
  const there = withId === s.id ? s.title : (view.others.find((o) => o.id === withId)?.title ?? '');
  const [first, second] = useMemo(
    () => [asKept(s.body, one), other && asKept(other, two)] as const,
    [s.body, other, one, two],
  );
  const comparison = useMemo(() => second && compareSequences(first, second), [first, second]);
  const drawn = useMemo(() => {
    const differs = (side: 'a' | 'b') =>
      new Set((comparison?.rows ?? []).flatMap((r) => (r.how !== 'same' && r[side] !== null ? [r[side] - 1] : [])));
    const draw = (seq: Sequence, side: 'a' | 'b') => {
      const body = { stature: 1.7, stances: stancesOf(vocabulary) };
      return layoutStave(
        seq,
        { body, departs: differs(side), rows: { breath: false, weight: false } },
        traceFloor(seq, body),
      );
    };
    return { a: draw(first, 'a'), b: second && draw(second, 'b') };
  }, [first, second, comparison, vocabulary]);
  const lines = comparison ? comparisonInWords(comparison) : [];
  const pick = (side: 'a' | 'b') => (index: number) => {
    const row = comparison?.rows.find((r) => r[side] === index + 1);
    setLit(row ? { a: row.a && row.a - 1, b: row.b && row.b - 1 } : { a: null, b: null, [side]: index });
  };
  const keepers = (of: Sequence | null, label: string, value: string, put: (v: string) => void) => {
    const all = of ? schoolsOf(of) : [];
    return all.length === 0 ? null : (
      <TextField
        id={`keeper-${label.toLowerCase().replaceAll(' ', '-')}`}
        label={label}
        select
        value={value === 'gradings' || value === '' || all.includes(value.slice(1)) ? value : ''}
        onChange={(e) => put(e.target.value)}
        slotProps={{ select: { displayEmpty: true } }}
        sx={{ width: 210 }}
      >
        <MenuItem value="">as written</MenuItem>
        {all.map((x) => (
          <MenuItem key={x} value={`~${x}`}>
            as {x} does it
          </MenuItem>
        ))}
        <MenuItem value="gradings">as at gradings</MenuItem>
      </TextField>
    );
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What is the other way of it?</h1>
          <p className="sub">
            <a href={`/sequences/${s.id}`}>{s.title}</a> beside {withId === s.id ? 'itself' : there}.
            {comparison &&
              ` ${capital(inWords(comparison.same))} of ${inWords(comparison.rows.length)} ${plural(comparison.rows.length, 'count')} are the same.`}
            {comparison?.otherSide && ' It is nearer to the other side of it.'}
          </p>
        </div>
      </div>
      <div role="alert">{wrong && <p className="message wrong">{wrong}</p>}</div>
      <div className="beside-picks">
        {keepers(s.body, 'Above', one, setOne)}
        <TextField
          id="beside-with"
          label="Below"
          select
          value={withId}
          onChange={(e) => {
            setWith(e.target.value);
            setTwo('');
            setWrong('');
          }}
          sx={{ width: 260 }}
        >
          <MenuItem value={s.id}>{s.title}</MenuItem>
          {view.others.map((o) => (
            <MenuItem key={o.id} value={o.id}>
              {o.title}
            </MenuItem>
          ))}
        </TextField>
        {keepers(other, 'Below as', two, setTwo)}
      </div>
      <div className="beside">
        <Stave layout={drawn.a} title={`${s.title}, above`} lit={lit.a} onPick={pick('a')} follow />
        {drawn.b ? (
          <Stave layout={drawn.b} title={`${there}, below`} lit={lit.b} onPick={pick('b')} follow />
        ) : (
          !wrong && <p className="second">It is being fetched.</p>
        )}
      </div>
      {comparison && (
        <section aria-labelledby="differences">
          <h2 id="differences">Count by count</h2>
          {comparison.rows.length === comparison.same ? (
            <p>They are the same in every count.</p>
          ) : (
            <ul className="differences">
              {lines.map((l) => (
                <li key={`${l.a} ${l.b}`}>
                  <ButtonBase
                    className="to-count"
                    onClick={() => setLit({ a: l.a === null ? null : l.a - 1, b: l.b === null ? null : l.b - 1 })}
                  >
                    {l.text}
                  </ButtonBase>
                </li>
              ))}
            </ul>
          )}
        </section>
      )}
    </IslandRoot>
  );
}
