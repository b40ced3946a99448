import Button from '@mui/material/Button';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ClassPlanShown, LookKitView } from '../../contracts/views';
import {
  backwards,
  clockInWords,
  countOf,
  itemKey,
  lengthened,
  onwards,
  standsAt,
  stopOrGo,
  timeOfDayIn,
  shortOfBlock,
  whoGives,
  type Run,
} from '../../core';
import { itemsOf } from '../../kit/mat/line';
import { lookFromHere } from '../../kit/mat/backToClass';
import { SaveState, useAwake } from '../../kit/mat/SaveState';
import { keepPages } from '../../kit/offline';
import { Close } from './Close';
import { formsToCall } from './formsToCall';
import { LookLine } from './LookLine';
import { Notes } from './Notes';
import { Pairs } from './Pairs';
import { PairsBrief } from './PairsBrief';
import { RollCall } from './RollCall';
import { RunStaff } from './RunStaff';
import { AtThePost } from './AtThePost';
import { bell, wakeSound } from './sound';
import { TimeLeft } from './TimeLeft';
import { ToMind } from './ToMind';
import { useCalled } from './useCalled';
import { useGuests } from './useGuests';
import { useLine } from './useLine';
import { useNotes } from './useNotes';
import { useRounds } from './useRounds';
import { useRun } from './useRun';
import { looksByBlock } from './worth';
import './Running.css';

const HOW_MANY = 3;
const SOUND = 'stavewright-bell';

const digits = (left: number): string => {
  const s = Math.abs(left);
  const text = `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
  return left < 0 ? `+${text}` : text;
};

/** The class as it runs: the time left, readable across the hall; whom to watch now; who comes late; what is next. */
export function Running({ kit, shown }: { kit: LookKitView; shown: ClassPlanShown }) {
  const by = kit.me.personId;
  const items = useMemo(() => itemsOf(kit), [kit]);
  const line = useLine(kit, items);
  const calls = useCalled(shown.id, shown.day, by);
  const guests = useGuests(kit, shown.id, shown.day);
  const notes = useNotes(shown, by);
  const clock = useRun(shown, by, (told) => {
    calls.merge(told.called);
    guests.merge(told.guests);
    notes.merge(told.notes);
    line.follow(shown.id, told.here);
  });
  const { run, now } = clock;
  const { plan } = shown;
  const [view, setView] = useState<'clock' | 'pairs' | 'close'>('clock');
  const [pairsOf, setPairsOf] = useState<string | null>(null);
  const [sound, setSound] = useState(false);
  useAwake();
  useEffect(() => {
    if (new URLSearchParams(location.search).get('show') === 'pairs') setView('pairs');
    setSound(localStorage.getItem(SOUND) === 'on');
  }, []);
  const s = run && standsAt(plan, run, now);
  const people = line.called ? line.people.filter((p) => line.stateOf(p.id) !== 'left') : line.expected;
  const withPairs = plan.blocks.filter((b) => b.pairs !== null);
  const toPair = s?.block?.pairs ? s.block : ((s?.next?.pairs ? s.next : null) ?? withPairs[0] ?? null);
  const brief = useRounds(kit, s?.next?.pairs ? s.next : null, people, calls.called);

  // The bell strikes once as a block runs out, on every device that has it on.
  const struck = useRef<string | null>(null);
  const over = s?.block && s.left <= 0 ? s.block.id : null;
  useEffect(() => {
    if (over !== null && struck.current !== over && sound) bell();
    struck.current = over;
  }, [over, sound]);

  const ahead = formsToCall(plan.blocks, items)
    .map((f) => f.path)
    .join(' ');
  useEffect(() => keepPages(['/look', ...ahead.split(' ')]), [ahead]);

  const here = people.map((p) => p.id).join(' ');
  const looks = useMemo(
    () => (s?.block ? looksByBlock(kit, items, [s.block], people, line.line.done, () => HOW_MANY) : []),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the block and who is here are known by their ids
    [kit, items, s?.block?.id, here, line.line.done],
  );

  if (view === 'pairs' && withPairs.length > 0) {
    const block = withPairs.find((b) => b.id === pairsOf) ?? toPair ?? withPairs[0]!;
    return (
      <Pairs
        key={block.id}
        kit={kit}
        blocks={withPairs}
        block={block}
        people={people}
        calls={calls}
        onBlock={setPairsOf}
        onBack={() => setView('clock')}
      />
    );
  }
  if (!run || !s)
    return (
      <div className="running">
        <h1>The class has not begun</h1>
        <p>
          {clockInWords(plan.starts)} to {clockInWords(plan.starts + plan.minutes)}, {plan.blocks.length} blocks.
        </p>
        <a className="button" href="/tonight">
          To the plan
        </a>
        <footer>
          <SaveState by={by} problem={clock.problem} />
        </footer>
      </div>
    );
  const time = (t: number) => clockInWords(timeOfDayIn(kit.timeZone, t));
  const set = (next: Run) => {
    wakeSound();
    void clock.set(next);
  };
  const close = () => setView('close');
  if (clock.closed || s.block === null || view === 'close')
    return (
      <Close
        kit={kit}
        shown={shown}
        run={run}
        standing={s}
        closed={clock.closed}
        line={line}
        guests={guests}
        notes={notes.notes}
        onBack={
          s.block === null && !clock.closed
            ? () => set(backwards(run))
            : view === 'close' && !clock.closed
              ? () => setView('clock')
              : null
        }
        onEnd={() => {
          let ended = run;
          while (ended.block !== null) ended = onwards(plan, ended, clock.clock(), ended !== run);
          if (ended !== run) set(ended);
        }}
      />
    );
  const givers = whoGives(plan, run, s.late, (b) => shortOfBlock(kit.weeks?.[shown.day] ?? null, b));
  const standing = run.stoppedAt !== null;
  const block = s.block;
  const called = formsToCall([block], items);
  return (
    <div className="running">
      <header>
        <h1>
          {block.name} <small>until {time(s.endsAt)}</small>
        </h1>
        <b className="num now">{time(now)}</b>
      </header>
      {clock.replanned && (
        <div className="row wrap pine-bar" role="status">
          <p>The plan was changed on another device.</p>
          <Button onClick={() => location.reload()}>Take it up</Button>
        </div>
      )}
      <RunStaff s={s} from={run.began} to={run.endsBy} now={now} timeZone={kit.timeZone} />
      <div className="left">
        <b className={`num digits${s.left < 0 ? ' over' : ''}`} role="timer" aria-label="Time left of the block">
          {digits(s.left)}
        </b>
        <div className="what">
          <p>
            {block.items.length > 0 && (
              <b>{block.items.map((i) => items.find((x) => x.key === itemKey(i.item))?.name ?? '').join(', ')}. </b>
            )}
            {block.how}
          </p>
          {block.who !== '' && <p className="quiet">{block.who}</p>}
          {block.things !== '' && <p className="quiet">Out: {block.things}</p>}
          {block.caution !== '' && <p className="hurts">{block.caution}</p>}
        </div>
      </div>
      <TimeLeft left={s.left} of={s.of} ends={time(s.endsAt)} />
      <div className="row wrap minutes">
        <Button onClick={() => set(lengthened(plan, run, block.id, -1, clock.clock()))}>A minute less</Button>
        <Button onClick={() => set(lengthened(plan, run, block.id, 1, clock.clock()))}>A minute more</Button>
        <Button onClick={() => set(onwards(plan, run, clock.clock(), true))}>Skip it</Button>
        {run.spent.length > 0 && (
          <Button onClick={() => set(backwards(run))}>
            Back to {plan.blocks.find((b) => b.id === run.spent.at(-1)!.block)?.name}
          </Button>
        )}
        <Button
          aria-pressed={sound}
          onClick={() => {
            wakeSound();
            setSound(!sound);
            localStorage.setItem(SOUND, sound ? 'off' : 'on');
          }}
        >
          {sound ? 'The bell is on' : 'The bell is off'}
        </Button>
        <Button onClick={close}>Close the class</Button>
        {called.map((c) => (
          <a key={c.path} className="button" href={c.path} onClick={lookFromHere}>
            Call {c.name}
          </a>
        ))}
      </div>
      {s.late > 0 && (
        <div className="late pine-bar" role="status">
          <p>
            <b>{countOf(s.late, 'minute')} over.</b> The class would end at {time(s.eveningEnds)} instead of{' '}
            {time(run.endsBy)}.
          </p>
          <div className="row wrap">
            {givers.slice(0, 3).map((b) => (
              <Button key={b.id} onClick={() => set(lengthened(plan, run, b.id, -s.late, clock.clock()))}>
                {b.name} gives {s.late}
              </Button>
            ))}
            {givers.length === 0 && <p className="quiet">No block that is to come can give so much.</p>}
            <Button onClick={() => set({ ...run, endsBy: s.eveningEnds, changes: run.changes + 1 })}>
              End at {time(s.eveningEnds)}
            </Button>
          </div>
        </div>
      )}
      <AtThePost kit={kit} block={block} people={people} from={timeOfDayIn(kit.timeZone, s.endsAt) - s.of} />
      {looks.length > 0 && (
        <section>
          <h2>Worth a look now</h2>
          <ul>
            {looks.map((l, i) => (
              <LookLine
                key={`${l.look.kind} ${l.look.itemKey} ${l.look.pointId} ${l.look.side} ${l.look.studentIds[0]}`}
                kit={kit}
                items={items}
                found={l}
                bar={i < 2}
                mat
              />
            ))}
          </ul>
        </section>
      )}
      {s.next && (
        <section>
          <div className="spread">
            <h2>
              Next at {time(s.endsAt)}: {s.next.name}, {run.minutes[s.next.id] ?? s.next.minutes} min
            </h2>
            {s.next.things !== '' && <span className="quiet">{s.next.things}</span>}
          </div>
          {brief.rounds[0] && <PairsBrief kit={kit} shown={brief.rounds[0]} />}
        </section>
      )}
      <Notes block={block.name} notes={notes} />
      <RollCall kit={kit} line={line} guests={guests} />
      <ToMind kit={kit} people={people} />
      <footer>
        <SaveState by={by} problem={clock.problem} />
        <Button onClick={() => set(stopOrGo(run, clock.clock()))}>
          {standing ? 'The clock goes on' : 'Stop the clock'}
        </Button>
        {withPairs.length > 0 && <Button onClick={() => setView('pairs')}>The pairs</Button>}
        <Button variant="contained" onClick={() => set(onwards(plan, run, clock.clock()))}>
          {s.next ? `On to ${s.next.name}` : 'That was it'}
        </Button>
      </footer>
    </div>
  );
}
