import ButtonBase from '@mui/material/ButtonBase';
import { useMemo, useState, type KeyboardEvent } from 'react';
import type { ReadinessView } from '../../../contracts/views';
import {
  countOf,
  READINESS,
  capital,
  dateInWords,
  inWords,
  missingInWords,
  plural,
  tenthsInWords,
} from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Belt } from '../../../kit/marks/Belt';
import { ChanceRule } from '../../../kit/marks/ChanceRule';
import { Lozenge, VerdictMark } from '../../../kit/marks/Lozenge';
import { Stick } from '../../../kit/marks/Stick';
import { VerdictLegend } from '../../../kit/marks/VerdictLegend';
import { roving } from '../../../kit/roving';
import { useAsked } from '../../../kit/useAsked';
import { firstName } from '../../../kit/words';
import { useByMissing } from './useByMissing';
import './Ready.css';

const GATE_HEADS = {
  'time in rank': (n: number) => `${n} ${plural(n, 'month')}`,
  classes: (n: number) => countOf(n, 'class', 'classes'),
  hours: (n: number) => `${n} hours`,
  age: (n: number) => `Age ${n}`,
  consent: () => 'Consent',
  'no open injury': () => 'No injury',
  'earlier ranks fresh': () => 'Still fresh',
};

/** "Who is ready?": everybody with one belt against all the next one asks, grouped by what is missing. */
export default function Ready({ view }: { view: ReadinessView }) {
  const [at, setAt] = useState(view.rows.find((r) => r.group !== 'nothing missing')?.id ?? view.rows[0]?.id);
  const [col, setCol] = useState<number | null>(null);
  const row = view.rows.find((r) => r.id === at);
  // Chances are simulated: the list stands at once and they come after it.
  const { view: said, wrong: noChances } = useAsked('chances', { rankId: view.rank.id });
  const chances = useMemo(() => said && new Map(said.rows.map((r) => [r.studentId, r])), [said]);
  // As they stand on the screen, also for the keys.
  const ordered = useByMissing(view.rows, chances, '.matrix tbody');
  const { view: student, wrong: noStudent } = useAsked('student', at ? { id: at } : null);
  const keys = (e: KeyboardEvent) => {
    if (e.key === 'Enter' && at) {
      e.preventDefault();
      location.assign(`/students/${at}`);
      return;
    }
    const now = { row: ordered.findIndex((r) => r.id === at), column: col ?? -1 };
    roving(e, now, { rows: ordered.length, columns: view.requirements.length }, ({ row, column }) => {
      if (column !== now.column) setCol(column);
      if (row === now.row) return;
      const { id } = ordered[row]!;
      setAt(id);
      document.getElementById(`row-${id}`)?.focus();
    });
  };
  const { next } = view;
  const below = view.ranks.filter((r) => r.id !== view.ranks.at(-1)?.id);
  const gateCount = view.gates.length;
  const missingBy = (i: number) => view.rows.filter((r) => r.words[i] !== 'met').length;
  const shutBy = (i: number) => view.rows.filter((r) => r.gates[i] !== 'met').length;
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>
            {next ? `Who is ready for ${next.name}?` : `Who wears ${view.rank.name}?`}{' '}
            {next && <Belt name={next.name} cloth={next.cloth} width={76} height={20} />}
          </h1>
          <p className="sub">
            {view.rows.length} {plural(view.rows.length, 'student wears', 'students wear')} {view.rank.name}.{' '}
            {below
              .filter((r) => r.id !== view.rank.id)
              .map((r, i) => (
                <span key={r.id}>
                  {i > 0 && ' · '}
                  <a href={`/students/ready?rank=${r.id}`}>{r.name}</a>
                </span>
              ))}
          </p>
        </div>
        <div className="actions no-print">
          <a className="button" href="/students/everybody">
            All belts
          </a>
          <a className="button" href="/students">
            The whole roll
          </a>
        </div>
      </div>
      {view.rows.length === 0 && <p className="message">Nobody wears {view.rank.name} just now.</p>}
      {next && view.requirements.length + gateCount === 0 && (
        <p className="message">
          {next.name} asks for nothing yet. <a href={`/syllabus?rank=${next.id}`}>Say what it asks</a>.
        </p>
      )}
      {view.rows.length > 0 && (
        <div className="columns ready">
          <div className="scroll">
            <table className="matrix" onKeyDown={keys}>
              <thead>
                <tr>
                  <th className="second" scope="col">
                    sorted by what is missing
                  </th>
                  <th className="second start" scope="col">
                    {view.rank.name} belts
                  </th>
                  {view.requirements.map((r, i) => (
                    <th
                      key={r.id}
                      scope="col"
                      className={`head${i > 0 && view.requirements[i - 1]!.kind !== r.kind ? ' gap' : ''}`}
                      title={`${r.name}, ${r.condition}`}
                    >
                      <span>{r.name.length > 21 ? `${r.name.slice(0, 20)}…` : r.name}</span>
                    </th>
                  ))}
                  {view.gates.map((g, i) => (
                    <th key={g.id} scope="col" className={`head gate${i === 0 ? ' gap' : ''}`}>
                      <span>{GATE_HEADS[g.kind](g.amount)}</span>
                    </th>
                  ))}
                  <th className="second start on-the-day" scope="col" colSpan={2}>
                    on the day
                  </th>
                  <th className="second" scope="col">
                    looks
                  </th>
                </tr>
              </thead>
              <tbody>
                {READINESS.map((group) => {
                  const rows = ordered.filter((r) => r.group === group);
                  return rows.map((r, i) => (
                    <tr key={r.id} className={`${r.id === at ? 'lit' : ''}${i === 0 ? ' first' : ''}`}>
                      {i === 0 && (
                        <th rowSpan={rows.length} scope="rowgroup" className="group">
                          {capital(group)}
                          <span className="second">{inWords(rows.length)}</span>
                        </th>
                      )}
                      <th scope="row">
                        <ButtonBase
                          id={`row-${r.id}`}
                          onClick={() => setAt(r.id)}
                          aria-pressed={r.id === at}
                          tabIndex={r.id === at ? 0 : -1}
                        >
                          {r.name}
                        </ButtonBase>
                      </th>
                      {r.words.map((w, k) => (
                        <td
                          key={view.requirements[k]!.id}
                          className={`${k > 0 && view.requirements[k - 1]!.kind !== view.requirements[k]!.kind ? 'gap' : ''}${r.id === at && k === col ? ' cell' : ''}`}
                        >
                          {w && <Lozenge word={w} quiet />}
                        </td>
                      ))}
                      {r.gates.map((w, k) => (
                        <td key={view.gates[k]!.id} className={k === 0 ? 'gap' : ''}>
                          {w && <Lozenge word={w} quiet />}
                        </td>
                      ))}
                      {chances === null ? (
                        <td colSpan={2} className="second day">
                          …
                        </td>
                      ) : chances.has(r.id) ? (
                        <>
                          <td className="day">{tenthsInWords(chances.get(r.id)!.chance)}</td>
                          <td>
                            <ChanceRule {...chances.get(r.id)!} />
                          </td>
                        </>
                      ) : (
                        <td colSpan={2} className="second day">
                          too few looks
                        </td>
                      )}
                      <td className="num looks">{r.looks}</td>
                    </tr>
                  ));
                })}
              </tbody>
              <tfoot>
                <tr>
                  <th />
                  <th className="second start" scope="row">
                    not yet met by
                  </th>
                  {view.requirements.map((r, i) => (
                    <td key={r.id} className={`num${i > 0 && view.requirements[i - 1]!.kind !== r.kind ? ' gap' : ''}`}>
                      {missingBy(i)}
                    </td>
                  ))}
                  {view.gates.map((g, i) => (
                    <td key={g.id} className={`num${i === 0 ? ' gap' : ''}`}>
                      {shutBy(i)}
                    </td>
                  ))}
                  <td colSpan={3} />
                </tr>
              </tfoot>
            </table>
            <VerdictLegend />
          </div>
          <aside>
            {(noStudent || noChances) && <p className="message">{noStudent || noChances}</p>}
            {row && student && student.student.id === row.id && (
              <section className="sheet no-print" aria-live="polite">
                <div className="spread">
                  <h2>{row.name}</h2>
                  <Belt name={view.rank.name} cloth={view.rank.cloth} width={52} height={15} />
                </div>
                <p className="second">
                  {row.age === null ? 'Date of birth unknown' : `${capital(inWords(row.age))}`}. {view.rank.name} since{' '}
                  {dateInWords(row.since)}.
                </p>
                <p className="serif said">{student.answer}</p>
                {student.requirements
                  .filter((r) => (col === null ? r.word !== 'met' : r.id === view.requirements[col]?.id))
                  .slice(0, 3)
                  .map((r) => (
                    <div key={r.id} className="line py-2">
                      <p className="row gap-4">
                        <VerdictMark word={r.word} /> <b>{r.name}</b>
                      </p>
                      <div className="indented">
                        {r.sticks.map((s) => (
                          <Stick key={s.side} marks={s.marks} side={s.side} width={138} height={13} />
                        ))}
                      </div>
                      <p className="second">{r.reason}</p>
                    </div>
                  ))}
                <p className="line second pt-2">
                  {capital(
                    missingInWords(
                      row.words.filter((w) => w !== null),
                      row.gates.filter((g) => g === 'short').length,
                    ),
                  )}
                  .
                </p>
                {student.chance && (
                  <div className="line py-2">
                    <p className="spread">
                      <b>On the day</b> <span className="second">from {countOf(student.chance.looks, 'look')}</span>
                    </p>
                    <ChanceRule {...student.chance} width={260} height={22} scale />
                    <p className="second">{capital(student.chance.words)}, gates aside.</p>
                  </div>
                )}
                <div className="row no-print mt-3">
                  <a className="button" href={`/students/${row.id}`}>
                    {firstName(row.name)}’s page
                  </a>
                  <a className="button" href={`/look?student=${row.id}`}>
                    Look at {firstName(row.name)}
                  </a>
                </div>
                <p className="second no-print mt-3">↑ ↓ person, ← → requirement, Enter opens the page</p>
              </section>
            )}
          </aside>
        </div>
      )}
    </IslandRoot>
  );
}
