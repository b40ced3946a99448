import type { CycleView } from '../../contracts/views';
import {
  capital,
  countOf,
  dayInWords,
  helpInWords,
  pinTroubleInWords,
  WEEKDAYS,
  type Cycle,
  type Help,
} from '../../core';
import type { Stand } from './useStand';
import type { Tried } from './usePlanning';

/** So many are named; the rest is counted. */
const NAMED = 12;

/** What was found of a plan: pins that contradict, what is short, what would help, what moved, what lies apart, who comes. */
export function Found({
  view,
  cycle,
  stand,
  helps,
  tried,
  working,
  chosen,
  onHelp,
  nameOf,
  dayOf,
}: {
  view: CycleView;
  cycle: Cycle;
  stand: Stand;
  helps: readonly Help[];
  tried: ReadonlyMap<number, Tried>;
  working: 'planning' | 'trying' | null;
  /** The help that is tried out on the page. */
  chosen: number | null;
  onHelp: (index: number) => void;
  nameOf: (row: string) => string;
  dayOf: (cls: string) => string;
}) {
  const { shorts, moved, apart, bare, troubles, drawn } = stand;
  const movedCells = moved.cells.size + moved.gone.length;
  return (
    <>
      {troubles.length > 0 && (
        <section className="message attention">
          {troubles.map((t) => (
            <p key={`${t.row} ${t.class}`}>{pinTroubleInWords(t, nameOf(t.row), dayOf(t.class))}</p>
          ))}
        </section>
      )}
      {shorts.length > 0 && (
        <section>
          <h2 className="spread">
            Short{' '}
            <small>
              {stand.short} min of {stand.needs}
            </small>
          </h2>
          {shorts.slice(0, NAMED).map((r) => (
            <p key={r.id} className="sh">
              <span>{r.name}</span>
              <b>{r.short} min</b>
            </p>
          ))}
          {shorts.length > NAMED && <p className="second">and {shorts.length - NAMED} more rows</p>}
        </section>
      )}
      {helps.length > 0 && working !== 'planning' && (
        <section>
          <h2 className="spread">
            What would help <small>still short</small>
          </h2>
          <ul>
            {helps.map((h, i) => {
              const said = helpInWords(h, nameOf, view.today);
              const of = tried.get(i);
              return (
                <li key={`${h.kind} ${said.says}`}>
                  <button type="button" className="help" aria-pressed={chosen === i} onClick={() => onHelp(i)}>
                    <span>
                      {said.says}
                      <i>{chosen === i ? 'tap again to take it' : said.more}</i>
                    </span>
                    <b>{of ? `${of.short} min` : working === 'trying' ? '…' : ''}</b>
                  </button>
                </li>
              );
            })}
          </ul>
          {working === null && tried.size === 0 && <p className="second">“Plan again” tries each of them out.</p>}
        </section>
      )}
      {cycle.before && movedCells > 0 && (
        <section>
          <h2>{capital(cycle.before.why)}</h2>
          <p>
            {countOf(movedCells, 'cell')} moved in {countOf(moved.classes, 'class', 'classes')}
            {drawn.pinned.size > 0 ? `; ${countOf(drawn.pinned.size, 'pinned one')} stayed.` : '.'}
          </p>
        </section>
      )}
      {(apart.length > 0 || bare.length > 0) && (
        <section>
          <h2>Apart too long</h2>
          {apart.slice(0, NAMED / 2).map((a) => (
            <p key={`${a.row} ${a.from}`}>
              <b>{nameOf(a.row)}:</b> nothing from {dayInWords(cycle.classes[a.from]!.day, view.today)} to{' '}
              {dayInWords(cycle.classes[a.to]!.day, view.today)}.
            </p>
          ))}
          {apart.length > NAMED / 2 && <p className="second">and {apart.length - NAMED / 2} more</p>}
          {bare.slice(0, 3).map((c) => (
            <p key={c}>No basics on {dayOf(c)}.</p>
          ))}
        </section>
      )}
      <section>
        <h2 className="spread">
          Who comes <small>usually (from–to)</small>
        </h2>
        {view.usually.length === 0 && <p className="second">No class of the last weeks was noted.</p>}
        {view.usually.map((u) => (
          <p key={u.weekday} className="sh">
            <span>{WEEKDAYS[u.weekday]}</span>
            <span className="num">
              {u.middle} ({u.low}–{u.high})
            </span>
          </p>
        ))}
      </section>
    </>
  );
}
