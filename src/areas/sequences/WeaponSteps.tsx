import ButtonBase from '@mui/material/ButtonBase';
import { useMemo } from 'react';
import { threeQuestions, type Body, type Sequence } from '../../core';
import { CutMark } from '../../kit/marks/CutMark';
import './WeaponSteps.css';

/** What is asked of each step with a weapon, worked out from the feet: it leaves the line, it faces them, it adds power. */
export function WeaponSteps({ read, body, onPick }: { read: Sequence; body: Body; onPick: (index: number) => void }) {
  const rows = useMemo(() => threeQuestions(read, body), [read, body]);
  if (rows.length === 0) return null;
  const pairs = rows.some((r) => r.lane === 'B');
  const mark = (yes: boolean, says: string) => (
    <td>
      <CutMark cut={yes ? 'held' : 'not seen'} />
      <span className="hidden">{yes ? says : 'no'}</span>
    </td>
  );
  return (
    <section aria-labelledby="weapon-steps" className="weapon-steps">
      <h2 id="weapon-steps">Steps with the weapon</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Count</th>
            <th scope="col">leaves the line</th>
            <th scope="col">faces them alone</th>
            <th scope="col">adds power</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={`${r.count} ${r.lane}`}>
              <th scope="row">
                <ButtonBase onClick={() => onPick(r.count - 1)} aria-label={`Count ${r.count}`}>
                  {r.count}
                  {pairs && ` ${r.lane}`}
                </ButtonBase>
              </th>
              {mark(r.left, 'leaves the line')}
              {mark(r.faces, 'faces them alone')}
              {mark(r.power, 'adds power')}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="second">
        {read.moves.some((m) => m.partner)
          ? 'From where both stand.'
          : 'Against somebody who faces you, an attack away.'}{' '}
        Not every count has to do all three.
      </p>
    </section>
  );
}
