import Button from '@mui/material/Button';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { CycleView } from '../../contracts/views';
import {
  capital,
  countOf,
  CYCLE_END_WORDS,
  cycleAnswerInWords,
  cycleStageInWords,
  daysBetween,
  foundAgain,
  gridNow,
  dayInWords,
  helpsFor,
  inWords,
  pastOf,
  problemNow,
  provenInWords,
  recordsOf,
  shortIn,
  UNIT,
  unproven,
  weekdayInWords,
  weekdayOf,
  withCell,
  withHad,
  withPlan,
  type Cycle,
} from '../../core';
import { KeptAside } from '../../kit/mat/KeptAside';
import { SaveState } from '../../kit/mat/SaveState';
import { newId, send } from '../../kit/send';
import { BoardSheet, type Open } from './BoardSheet';
import { CellPanel } from './CellPanel';
import { CycleChart, type At } from './CycleChart';
import { CycleKey } from './CycleKey';
import { CyclePrint } from './CyclePrint';
import { Found } from './Found';
import { useCyclePlan } from './useCyclePlan';
import { usePlanning } from './usePlanning';
import { useStand } from './useStand';

/** What a plan is made from, and why it is planned again; null: it is the first. */
interface Asked {
  cycle: Cycle;
  why: string | null;
}

/** "Does everything fit before the day?" The weeks as they are planned, what is short, what would help. */
export function CycleBoard({
  view,
  shown,
  by,
  head,
  planAtOnce,
}: {
  view: CycleView;
  shown: NonNullable<CycleView['shown']>;
  by: string;
  head: boolean;
  planAtOnce: boolean;
}) {
  const kept = useCyclePlan(shown, by);
  const { value: stored, latest, change, undo, undoes } = kept;
  const [preview, setPreview] = useState<{ index: number; cycle: Cycle } | null>(null);
  const [at, setAt] = useState<At | null>(null);
  const [open, setOpen] = useState<Open>(null);
  const [refused, setRefused] = useState('');
  const [asked, setAsked] = useState<Asked | null>(null);
  const past = useMemo(
    () => pastOf(stored, recordsOf(stored.classes, view.records), view.today),
    [stored, view.records, view.today],
  );
  const planning = usePlanning((found, stopped) => {
    if (!asked) return;
    const of = pastOf(asked.cycle, recordsOf(asked.cycle.classes, view.records), view.today);
    change(withPlan(asked.cycle, of, found, { stopped, why: asked.why }), 'planned again');
  });
  /** Plans what stands, or another one; from the plan there is, so that little moves. */
  const plan = (cycle: Cycle = latest.current, why = '') => {
    setPreview(null);
    const again = cycle.result !== null;
    const lost = cycle.classes.findLast((c) => past.lost.has(c.id));
    const since = why || (lost ? `since ${weekdayInWords(lost.day)} was lost` : 'since it was planned');
    setAsked({ cycle, why: again ? since : null });
    planning.begin({ cycle, records: view.records, today: view.today, seed: shown.id, again });
  };
  const first = useRef(planAtOnce);
  useEffect(() => {
    if (first.current && stored.rows.length > 0) plan();
    first.current = false;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, as the page stands
  }, []);

  // While it is planned the plan so far is shown; what is tried out is shown instead of what is kept.
  const sofar = planning.working === 'planning' ? planning.planned : null;
  const cycle = useMemo(
    () => preview?.cycle ?? (sofar && asked ? withPlan(asked.cycle, past, sofar) : stored),
    [preview, sofar, asked, stored, past],
  );
  const stand = useStand(cycle, past);
  const { short, drawn } = stand;
  const helps = useMemo(() => {
    const isShort = stored.result !== null && shortIn(problemNow(stored, past), gridNow(stored, past)) > 0;
    return isShort ? helpsFor(stored, past, newId) : [];
  }, [stored, past]);
  const nameOf = (id: string) => cycle.rows.find((r) => r.id === id)?.name ?? 'A row that is gone';
  const classOf = (id: string) => cycle.classes.find((x) => x.id === id);
  const dayOf = (id: string) => {
    const c = classOf(id);
    return c ? `${weekdayInWords(c.day)} ${dayInWords(c.day, view.today)}` : '';
  };
  /** What is being planned, or was tried out, is of weeks that are others now. */
  const afresh = () => {
    setPreview(null);
    planning.forget();
  };
  const edit = (next: Cycle, says: string) => {
    afresh();
    change(unproven(next), says);
  };
  const back = () => {
    afresh();
    undo();
  };
  const isOver = (cls: string) => cycle.classes.findIndex((c) => c.id === cls) < past.from;
  const cellOf = (a: At) => latest.current.cells.find((c) => c.row === a.row && c.class === a.class);
  const onMinutes = (a: At, more: number) => {
    const minutes = Math.max(0, (cellOf(a)?.minutes ?? drawn.minutes(a.row, a.class)) + more);
    if (isOver(a.class))
      return edit(
        withHad(latest.current, a.row, a.class, Math.max(0, drawn.minutes(a.row, a.class) + more)),
        'what was had',
      );
    // What a hand has set is to stay.
    edit(withCell(latest.current, a.row, a.class, minutes, true), `${nameOf(a.row)} to ${minutes} minutes`);
  };
  const onPin = (a: At) => {
    if (isOver(a.class)) return;
    const now = cellOf(a);
    const next = withCell(latest.current, a.row, a.class, now?.minutes ?? 0, !(now?.pinned ?? false));
    edit(next, now?.pinned ? 'a pin out' : 'a pin');
  };
  const onMove = (a: At, step: 1 | -1) => {
    const now = cellOf(a);
    const k = cycle.classes.findIndex((c) => c.id === a.class);
    let to = k + step;
    while (cycle.classes[to] && cycle.classes[to]!.off !== null) to += step;
    const next = cycle.classes[to];
    if (!now || now.minutes === 0 || !next || to < past.from || k < past.from) return;
    const there = cellOf({ row: a.row, class: next.id })?.minutes ?? 0;
    const out = withCell(latest.current, a.row, a.class, 0, false);
    edit(withCell(out, a.row, next.id, now.minutes + there, true), `${nameOf(a.row)} to ${dayOf(next.id)}`);
    setAt({ row: a.row, class: next.id });
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-at="${a.row} ${next.id}"]`)?.focus());
  };
  const remove = async () => {
    const answer = await send('cycle.remove', { id: shown.id });
    if (answer.ok) location.assign('/cycle');
    else setRefused(answer.title);
  };
  const toCome = cycle.classes.slice(past.from).filter((c) => c.off === null);
  const weeks = Math.max(1, Math.round(daysBetween(cycle.from, cycle.day) / 7));
  const tonight = toCome.find((c) => c.day === view.today);
  const belts = view.ranks.filter((r) => cycle.ranks.includes(r.id)).map((r) => r.name);
  const asking = belts.length > 2 ? `${belts[0]!} to ${belts.at(-1)!}` : belts.join(' and ');
  const lost = cycle.classes.findLast((c) => past.lost.has(c.id));
  const answer = preview
    ? `Tried out: ${short === 0 ? 'everything fits' : `${countOf(short, 'minute')} are short`} before it is planned again.`
    : sofar
      ? `${cycleStageInWords(sofar.stage)} ${capital(countOf(sofar.short * UNIT, 'minute'))} short so far.`
      : cycleAnswerInWords(cycle, {
          short,
          spare: stand.spare,
          lost: lost ? { ...lost, ...foundAgain(cycle, past, lost.id) } : null,
          today: view.today,
        });
  return (
    <>
      <div className="title">
        <div>
          <h1>Does everything fit before {dayInWords(cycle.day, view.today)}?</h1>
          <p className="sub">
            {capital(inWords(weeks, 12))} {weeks === 1 ? 'week' : 'weeks'},{' '}
            {countOf(cycle.classes.length, 'class', 'classes')}
            {tonight ? `; tonight is number ${cycle.classes.indexOf(tonight) + 1}` : ''}.
            {asking !== '' &&
              ` Asked for by ${asking}, taught ${cycle.groups.length > 1 ? `in ${countOf(cycle.groups.length, 'group')}` : 'to all'}.`}
          </p>
        </div>
        <div className="actions">
          <Button onClick={back} disabled={undoes === null} title={undoes === null ? '' : `Take back: ${undoes}`}>
            Undo
          </Button>
          <Button onClick={() => setOpen({ kind: 'calendar' })}>Calendar</Button>
          {planning.working === 'planning' ? (
            <Button variant="contained" onClick={planning.stop}>
              Stop here
            </Button>
          ) : (
            <Button variant="contained" disabled={cycle.rows.length === 0} onClick={() => plan()}>
              {stored.result === null ? 'Plan' : 'Plan again'}
            </Button>
          )}
        </div>
      </div>
      <p className="cycle-answer" role="status">
        {answer}
      </p>
      {planning.failed !== '' && <p className="message wrong">{planning.failed}</p>}
      <div role="alert">{refused !== '' && <p className="message wrong">{refused}</p>}</div>
      {kept.problem !== '' && <p className="hurts">{kept.problem}</p>}
      <KeptAside kept={kept} what="these weeks" />
      <div className="cycle">
        <div>
          {cycle.rows.length === 0 ? (
            <p className="message">No row yet. “Another row” puts in what is to be worked at.</p>
          ) : (
            <CycleChart
              cycle={cycle}
              past={past}
              today={view.today}
              drawn={drawn}
              apart={stand.apart}
              at={at}
              onAt={(a) => {
                setAt(a);
                setOpen(null);
              }}
              onMinutes={onMinutes}
              onPin={onPin}
              onMove={onMove}
              onRow={(id) => setOpen({ kind: 'row', id })}
              onClass={(id) => setOpen({ kind: 'class', id })}
            />
          )}
          <CycleKey />
          {planning.working !== 'planning' && <p className="second">{provenInWords(cycle, short)}</p>}
          <div className="row wrap no-print">
            <Button onClick={() => setOpen({ kind: 'new row' })}>Another row</Button>
            <Button onClick={() => setOpen({ kind: 'rules' })}>Weeks and rules</Button>
            <Button onClick={() => print()}>Print</Button>
            <a href="/cycle/catch-up">Catch-up of the week</a>
          </div>
        </div>
        <aside className="no-print">
          <BoardSheet
            open={open}
            setOpen={setOpen}
            view={view}
            shown={shown}
            head={head}
            cycle={stored}
            latest={() => latest.current}
            past={past}
            hadOf={stand.hadOf}
            toCome={toCome.length}
            dayOf={dayOf}
            edit={edit}
            plan={plan}
            remove={() => void remove()}
          />
          {open === null && at && classOf(at.class) && (
            <CellPanel
              name={nameOf(at.row)}
              day={dayOf(at.class)}
              weekday={weekdayInWords(classOf(at.class)!.day)}
              minutes={drawn.minutes(at.row, at.class)}
              pinned={drawn.pinned.has(`${at.row} ${at.class}`)}
              over={isOver(at.class)}
              onMinutes={(more) => onMinutes(at, more)}
              onPin={() => onPin(at)}
              onNotOn={() => {
                const { day } = classOf(at.class)!;
                const now = latest.current;
                const notOn = (list: readonly number[]) => [...new Set([...list, weekdayOf(day)])].sort();
                edit(
                  { ...now, rows: now.rows.map((r) => (r.id === at.row ? { ...r, notOn: notOn(r.notOn) } : r)) },
                  `${nameOf(at.row)} not on ${weekdayInWords(day)}s`,
                );
              }}
              onClass={() => setOpen({ kind: 'class', id: at.class })}
              leave={() => setAt(null)}
            />
          )}
          <Found
            view={view}
            cycle={cycle}
            stand={stand}
            helps={helps}
            tried={planning.tried}
            working={planning.working}
            chosen={preview?.index ?? null}
            onHelp={(i) => {
              const h = helps[i]!;
              if (preview?.index === i) plan(h.cycle, 'since something was taken up');
              else setPreview({ index: i, cycle: h.cycle });
            }}
            nameOf={nameOf}
            dayOf={dayOf}
          />
        </aside>
      </div>
      <CyclePrint
        cycle={cycle}
        drawn={drawn}
        past={past}
        today={view.today}
        school={view.school}
        end={CYCLE_END_WORDS[cycle.end]}
      />
      <SaveState by={by} problem="" what="changes" />
    </>
  );
}
