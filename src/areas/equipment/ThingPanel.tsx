import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { ThingShown } from '../../contracts/views';
import {
  checkedOn,
  countOf,
  dayInWords,
  lentTo,
  pieceState,
  readDate,
  shortBy,
  storeHelpInWords,
  storeHelps,
  toMend,
  type NeedAt,
  type Thing,
} from '../../core';
import { PieceMark } from './PieceMark';
import { useStoreKeys } from './useStoreKeys';

type Asks = 'mend' | 'lend' | null;

/** One kind: what is short and what would help, each piece, how it is looked over. */
export function ThingPanel({
  of,
  today,
  needs,
  onChange,
  onEdit,
  onClose,
}: {
  of: ThingShown;
  today: string;
  needs: readonly NeedAt[];
  onChange: (t: Thing, says: string) => void;
  onEdit: () => void;
  onClose: () => void;
}) {
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [asks, setAsks] = useState<Asks>(null);
  const [words, setWords] = useState('');
  const [until, setUntil] = useState('');
  const [wrong, setWrong] = useState('');
  const states = of.pieces.map((p) => ({ p, state: pieceState(p, today) }));
  const due = states.filter((x) => x.state === 'due').map((x) => x.p.id);
  const chosen =
    picked.size > 0 ? picked : new Set(due.length > 0 ? due : of.pieces.length === 1 ? [of.pieces[0]!.id] : []);
  const are = countOf(chosen.size, 'piece');
  const done = (t: Thing, says: string) => {
    onChange(t, says);
    setPicked(new Set());
    setAsks(null);
    setWords('');
    setUntil('');
    setWrong('');
  };
  const check = () => chosen.size > 0 && done(checkedOn(of, chosen, today), `${are} of ${of.name} looked over`);
  const ask = (what: Asks) => {
    if (chosen.size > 0) setAsks(what);
  };
  useStoreKeys({ check, mend: () => ask('mend'), lend: () => ask('lend') });
  const keep = () => {
    if (words.trim() === '') return setWrong(asks === 'mend' ? 'Say what is wrong with it.' : 'Say who has it.');
    if (asks === 'mend') return done(toMend(of, chosen, words.trim()), `${are} of ${of.name} to mend`);
    const day = until.trim() === '' ? null : readDate(until);
    if (day && !day.ok) return setWrong(day.error);
    return done(lentTo(of, chosen, { to: words.trim(), until: day?.value ?? null }), `${are} of ${of.name} lent`);
  };
  const back = states.filter((x) => x.p.lent !== null && (picked.size === 0 || picked.has(x.p.id)));
  const short = needs.filter((n) => shortBy(n) > 0);
  return (
    <section className="sheet stack" aria-labelledby="thing-head">
      <div className="spread">
        <h2 id="thing-head">{short[0] ? `${of.name}, ${shortBy(short[0])} short` : of.name}</h2>
        <Button variant="text" onClick={onClose}>
          Close
        </Button>
      </div>
      {short.map((n) => (
        <div key={n.need.blockId}>
          <p className="second">
            {n.need.block}: {countOf(n.people, 'student')} may use it. {n.there} of {n.wanted} are sound.
          </p>
          <ol className="helps">
            {storeHelps(of, n, today).map((h, i) => (
              <li key={i}>{storeHelpInWords(h, today)}</li>
            ))}
          </ol>
        </div>
      ))}
      {!of.alone && <p className="second">Only with a teacher beside.</p>}
      <div className="piece-list" role="group" aria-label={`Each ${of.name}`}>
        {states.map(({ p, state }, i) => (
          <button
            key={p.id}
            type="button"
            aria-pressed={picked.has(p.id)}
            aria-label={`${i + 1}, ${p.wrong !== '' ? p.wrong : state}${p.lent ? ` to ${p.lent.to}` : ''}`}
            onClick={() =>
              setPicked(new Set(picked.has(p.id) ? [...picked].filter((x) => x !== p.id) : [...picked, p.id]))
            }
          >
            <PieceMark shape={of.shape} state={state} />
          </button>
        ))}
      </div>
      {states
        .filter((x) => x.state === 'lent' || x.state === 'to mend')
        .map(({ p }) => (
          <p key={p.id} className="second">
            {p.wrong !== '' ? `To mend: ${p.wrong}.` : ''}
            {p.lent ? ` ${p.lent.to} has one${p.lent.until ? ` until ${dayInWords(p.lent.until, today)}` : ''}.` : ''}
          </p>
        ))}
      {asks === null ? (
        <div className="row wrap">
          <Button variant="contained" onClick={check} disabled={chosen.size === 0}>
            {chosen.size === 0 ? 'Choose a piece' : `Looked over: ${are}`}
          </Button>
          <Button onClick={() => ask('mend')} disabled={chosen.size === 0}>
            To mend
          </Button>
          <Button onClick={() => ask('lend')} disabled={chosen.size === 0}>
            Lend
          </Button>
          {back.length > 0 && (
            <Button
              onClick={() =>
                done(
                  lentTo(of, new Set(back.map((x) => x.p.id)), null),
                  `${countOf(back.length, 'piece')} of ${of.name} back`,
                )
              }
            >
              Back: {back.map((x) => x.p.lent!.to).join(', ')}
            </Button>
          )}
        </div>
      ) : (
        <div className="stack">
          <TextField
            autoFocus
            label={asks === 'mend' ? `What is wrong with ${are}` : `Who has ${are}`}
            value={words}
            error={wrong !== ''}
            helperText={wrong}
            onChange={(e) => setWords(e.target.value)}
            onKeyDown={(e) => e.key === 'Enter' && keep()}
          />
          {asks === 'lend' && (
            <TextField
              label="Until"
              value={until}
              onChange={(e) => setUntil(e.target.value)}
              helperText="Empty: no day."
            />
          )}
          <div className="row">
            <Button variant="contained" onClick={keep}>
              Keep it
            </Button>
            <Button onClick={() => setAsks(null)}>Leave it</Button>
          </div>
        </div>
      )}
      {of.how.length > 0 && (
        <>
          <h3>How it is looked over</h3>
          <dl className="how">
            {of.how.map((h, i) => (
              <div key={i}>
                <dt>{h.by}</dt>
                <dd>{h.what}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
      <div className="row">
        <Button onClick={onEdit}>Change</Button>
      </div>
      <p className="second">C looks over what is chosen, or what is due; M is to mend, L lends.</p>
    </section>
  );
}
