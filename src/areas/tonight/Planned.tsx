import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import type { ClassPlanShown, LookKitView } from '../../contracts/views';
import {
  beginRun,
  changed,
  clockInWords,
  countOf,
  dayInWords,
  EMPTY_BLOCK,
  daysBetween,
  inserted,
  instantAt,
  itemKey,
  mayGive,
  moved,
  overBy,
  plannedMinutes,
  removed,
  resized,
  shortOfBlock,
  weekdayInWords,
  type Block,
  type ClassPlan,
} from '../../core';
import { KeptAside } from '../../kit/mat/KeptAside';
import { SaveState } from '../../kit/mat/SaveState';
import { itemsOf } from '../../kit/mat/line';
import { keepPages } from '../../kit/offline';
import { newId } from '../../kit/send';
import { Word } from '../../kit/Word';
import { BlockSheet } from './BlockSheet';
import { DaysAhead } from './DaysAhead';
import { formsToCall } from './formsToCall';
import { LastClass } from './LastClass';
import { PairsBrief } from './PairsBrief';
import { PlanBlocks } from './PlanBlocks';
import { PlanStaff } from './PlanStaff';
import { questionOf } from './questionOf';
import { RollCall } from './RollCall';
import { ToMind } from './ToMind';
import { shortInPlan } from './shortOf';
import { useBlockKeys } from './useBlockKeys';
import { useCalled } from './useCalled';
import { useClassPlan } from './useClassPlan';
import { useGuests } from './useGuests';
import { useLine } from './useLine';
import { useRounds } from './useRounds';
import { useRun } from './useRun';
import { looksByBlock, type LookInBlock } from './worth';

/** So high is the staff where the screen is a laptop's, and no block lower than a line. */
const HIGH = 610;
const LINE = 28;
const LOOK = 44;
const BARS = 3;

/** So long a device may take to keep what begins, in ms. */
const LONGEST = 4000;
const NONE: readonly string[] = [];

/** An evening that is planned: its blocks to scale, whom to watch in which, who is here or expected. */
export function Planned({ kit, shown, onRemove }: { kit: LookKitView; shown: ClassPlanShown; onRemove: () => void }) {
  const by = kit.me.personId;
  const items = useMemo(() => itemsOf(kit), [kit]);
  const line = useLine(kit, items);
  const { planned, change, undo, undoes, problem, aside, keepMine, takeTheirs } = useClassPlan(shown, by, kit.today);
  const { called, merge } = useCalled(shown.id, planned.day, by);
  const guests = useGuests(kit, shown.id, planned.day);
  const clock = useRun(shown, by, (told) => {
    merge(told.called);
    guests.merge(told.guests);
    line.follow(shown.id, told.here);
  });
  const [selected, setSelected] = useState<string | null>(null);
  const { plan } = planned;
  /** Not tonight: it is laid out for whoever is expected. */
  const ahead = planned.day > kit.today;
  const people = line.called && !ahead ? line.people : line.expected;
  const done = ahead ? NONE : line.line.done;
  const [removing, setRemoving] = useState(false);

  const scale = Math.max(6, Math.min(11, HIGH / Math.max(1, plannedMinutes(plan.blocks))));
  const here = people.map((p) => p.id).join(' ');
  const looks = useMemo(
    () =>
      looksByBlock(kit, items, plan.blocks, people, done, (b) =>
        Math.max(1, Math.min(4, Math.floor((b.minutes * scale) / LOOK))),
      ),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- who is here is known by their ids
    [kit, items, plan.blocks, here, done, scale],
  );
  const barred = useMemo(
    () =>
      new Set<LookInBlock>(
        [...looks]
          .sort((a, b) => Number(b.look.hurts) - Number(a.look.hurts) || b.look.worth - a.look.worth)
          .slice(0, BARS),
      ),
    [looks],
  );
  // A block is as high as its minutes, and higher where what is beside it needs it.
  const heights = plan.blocks.map((b) =>
    Math.max(LINE, b.minutes * scale, looks.filter((l) => l.blockId === b.id).length * LOOK + 6),
  );
  const forPairs = plan.blocks.find((b) => b.pairs !== null) ?? null;
  const { rounds } = useRounds(kit, forPairs, people, called);
  const set = (next: ClassPlan, says: string) => change({ plan: next }, says);

  const over = overBy(plan);
  const givers = over > 0 ? mayGive(plan.blocks, over, (b) => shortOfBlock(kit.weeks?.[planned.day] ?? null, b)) : [];
  const at = plan.blocks.findIndex((b) => b.id === selected);
  const block = plan.blocks[at];
  const focusOn = (id: string) =>
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-block="${id}"]`)?.focus());
  useBlockKeys({
    blocks: plan.blocks,
    focusOn,
    move(b, to) {
      set(moved(plan, b.id, to), `${b.name} ${to < plan.blocks.indexOf(b) ? 'earlier' : 'later'}`);
      focusOn(b.id);
    },
    minutes(b, by) {
      const next = resized(plan, b.id, by);
      const now = next.blocks.find((x) => x.id === b.id)!.minutes;
      if (now !== b.minutes) set(next, `${b.name} to ${countOf(now, 'minute')}`);
    },
    undo,
  });
  const newBlock = () => {
    const b: Block = { ...EMPTY_BLOCK, id: newId(), minutes: Math.max(1, Math.min(30, over < 0 ? -over : 10)) };
    // Before the close, if there is one.
    const last = plan.blocks.at(-1);
    set(inserted(plan, b, last?.kind === 'close' ? plan.blocks.length - 1 : plan.blocks.length), 'a new block');
    setSelected(b.id);
  };
  const begin = () => {
    const now = clock.clock();
    const go = () => location.assign('/tonight/run');
    if (clock.run !== null) return go();
    const endsBy = instantAt(kit.timeZone, planned.day, plan.starts + plan.minutes);
    // Begun at another time than planned it lasts as long as it should.
    const ends = Math.abs(endsBy - plan.minutes * 60_000 - now) < 45 * 60_000 ? endsBy : now + plan.minutes * 60_000;
    const kept = Promise.all([
      clock.set(beginRun(plan, now, ends)),
      line.change({
        classId: shown.id,
        openedAt: new Date().toISOString(),
        minutes: plan.minutes,
        present: line.called ? line.line.present : line.expected.map((s) => s.id),
        items: plan.blocks.flatMap((b) => b.items.map((i) => itemKey(i.item))),
      }),
    ]);
    // The page goes when all of it is on the device, or a store that is closed has had its time.
    void Promise.race([kept, new Promise((done) => setTimeout(done, LONGEST))]).finally(go);
  };
  const kept = ['/tonight/run', '/look', ...formsToCall(plan.blocks, items).map((f) => f.path)].join(' ');
  useEffect(() => keepPages(kept.split(' ')), [kept]);
  const hall = kit.halls?.find((h) => h.id === planned.hallId)?.name;
  const toGrading = kit.gradingDay === null ? null : daysBetween(planned.day, kit.gradingDay);
  const until =
    toGrading === null || toGrading < 0
      ? ''
      : toGrading === 0
        ? ` The grading is ${ahead ? 'that day' : 'today'}.`
        : toGrading < 14
          ? ` ${countOf(toGrading, 'day')} to the grading on ${dayInWords(kit.gradingDay!, kit.today)}.`
          : ` ${countOf(Math.floor(toGrading / 7), 'week')} to the grading on ${dayInWords(kit.gradingDay!, kit.today)}.`;
  return (
    <>
      <div className="title">
        <div>
          <h1>{questionOf(planned.day, kit.today)}</h1>
          <p className="sub">
            {weekdayInWords(planned.day)} {dayInWords(planned.day, kit.today)}, {clockInWords(plan.starts)} to{' '}
            {clockInWords(plan.starts + plan.minutes)}
            {hall ? `, ${hall}` : ''}.{until}
          </p>
        </div>
        <div className="actions">
          <Button onClick={undo} disabled={undoes === null} title={undoes === null ? '' : `Take back: ${undoes}`}>
            Undo
          </Button>
          <Button onClick={newBlock}>One more block</Button>
          {ahead ? null : clock.closed ? (
            <a className="button" href="/tonight/run">
              See how it went
            </a>
          ) : (
            <Button variant="contained" onClick={begin} disabled={plan.blocks.length === 0}>
              {clock.run === null ? 'Begin the class' : 'To the class'}
            </Button>
          )}
        </div>
      </div>
      <DaysAhead kit={kit} day={planned.day} />
      <KeptAside kept={{ aside, keepMine, takeTheirs }} what="this plan" />
      {problem !== '' && <p className="hurts">{problem}</p>}
      {over !== 0 && (
        <div className={`message${over > 0 ? ' wrong' : ''} row wrap`} role="status">
          <p>
            {over > 0
              ? `${countOf(over, 'minute')} too long: it would end at ${clockInWords(plan.starts + plan.minutes + over)}.`
              : `${countOf(-over, 'minute')} are free.`}
          </p>
          {givers.slice(0, 3).map((b) => (
            <Button key={b.id} size="small" onClick={() => set(resized(plan, b.id, -over), `${b.name} gives ${over}`)}>
              {b.name} gives {over}
            </Button>
          ))}
        </div>
      )}
      <div className="tonight">
        <div>
          <div className="evening-heads">
            <span />
            <h2>
              <Word of="worthALook">Worth a look</Word>
            </h2>
          </div>
          <div className="evening">
            <PlanStaff plan={plan} scale={scale} heights={heights} />
            <PlanBlocks
              kit={kit}
              items={items}
              plan={plan}
              heights={heights}
              looks={looks}
              barred={barred}
              short={shortInPlan(kit, plan, people)}
              selected={selected}
              onSelect={(id) => setSelected(id === selected ? null : id)}
              onMove={(id, to) =>
                set(moved(plan, id, to), `${plan.blocks.find((b) => b.id === id)?.name ?? 'a block'} moved`)
              }
            />
            {plan.blocks.length === 0 && <p className="second">No block yet. “One more block” puts one in.</p>}
          </div>
        </div>
        <aside>
          {block ? (
            <BlockSheet
              key={block.id}
              kit={kit}
              items={items}
              block={block}
              onChange={(c, says) => set(changed(plan, block.id, c), says)}
              onRemove={() => {
                set(removed(plan, block.id), `${block.name} out`);
                setSelected(null);
              }}
              onClose={() => {
                setSelected(null);
                focusOn(block.id);
              }}
            />
          ) : (
            <>
              {clock.run === null && <LastClass kit={kit} />}
              {ahead ? (
                <section aria-labelledby="expected-head">
                  <h2 id="expected-head">Who is expected</h2>
                  <p className="second">
                    {people.length === 0
                      ? 'Nobody was here in the last two weeks.'
                      : `${countOf(people.length, 'student')}: who was here in the last two weeks. The roll is called on the evening itself.`}
                  </p>
                </section>
              ) : (
                <RollCall kit={kit} line={line} guests={guests} />
              )}
              <ToMind kit={kit} people={people} />
              {forPairs && people.length > 0 && rounds[0] && (
                <section aria-labelledby="pairs-head">
                  <div className="spread">
                    <h2 id="pairs-head">
                      <Word of="pair">Pairs</Word> for {forPairs.name}
                    </h2>
                    {!ahead && <a href="/tonight/run?show=pairs">all rounds</a>}
                  </div>
                  <PairsBrief kit={kit} shown={rounds[0]} />
                </section>
              )}
            </>
          )}
        </aside>
      </div>
      <p className="second keys">
        Worth a look stands beside the block in which it can be seen; those with a bar go first. Arrows choose a block,
        Alt and arrows move it, + and − change its minutes.
      </p>
      {clock.run === null && (
        <div className="row wrap">
          {removing ? (
            <>
              <Button onClick={onRemove}>Yes, take the plan out</Button>
              <Button variant="text" onClick={() => setRemoving(false)}>
                It stays
              </Button>
            </>
          ) : (
            <Button variant="text" onClick={() => setRemoving(true)}>
              Begin this evening anew
            </Button>
          )}
        </div>
      )}
      <SaveState by={by} problem="" />
    </>
  );
}
