import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { memo, useMemo, useState } from 'react';
import type { SyllabusView } from '../../contracts/views';
import { coverage, FAMILIES, ZONES, type ItemFacts, type Syllabus } from '../../core';
import { FamilyMark } from './small';
import './Coverage.css';

/** Zone by side by family, for the whole way or one belt, in all conditions or one. What nobody asks for is boxed. */
export const Coverage = memo(function Coverage({
  view,
  syllabus,
  factsOf,
}: {
  view: Pick<SyllabusView, 'ranks' | 'conditions'>;
  syllabus: Syllabus;
  factsOf: (key: string) => ItemFacts | undefined;
}) {
  const [rankId, setRank] = useState('');
  const [conditionId, setCondition] = useState('');
  const cells = useMemo(() => coverage(syllabus, factsOf, rankId || null), [syllabus, factsOf, rankId]);
  const count = (c: (typeof cells)[number]) =>
    conditionId === '' ? c.requirements : (c.byCondition[conditionId] ?? 0);
  const sides = ['left', 'right'] as const;
  return (
    <section className="coverage">
      <div className="spread">
        <h2>Coverage</h2>
        <span className="second">boxed: no belt asks for it</span>
      </div>
      <table>
        <thead>
          <tr>
            <th />
            {FAMILIES.map((f) => (
              <th key={f} colSpan={2} scope="colgroup">
                {f}
              </th>
            ))}
          </tr>
          <tr>
            <th />
            {FAMILIES.flatMap((f) =>
              sides.map((s) => (
                <th key={`${f} ${s}`} scope="col">
                  <FamilyMark family={f} side={s} />
                  <span className="hidden">
                    {f} {s}
                  </span>
                </th>
              )),
            )}
          </tr>
        </thead>
        <tbody>
          {ZONES.map((z) => (
            <tr key={z}>
              <th scope="row">{z}</th>
              {FAMILIES.flatMap((f) =>
                sides.map((s) => {
                  const n = count(cells.find((c) => c.family === f && c.zone === z && c.side === s)!);
                  return (
                    <td key={`${f} ${s}`} className="num">
                      <span className={n === 0 ? 'none' : ''}>{n}</span>
                    </td>
                  );
                }),
              )}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="two">
        <TextField id="coverage-rank" label="Belt" select value={rankId} onChange={(e) => setRank(e.target.value)}>
          <MenuItem value="">all belts</MenuItem>
          {view.ranks.map((r) => (
            <MenuItem key={r.id} value={r.id}>
              {r.name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          id="coverage-condition"
          label="Condition"
          select
          value={conditionId}
          onChange={(e) => setCondition(e.target.value)}
        >
          <MenuItem value="">all conditions</MenuItem>
          {view.conditions.map((c) => (
            <MenuItem key={c.id} value={c.id}>
              {c.name}
            </MenuItem>
          ))}
        </TextField>
      </div>
    </section>
  );
});
