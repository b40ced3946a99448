// What the whole mat shares comes before what each of its parts adds.
import '../../kit/mat/mat.css';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { LookKitView } from '../../contracts/views';
import { clockInWords, timeOfDayIn, usualCondition, type Side, type WorthALook as Worth } from '../../core';
import { keepTrying, readOpen, type Waiting } from '../../kit/deviceQueue/deviceQueue';
import { IslandRoot } from '../../kit/IslandRoot';
import { Late, late, useIsMissing } from '../../kit/late';
import { noteClass } from '../../kit/mat/noteClass';
import { AnotherDay } from './choose/AnotherDay';
import {
  freshLine,
  itemsOf,
  keepLine,
  lastOrder,
  lineUp,
  standing,
  type KitItem,
  type KitSequence,
  type Line,
} from '../../kit/mat/line';
import { beginning, type Mode } from './mode';
import { writeFor } from '../../kit/mat/record';
import { backToClass, forgetWayBack } from '../../kit/mat/backToClass';
import { SaveState } from '../../kit/mat/SaveState';
import { Sweep } from './sweep/Sweep';
import { WhoIsHere } from './choose/WhoIsHere';
import './Look.css';

// Lists to type into, cards, the stave and dragging are fetched after the page stands; the service worker keeps them for
// the hall. A sweep is there at once: its first key is pressed while the hand is still on the last one.
const fetchWhatToLookAt = () => import('./choose/WhatToLookAt');
const fetchCard = () => import('./card/Card');
const fetchFormCard = () => import('./form/FormCard');
const WhatToLookAt = late(fetchWhatToLookAt);
const Card = late(fetchCard);
const FormCard = late(fetchFormCard);
const OrderLine = late(() => import('./choose/OrderLine'));

/** Fetches what the mat needs next before it is needed: the hall may lose its network at any moment. */
export const fetchAhead = (): void =>
  void Promise.all([fetchWhatToLookAt(), fetchCard(), fetchFormCard(), import('../../kit/mat/StandsAside')]).catch(
    () => undefined,
  );

/** A card that nobody touched for so long is finished work: it is sent. */
const LEFT_OPEN = 3_600_000;

/** The mat: who is on the line, what is looked at, then sweep or card. Everything here works without a network. */
export default function Look({ kit, school }: { kit: LookKitView; school: string }) {
  const [line, setLine] = useState<Line>(() => freshLine(kit.today));
  const latest = useRef(line);
  /** Today's line while something is entered for another day; null: it is today's that stands here. */
  const todays = useRef<Line | null>(null);
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
  const [ready, setReady] = useState(false);
  /** Whether what to look at can be pressed. */
  const [stands, setStands] = useState(false);
  const isMissing = useIsMissing();
  const isStanding = useCallback(() => setStands(true), []);
  const [day, setDay] = useState<string | null>(null);
  /** The page of the evening from which a look was begun. */
  const [back, setBack] = useState<string | null>(null);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what the device says, once it can be read
    setBack(backToClass());
  }, []);
  const end = () => {
    if (back === null) return go({ what: 'choose' });
    forgetWayBack();
    location.assign(back);
  };
  // Whoever leaves the mat comes back to today.
  useEffect(() => () => writeFor(null), []);
  const ofDay = (other: string | null) => {
    writeFor(other);
    setDay(other);
    // The line of another day is another one, and so is its class; today's is taken up again afterwards.
    if (other === null) latest.current = todays.current ?? latest.current;
    else {
      todays.current ??= latest.current;
      latest.current = freshLine(kit.today, latest.current.leftHanded);
    }
    if (other === null) todays.current = null;
    setLine(latest.current);
  };

  // The address says what to begin with; the device knows today's line.
  useEffect(() => {
    const b = beginning(kit, items);
    // A kit that comes while another day is entered changes today's line, not the one that stands here.
    if (todays.current !== null) {
      todays.current = b.line;
      return;
    }
    latest.current = b.line;
    setLine(b.line);
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what the address and the device say, once they can be read
    if (b.itemKey) setItem(b.itemKey);
    if (b.conditionId) setCondition(b.conditionId);
    if (b.side) setSide(b.side);
    setMode(b.mode);
  }, [kit, items]);
  // And it knows the cards that were not finished: none is shown before they have been read.
  useEffect(() => {
    let current = true;
    // A device that cannot be read begins with nothing; the first mark then says what is wrong.
    void readOpen()
      .catch((): Waiting[] => [])
      .then((open) => {
        for (const c of open) if (Date.now() - Date.parse(c.at) > LEFT_OPEN) keepTrying({ ...c, open: false });
        if (current) setReady(true);
      });
    return () => {
      current = false;
    };
  }, []);

  // What comes back from the device a moment later changes the line as it is by then.
  const changeLine = (change: Partial<Line>) => {
    latest.current = { ...latest.current, ...change };
    setLine(latest.current);
    if (todays.current === null) keepLine(latest.current);
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
  /** Why who came late is not kept. */
  const [unkept, setUnkept] = useState('');
  const arrive = (id: string) => {
    const at = clockInWords(timeOfDayIn(kit.timeZone, Date.now()));
    const change = { ...standing(line, [...line.present, id]), late: { ...line.late, [id]: at } };
    changeLine(change);
    // Who comes late is on record at once.
    if (line.classId === null) return;
    void noteClass(kit, items, { ...line, ...change }).then(
      () => setUnkept(''),
      (e: unknown) => setUnkept(e instanceof Error ? e.message : 'Who is here could not be kept.'),
    );
  };

  if (mode.what === 'order')
    return (
      <IslandRoot scheme="dark">
        <main className="choose">
          <header>
            <h1>How do they stand?</h1>
          </header>
          <Late meanwhile={<p>Fetching the grips…</p>}>
            <OrderLine
              people={people}
              ranks={kit.ranks}
              before={lastOrder(kit.stood, line.present)}
              onOrder={(order) => changeLine({ order, flipped: false })}
              onDone={() => go({ what: 'choose' })}
            />
          </Late>
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
              onEnd={end}
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
      onEnd: end,
    };
    return (
      <IslandRoot scheme="dark">
        <main>
          <Late meanwhile={fetching}>
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
                line={people}
                item={item as KitItem & { sequence: KitSequence }}
                onItem={() => go({ what: 'choose' })}
              />
            )}
          </Late>
        </main>
      </IslandRoot>
    );
  }

  return (
    <IslandRoot scheme="dark">
      <main className="choose" aria-busy={!ready || (!stands && !isMissing)}>
        <header>
          <div>
            <h1>What shall I watch?</h1>
            <p>
              {school}. Tap who is on the line. What is worth a look stands first; any item, point and person can be
              chosen.
            </p>
            <AnotherDay day={day} today={kit.today} onDay={ofDay} />
          </div>
          <a className="button" href={back ?? '/tonight'}>
            {back === null ? 'To the evening' : 'Back to the class'}
          </a>
        </header>
        <div className="two">
          <WhoIsHere
            kit={kit}
            items={items}
            line={line}
            people={people}
            onLine={changeLine}
            onArrive={arrive}
            onOrder={() => go({ what: 'order' })}
          />
          <section aria-labelledby="item-head">
            <Late meanwhile={<p>Fetching what is worth a look…</p>}>
              <WhatToLookAt
                kit={kit}
                items={items}
                item={item}
                conditionId={conditionId}
                side={side}
                people={people}
                onItem={setItem}
                onCondition={setCondition}
                onSide={setSide}
                onSweep={(pointId) => go({ what: 'sweep', pointId })}
                onPerson={(studentId) => go({ what: 'card', studentId })}
                line={line}
                onPlan={changeLine}
                onLook={choose}
                onStands={isStanding}
              />
            </Late>
          </section>
        </div>
        <footer className="plain">
          <SaveState by={kit.me.personId} problem={unkept} />
        </footer>
      </main>
    </IslandRoot>
  );
}
