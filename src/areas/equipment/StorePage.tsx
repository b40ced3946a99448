import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StoreView, ThingShown } from '../../contracts/views';
import {
  checkedOn,
  countOf,
  dayInWords,
  enoughFor,
  onTheShelf,
  pieceState,
  shortBy,
  storeInWords,
  weekdayInWords,
  type Thing,
} from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { download } from '../../kit/drawing/exportDrawing';
import { newId, send } from '../../kit/send';
import { HallPlans } from './HallPlans';
import { PieceMark } from './PieceMark';
import './Store.css';
import { StoreRow } from './StoreRow';
import { EMPTY_THING, ThingSheet } from './ThingSheet';
import { printThings } from './taking';
import { ThingPanel } from './ThingPanel';

type Open = { kind: 'thing' | 'edit'; id: string } | { kind: 'new' } | null;

/** Is there enough for tonight? What the hall owns, piece by piece; only what is sound and looked over counts. */
export default function StorePage({ view, head }: { view: StoreView; head: boolean }) {
  const [things, setThings] = useState<ThingShown[]>(view.things);
  const [says, setSays] = useState('');
  const [wrong, setWrong] = useState('');
  const place = new Map(view.ranks.map((r, i) => [r.id, i]));
  const { today, tonight } = view;
  const needs = tonight
    ? enoughFor(
        things.map((t) => onTheShelf(t, today)),
        tonight.needs,
        tonight.people,
        (id) => place.get(id) ?? 0,
      )
    : [];
  const shortest = needs.find((n) => shortBy(n) > 0);
  const [open, setOpen] = useState<Open>(shortest ? { kind: 'thing', id: shortest.thingId } : null);
  const shown = open && 'id' in open ? things.find((t) => t.id === open.id) : undefined;
  const save = async (id: string, version: number, t: Thing): Promise<string> => {
    const answer = await send('thing.save', {
      id,
      thing: structuredClone(t) as never,
      ...(version > 0 ? { version } : {}),
    });
    if (!answer.ok) return answer.title;
    const kept: ThingShown = { ...t, id, version: (answer.answer as { version: number }).version };
    setThings((all) => (all.some((x) => x.id === id) ? all.map((x) => (x.id === id ? kept : x)) : [...all, kept]));
    return '';
  };
  const change = async (of: ThingShown, t: Thing, done: string) => {
    const why = await save(of.id, of.version, t);
    setWrong(why);
    setSays(why === '' ? `${done}.` : '');
  };
  const due = things.filter((t) => t.pieces.some((p) => pieceState(p, today) === 'due'));
  const checkAll = async () => {
    let n = 0;
    for (const t of due) {
      const ids = new Set(t.pieces.filter((p) => pieceState(p, today) === 'due').map((p) => p.id));
      const why = await save(t.id, t.version, checkedOn(t, ids, today));
      if (why !== '') return setWrong(why);
      n += ids.size;
    }
    setWrong('');
    setSays(`${countOf(n, 'piece')} looked over.`);
  };
  const [sure, setSure] = useState(false);
  const remove = async (id: string) => {
    const answer = await send('thing.remove', { id });
    if (!answer.ok) return setWrong(answer.title);
    setThings((all) => all.filter((t) => t.id !== id));
    setOpen(null);
  };
  const places = [...new Set(things.map((t) => t.place))];
  const nameOf = (id: string) => things.find((t) => t.id === id)?.name ?? '';
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>Is there enough for tonight?</h1>
          <p className="sub">
            {weekdayInWords(today)} {dayInWords(today, today)}
            {tonight
              ? `, ${countOf(tonight.people.length, 'student')} ${tonight.called ? 'here' : 'expected'}`
              : '; no class is planned'}
            . Only what is sound and looked over counts.
          </p>
        </div>
        <div className="actions no-print">
          <Button onClick={() => setOpen({ kind: 'new' })}>Add a thing</Button>
          {sure ? (
            <Button
              variant="contained"
              onClick={() => {
                setSure(false);
                void checkAll();
              }}
            >
              All of it is sound
            </Button>
          ) : (
            <Button variant="contained" disabled={due.length === 0} onClick={() => setSure(true)}>
              {due.length === 0 ? 'Nothing is due' : 'Check what is due'}
            </Button>
          )}
        </div>
      </div>
      {sure && (
        <p className="second" role="status">
          Due are {due.map((t) => t.name).join(', ')}. Look each over as its steps say; what is wrong is set to mend at
          the thing itself first.
        </p>
      )}
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <p className="store-lead">{things.length === 0 ? 'Nothing is in the store yet.' : storeInWords(needs, nameOf)}</p>
      {says !== '' && (
        <p className="second" role="status">
          {says}
        </p>
      )}
      <div className="store">
        <div className="scrolls">
          {things.length === 0 ? (
            <p className="second">
              Put in what the hall owns: pads, shields, staffs, mats, posts. Classes, pairs and the syllabus count from
              here, and what is worn through or was not looked over in time does not count.
            </p>
          ) : (
            <table>
              <thead>
                <tr>
                  <th scope="col">
                    <span className="hidden">Thing</span>
                  </th>
                  <th scope="col">
                    <span className="hidden">Each of them</span>
                  </th>
                  <th scope="col">state</th>
                  <th scope="col">used from</th>
                  <th scope="col">check by</th>
                  <th scope="col">tonight</th>
                </tr>
              </thead>
              {places.map((at, i) => (
                <tbody key={at}>
                  <tr className="place">
                    <th scope="rowgroup" colSpan={6}>
                      <small>{String.fromCharCode(65 + (i % 26))}</small> {at === '' ? 'No place said' : at}
                    </th>
                  </tr>
                  {things
                    .filter((t) => t.place === at)
                    .map((t) => (
                      <StoreRow
                        key={t.id}
                        of={t}
                        today={today}
                        rank={view.ranks.find((r) => r.id === t.fromRankId)}
                        needs={needs.filter((n) => n.thingId === t.id)}
                        chosen={shown?.id === t.id}
                        onChoose={() => setOpen(shown?.id === t.id ? null : { kind: 'thing', id: t.id })}
                      />
                    ))}
                </tbody>
              ))}
            </table>
          )}
          {things.length > 0 && (
            <ul className="store-key">
              {(['sound', 'due', 'to mend', 'lent'] as const).map((state) => (
                <li key={state}>
                  <PieceMark shape="short staff" state={state} />
                  {
                    { sound: 'sound', due: 'check due, not counted', 'to mend': 'to mend, not used', lent: 'lent' }[
                      state
                    ]
                  }
                </li>
              ))}
            </ul>
          )}
          <HallPlans view={view} things={things} />
          <p className="row wrap no-print">
            <a href="/equipment/strikes">Who strikes, and how many</a>
            <a href="/equipment/post">A striking post: how high, how stiff</a>
            <a href="/equipment/import">Take in a list</a>
            {things.length > 0 && (
              <Button variant="text" onClick={() => download('store.csv', printThings(things, view.ranks), 'text/csv')}>
                Take it out as CSV
              </Button>
            )}
          </p>
          <p className="second">
            Who may use what is the school’s rule. Local law, insurer and licensed practice come first: under sixteen
            soft targets only, and nothing that is cracked, loose or worn through is struck.
          </p>
        </div>
        <aside className="no-print">
          {open?.kind === 'new' && (
            <ThingSheet
              of={EMPTY_THING}
              view={view}
              save={(t) => save(newId(), 0, t)}
              remove={null}
              leave={() => setOpen(null)}
            />
          )}
          {open?.kind === 'edit' && shown && (
            <ThingSheet
              key={`edit ${shown.id}`}
              of={shown}
              view={view}
              save={(t) => save(shown.id, shown.version, t)}
              remove={head ? () => void remove(shown.id) : null}
              leave={() => setOpen({ kind: 'thing', id: shown.id })}
            />
          )}
          {open?.kind === 'thing' && shown && (
            <ThingPanel
              key={shown.id}
              of={shown}
              today={today}
              needs={needs.filter((n) => n.thingId === shown.id)}
              onChange={(t, done) => void change(shown, t, done)}
              onEdit={() => setOpen({ kind: 'edit', id: shown.id })}
              onClose={() => setOpen(null)}
            />
          )}
        </aside>
      </div>
    </IslandRoot>
  );
}
