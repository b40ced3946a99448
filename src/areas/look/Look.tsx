import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import type { LookKitView } from '../../contracts/views';
import { usualCondition, type Side, type WorthALook as Worth } from '../../core';
import { put, readOpen, type Waiting } from '../../kit/deviceQueue/deviceQueue';
import { useEastern } from '../../kit/fonts/useEastern';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { Splinter } from '../../kit/marks/small';
import { newId } from '../../kit/send';
import {
  freshLine,
  itemsOf,
  keepLine,
  lastOrder,
  lineUp,
  readLine,
  taughtTonight,
  type KitItem,
  type KitSequence,
  type Line,
} from './line';
import './mat.css';
import { dayNow } from './record';
import { SaveState } from './SaveState';
import { SideSwitch } from './SideSwitch';
import { Sweep } from './Sweep';
import { WorthALook } from './WorthALook';
import './Look.css';

// Cards, the stave and dragging are fetched after the page stands; the service worker keeps them for the hall.
const Card = lazy(() => import('./Card'));
const FormCard = lazy(() => import('./FormCard'));
const OrderLine = lazy(() => import('./OrderLine'));

type Mode =
  { what: 'choose' } | { what: 'order' } | { what: 'sweep'; pointId: string } | { what: 'card'; studentId: string };

/** A card that nobody touched for so long is finished work: it is sent. */
const LEFT_OPEN = 3_600_000;

interface Beginning {
  line: Line;
  itemKey: string | null;
  conditionId: string | null;
  side: Side | null;
  mode: Mode;
}

/** With what the mat begins: what the address asks for, on the line this device remembers of today. */
function beginning(kit: LookKitView, items: readonly KitItem[]): Beginning {
  const asked = new URLSearchParams(location.search);
  const known = readLine(dayNow(kit.timeZone));
  const student = kit.students.find((s) => s.id === asked.get('student'));
  const named = items.find((i) => i.key === (asked.get('item') ?? `t:${asked.get('technique')}`));
  const point = named?.technique?.points.find((p) => p.id === asked.get('point'));
  const line =
    student && !known.present.includes(student.id) ? { ...known, present: [...known.present, student.id] } : known;
  const side = asked.get('side');
  const begin: Beginning = {
    line,
    itemKey: named?.key ?? null,
    conditionId: kit.conditions.find((c) => c.id === asked.get('condition'))?.id ?? null,
    side: side === 'left' || side === 'right' ? side : null,
    mode: { what: 'choose' },
  };
  if (point && line.present.length > 0) begin.mode = { what: 'sweep', pointId: point.id };
  else if (student) {
    begin.mode = { what: 'card', studentId: student.id };
    const next = kit.ranks[kit.ranks.findIndex((r) => r.id === student.rankId) + 1];
    const first = kit.asked.find((a) => a.rankId === next?.id && items.some((i) => i.key === a.itemKey));
    if (!named && first) Object.assign(begin, { itemKey: first.itemKey, conditionId: first.conditionId });
  }
  return begin;
}

/** The mat: who is on the line, what is looked at, then sweep or card. Everything here works without a network. */
export default function Look({ kit, school }: { kit: LookKitView; school: string }) {
  useEastern(...kit.students.map((s) => s.name));
  const [line, setLine] = useState<Line>(() => freshLine(kit.today));
  const items = useMemo(() => itemsOf(kit), [kit]);
  const [mode, setMode] = useState<Mode>({ what: 'choose' });
  const [itemKey, setItem] = useState(items[0]?.key ?? '');
  const [conditionId, setCondition] = useState(() =>
    usualCondition(
      kit.conditions,
      kit.asked.map((a) => a.conditionId),
    ),
  );
  const [side, setSide] = useState<Side>('left');
  const [minutes, setMinutes] = useState('90');
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);

  // The address says what to begin with; the device knows today's line.
  useEffect(() => {
    const b = beginning(kit, items);

    setLine(b.line);
    if (b.itemKey) setItem(b.itemKey);
    if (b.conditionId) setCondition(b.conditionId);
    if (b.side) setSide(b.side);
    setMode(b.mode);
  }, [kit, items]);
  // And it knows the cards that were not finished: none is shown before they have been read.
  useEffect(() => {
    let current = true;
    // Fetched before it is needed: the hall may lose its network at any moment.
    void Promise.all([import('./Card'), import('./FormCard'), import('./StandsAside')]).catch(() => undefined);
    // A device that cannot be read begins with nothing; the first mark then says what is wrong.
    void readOpen()
      .catch((): Waiting[] => [])
      .then((open) => {
        for (const c of open) if (Date.now() - Date.parse(c.at) > LEFT_OPEN) void put({ ...c, open: false });
        if (current) setReady(true);
      });
    return () => {
      current = false;
    };
  }, []);

  const changeLine = (change: Partial<Line>) => {
    const next = { ...line, ...change };
    setLine(next);
    keepLine(next);
  };
  const go = (next: Mode) => {
    setMode(next);
    const q = new URLSearchParams({ item: itemKey, condition: conditionId, side });
    if (next.what === 'sweep') q.set('point', next.pointId);
    if (next.what === 'card') q.set('student', next.studentId);
    history.replaceState(null, '', next.what === 'choose' || next.what === 'order' ? '/look' : `/look?${q.toString()}`);
    scrollTo(0, 0);
  };
  const people = lineUp(kit, line);
  const item = items.find((i) => i.key === itemKey) ?? items[0];
  const technique = item?.technique ?? null;
  const looked = (key: string) => {
    if (!line.done.includes(key)) changeLine({ done: [...line.done, key] });
  };
  const hand = () => changeLine({ leftHanded: !line.leftHanded });

  const noteClass = async () => {
    const id = line.classId ?? newId();
    const n = Number(minutes);
    if (!(n >= 5 && n <= 600)) return setSaid('A class lasts from 5 to 600 minutes.');
    try {
      await put({
        id: newId(),
        at: new Date().toISOString(),
        name: 'class.record',
        input: {
          id,
          day: dayNow(kit.timeZone),
          minutes: Math.round(n),
          // As they stand from the door, so that the next class can stand as this one.
          present: lineUp(kit, { ...line, flipped: false }).map((s) => s.id),
          taught: taughtTonight(items, line),
        },
        label: `Class of ${line.present.length}, ${n} minutes`,
        by: kit.me.personId,
        open: false,
      });
      changeLine({ classId: id });
      setSaid(`The class is noted: ${line.present.length} here, ${Math.round(n)} minutes.`);
    } catch (e) {
      setSaid(e instanceof Error ? e.message : 'The class could not be noted.');
    }
  };

  const choose = (w: Worth) => {
    const chosen = items.find((i) => i.key === w.itemKey);
    if (!chosen) return;
    setItem(w.itemKey);
    setCondition(w.conditionId);
    if (w.side === 'left' || w.side === 'right') setSide(w.side);
    const next: Mode =
      w.kind === 'sweep' && w.pointId
        ? { what: 'sweep', pointId: w.pointId }
        : { what: 'card', studentId: w.studentIds[0]! };
    setMode(next);
    scrollTo(0, 0);
  };
  const arrive = (id: string) => {
    const at = new Date().toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', timeZone: kit.timeZone });
    changeLine({ present: [...line.present, id], late: { ...line.late, [id]: at } });
  };

  if (mode.what === 'order')
    return (
      <IslandRoot scheme="dark">
        <main className="choose">
          <header>
            <h1>How do they stand?</h1>
          </header>
          <Suspense fallback={<p>Fetching the grips…</p>}>
            <OrderLine
              people={people}
              ranks={kit.ranks}
              before={lastOrder(kit.stood, line.present)}
              onOrder={(order) => changeLine({ order, flipped: false })}
              onDone={() => go({ what: 'choose' })}
            />
          </Suspense>
        </main>
      </IslandRoot>
    );
  if (mode.what === 'sweep' && technique && people.length > 0) {
    // What was felt is told on a card, by whoever felt it.
    const sweepable = technique.points.filter((p) => p.kind !== 'felt');
    const point = sweepable.find((p) => p.id === mode.pointId) ?? sweepable[0];
    const onSide = technique.sided ? side : 'none';
    if (point)
      return (
        <IslandRoot scheme="dark">
          <main>
            <Sweep
              key={`${point.id} ${conditionId} ${onSide}`}
              kit={kit}
              line={people}
              technique={technique}
              point={point}
              conditionId={conditionId}
              side={onSide}
              leftHanded={line.leftHanded}
              away={kit.students.filter((s) => !line.present.includes(s.id))}
              late={line.late}
              onArrive={arrive}
              onSwept={() => looked(`t:${technique.id} ${point.id} ${onSide}`)}
              onHand={hand}
              onSide={setSide}
              onNextPoint={() =>
                go({
                  what: 'sweep',
                  pointId: sweepable[(sweepable.indexOf(point) + 1) % sweepable.length]!.id,
                })
              }
              onEnd={() => go({ what: 'choose' })}
            />
          </main>
        </IslandRoot>
      );
  }
  const student = mode.what === 'card' ? kit.students.find((s) => s.id === mode.studentId) : undefined;
  if (student && item) {
    const at = people.findIndex((s) => s.id === student.id);
    const following = people.length > 1 ? (people[(at + 1) % people.length] ?? null) : null;
    const fetching = <p className="choose">Fetching the card…</p>;
    const common = {
      kit,
      student,
      following,
      conditionId,
      leftHanded: line.leftHanded,
      onLooked: () => looked(`${student.id} ${item.key}`),
      onNext: () => go(following ? { what: 'card', studentId: following.id } : { what: 'choose' }),
      onEnd: () => go({ what: 'choose' }),
    };
    return (
      <IslandRoot scheme="dark">
        <main>
          <Suspense fallback={fetching}>
            {!ready ? (
              fetching
            ) : technique ? (
              <Card
                key={`${student.id} ${item.key} ${conditionId}`}
                {...common}
                technique={technique}
                line={people}
                onCondition={setCondition}
                onTechnique={() => go({ what: 'choose' })}
                onHand={hand}
              />
            ) : (
              <FormCard
                key={`${student.id} ${item.key} ${conditionId}`}
                {...common}
                item={item as KitItem & { sequence: KitSequence }}
                onItem={() => go({ what: 'choose' })}
              />
            )}
          </Suspense>
        </main>
      </IslandRoot>
    );
  }

  const groups = [...kit.ranks]
    .reverse()
    .map((r) => ({ rank: r, students: kit.students.filter((s) => s.rankId === r.id) }))
    .filter((g) => g.students.length > 0);
  // Whoever is tapped in after the class was noted came late, and the peg says when.
  const toggle = (id: string) => {
    if (!line.present.includes(id)) {
      if (line.classId !== null) arrive(id);
      else changeLine({ present: [...line.present, id] });
      return;
    }
    const { [id]: _gone, ...late } = line.late;
    changeLine({ present: line.present.filter((x) => x !== id), late });
  };
  const lately = kit.students.filter((s) => s.lastHere !== null).map((s) => s.id);
  return (
    <IslandRoot scheme="dark">
      <main className="choose" aria-busy={!ready}>
        <header>
          <div>
            <h1>What shall I watch?</h1>
            <p>
              {school}. Tap who is on the line. What is worth a look stands first; any item, point and person can be
              chosen.
            </p>
          </div>
          <a className="button" href="/students">
            To the desk
          </a>
        </header>
        <div className="two">
          <section aria-labelledby="line-head">
            <div className="spread">
              <h2 id="line-head">Who is on the line?</h2>
              <span>
                {line.present.length} of {kit.students.length} here
              </span>
            </div>
            {kit.students.length === 0 && (
              <p>
                Nobody is on the roll yet. <a href="/students">Add students</a> at the desk.
              </p>
            )}
            <div className="tools">
              <Button
                onClick={() => changeLine({ present: kit.students.map((s) => s.id) })}
                disabled={kit.students.length === 0}
              >
                Everybody
              </Button>
              {lately.length > 0 && lately.length < kit.students.length && (
                <Button onClick={() => changeLine({ present: lately })}>Who came before</Button>
              )}
              <Button onClick={() => changeLine({ present: [] })} disabled={line.present.length === 0}>
                Nobody
              </Button>
              <Button onClick={() => changeLine({ flipped: !line.flipped })} aria-pressed={line.flipped}>
                Flip the line
              </Button>
              {people.length > 1 && <Button onClick={() => go({ what: 'order' })}>Order the line</Button>}
            </div>
            {groups.map((g) => (
              <div key={g.rank.id} className="belt-group">
                <p className="row">
                  <Belt name={g.rank.name} cloth={g.rank.cloth} width={54} height={17} /> {g.rank.name}
                </p>
                <ul>
                  {g.students.map((s) => {
                    const here = line.present.includes(s.id);
                    return (
                      <li key={s.id}>
                        <ButtonBase
                          role="checkbox"
                          aria-checked={here}
                          onClick={() => toggle(s.id)}
                          className={here ? 'here' : ''}
                        >
                          <svg width="20" height="28" viewBox="0 0 20 28" aria-hidden="true">
                            {here ? (
                              <path
                                d={line.late[s.id] ? 'M10 14V25' : 'M10 3V25'}
                                stroke="var(--pine)"
                                strokeWidth="5"
                                strokeLinecap="round"
                              />
                            ) : (
                              <path d="M3 22H17" stroke="var(--ink2)" strokeWidth="3" strokeLinecap="round" />
                            )}
                          </svg>
                          {s.name}
                          {line.late[s.id] && <small>{line.late[s.id]}</small>}
                        </ButtonBase>
                      </li>
                    );
                  })}
                </ul>
              </div>
            ))}
            <div className="class-note">
              <TextField
                id="minutes"
                label="Minutes of this class"
                type="number"
                value={minutes}
                onChange={(e) => setMinutes(e.target.value)}
                sx={{ maxWidth: 180 }}
              />
              <Button disabled={line.present.length === 0} onClick={() => void noteClass()}>
                {line.classId ? 'Note the class again' : 'Note who is here'}
              </Button>
              <p role="status">{said || 'Hours and classes of the gates are counted from this.'}</p>
            </div>
          </section>
          <section aria-labelledby="item-head">
            <WorthALook kit={kit} items={items} people={people} line={line} onPlan={changeLine} onLook={choose} />
            <h2 id="item-head" className="mt-5">
              Or which item?
            </h2>
            {!item ? (
              <p>
                No technique has points yet. <a href="/techniques">Write some</a> at the desk.
              </p>
            ) : (
              <>
                <Autocomplete
                  id="item"
                  disableClearable
                  options={items}
                  getOptionKey={(t) => t.key}
                  getOptionLabel={(t) => t.name}
                  groupBy={(t) => t.group}
                  value={item}
                  onChange={(_, t) => setItem(t.key)}
                  renderInput={(p) => <TextField {...p} label={<span className="hidden">Item</span>} />}
                />
                <div className="stack mt-3">
                  <Autocomplete
                    id="condition"
                    disableClearable
                    options={kit.conditions}
                    getOptionKey={(c) => c.id}
                    getOptionLabel={(c) => c.name}
                    value={kit.conditions.find((c) => c.id === conditionId) ?? kit.conditions[0]!}
                    onChange={(_, c) => setCondition(c.id)}
                    renderInput={(p) => <TextField {...p} label="Condition" />}
                  />
                  {technique?.sided && <SideSwitch side={side} onSide={setSide} />}
                </div>
                {technique && (
                  <>
                    <h2 className="mt-5">Sweep one point</h2>
                    {people.length === 0 && <p>Tap who is on the line first.</p>}
                  </>
                )}
                <ol className="sweeps">
                  {technique?.points.map((p, i) => (
                    <li key={p.id}>
                      <ButtonBase
                        disabled={people.length === 0 || p.kind === 'felt'}
                        onClick={() => go({ what: 'sweep', pointId: p.id })}
                      >
                        <span className="num">{i + 1}</span>
                        <b>{p.name}</b>
                        {p.critical && (
                          <span className="row hurts">
                            <Splinter /> critical
                          </span>
                        )}
                        <span className="kind">{p.kind === 'felt' ? 'felt: on a card' : p.kind}</span>
                      </ButtonBase>
                    </li>
                  ))}
                </ol>
                <h2 className="mt-5">{technique ? 'Or a card of one person' : 'Count by count, one person'}</h2>
                <ul className="cards">
                  {(people.length > 0 ? people : kit.students.slice(0, 12)).map((s) => (
                    <li key={s.id}>
                      <Button onClick={() => go({ what: 'card', studentId: s.id })}>{s.name}</Button>
                    </li>
                  ))}
                </ul>
              </>
            )}
          </section>
        </div>
        <footer className="plain">
          <SaveState by={kit.me.personId} problem="" />
        </footer>
      </main>
    </IslandRoot>
  );
}
