import { useMemo } from 'react';
import { allRuns, listInWords, threeQuestions, type Body, type Sequence, type ThreeQuestions } from '../../core';
import { CutMark } from '../../kit/marks/CutMark';

const QUESTIONS = [
  ['left', 'leaves the line'],
  ['faces', 'faces them while they do not face it'],
  ['power', 'adds power'],
] as const satisfies readonly (readonly [keyof ThreeQuestions, string])[];

/** What is asked of each step with a weapon, worked out from the feet, and in which counts the answer is yes. */
export function WeaponSteps({ read, body, lit }: { read: Sequence; body: Body; lit: number | null }) {
  const rows = useMemo(() => threeQuestions(read, body), [read, body]);
  if (rows.length === 0) return null;
  const pairs = rows.some((r) => r.lane === 'B');
  const at = lit === null ? [] : rows.filter((r) => r.count === lit + 1);
  return (
    <section aria-labelledby="weapon-steps">
      <h2 id="weapon-steps">Steps with the weapon</h2>
      <ul className="checks">
        {QUESTIONS.map(([key, says]) => {
          const yes = [...new Set(rows.filter((r) => r[key]).map((r) => r.count))];
          return (
            <li key={key}>
              <CutMark cut={at.some((r) => r[key]) ? 'held' : 'not seen'} />
              <div>
                {says}: {yes.length === 0 ? 'in none of them' : `in ${listInWords(allRuns(yes))}`}
                {at.length > 0 && <b>{at.some((r) => r[key]) ? `; ${lit! + 1} does` : `; ${lit! + 1} does not`}</b>}
              </div>
            </li>
          );
        })}
      </ul>
      <p className="second">
        {pairs || read.moves.some((m) => m.partner)
          ? 'From where both stand.'
          : 'Against somebody who faces it, an attack away.'}{' '}
        Not every count has to do all three.
      </p>
    </section>
  );
}
