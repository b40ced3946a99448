import { useMemo, type KeyboardEvent } from 'react';
import type { EverybodyView } from '../../../contracts/views';
import { capital, dateInWords, inWords, plural, READINESS, tenthsInWords } from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Belt } from '../../../kit/marks/Belt';
import { ChanceRule } from '../../../kit/marks/ChanceRule';
import { Lozenge } from '../../../kit/marks/Lozenge';
import { VerdictLegend } from '../../../kit/marks/VerdictLegend';
import { roving } from '../../../kit/roving';
import { useAsked } from '../../../kit/useAsked';
import { useByMissing } from './useByMissing';
import './Everybody.css';

/** "Who is ready?", of all belts: everybody against their own next belt, by what is missing; moved through by keys. */
export default function Everybody({ view }: { view: EverybodyView }) {
  const { view: said, wrong } = useAsked('chances', {});
  const chances = useMemo(() => said && new Map(said.rows.map((r) => [r.studentId, r])), [said]);
  const ordered = useByMissing(view.rows, chances, '.everybody tbody');
  const keys = (e: KeyboardEvent) => {
    const links = [...e.currentTarget.querySelectorAll<HTMLElement>('tbody a.who')];
    const row = links.indexOf(e.target as HTMLElement);
    roving(e, { row, column: 0 }, { rows: links.length }, ({ row }) => links[row]!.focus());
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>Who is ready?</h1>
          <p className="sub">
            {view.rows.length} {plural(view.rows.length, 'student')} against the next belt of each.{' '}
            {view.gradingDay && `Grading on ${dateInWords(view.gradingDay)}. `}
            {view.ranks.slice(0, -1).map((r, i) => (
              <span key={r.id}>
                {i > 0 && ' · '}
                <a href={`/students/ready?rank=${r.id}`}>{r.name}</a>
              </span>
            ))}
          </p>
        </div>
        <div className="actions no-print">
          <a className="button" href="/students">
            The whole roll
          </a>
        </div>
      </div>
      {wrong !== '' && <p className="message">The chances could not be fetched. {wrong}</p>}
      {view.rows.length === 0 && <p className="message">Nobody is on the roll who has a next belt.</p>}
      {view.rows.length > 0 && (
        <div className="scroll">
          <table className="list everybody" onKeyDown={keys}>
            <thead>
              <tr>
                <th>Missing</th>
                <th>Name</th>
                <th>For</th>
                <th>Asked</th>
                <th>First in the way</th>
                <th colSpan={2}>On the day</th>
                <th>Looks</th>
              </tr>
            </thead>
            <tbody>
              {READINESS.map((group) => {
                const rows = ordered.filter((r) => r.group === group);
                return rows.map((r, i) => {
                  const c = chances?.get(r.id);
                  return (
                    <tr key={r.id} className={i === 0 ? 'first' : ''}>
                      {i === 0 && (
                        <th rowSpan={rows.length} scope="rowgroup" className="group">
                          {capital(group)} <span className="second">{inWords(rows.length)}</span>
                        </th>
                      )}
                      <td>
                        <a className="who" href={`/students/${r.id}`}>
                          {r.name}
                        </a>
                      </td>
                      <td>
                        <span className="row">
                          <Belt name={r.next.name} cloth={r.next.cloth} width={40} height={12} /> {r.next.name}
                        </span>
                      </td>
                      <td>
                        <span className="row words" role="img" aria-label={r.missing}>
                          {r.words.map((w, k) => (
                            <Lozenge key={k} word={w} quiet size={0.8} />
                          ))}
                        </span>
                      </td>
                      <td className="second">{r.first}</td>
                      <td className="day">
                        {c ? tenthsInWords(c.chance) : chances ? 'too few looks' : wrong === '' ? '…' : ''}
                      </td>
                      <td>{c && <ChanceRule {...c} />}</td>
                      <td className="num">{r.looks}</td>
                    </tr>
                  );
                });
              })}
            </tbody>
          </table>
          <VerdictLegend />
        </div>
      )}
    </IslandRoot>
  );
}
