import type { LookKitView } from '../../contracts/views';
import { atTheName, atTheNameInWords } from '../../core';
import type { KitStudent } from '../../kit/mat/line';

/** Of those who come: whose work rests, who is not to be thrown in with anybody, whose birthday opened the gate of a belt. */
export function ToMind({ kit, people }: { kit: LookKitView; people: readonly KitStudent[] }) {
  const rows = people.flatMap((s) => {
    const known = atTheName(s).filter((a) => a.kind !== 'minor');
    const birthday = s.cameOfAge ?? null;
    return known.length === 0 && birthday === null ? [] : [{ s, known, birthday }];
  });
  if (rows.length === 0) return null;
  return (
    <section aria-labelledby="mind-head">
      <h2 id="mind-head">To mind tonight</h2>
      <ul>
        {rows.map(({ s, known, birthday }) => (
          <li key={s.id} className="second">
            <b>{s.name}:</b>{' '}
            {known.map((a, i) => (
              <span key={i} className={a.kind === 'injury' ? 'hurts' : ''}>
                {i > 0 && '; '}
                {atTheNameInWords(a, kit.today)}
              </span>
            ))}
            {birthday !== null &&
              `${known.length > 0 ? '; ' : ''}old enough for ${birthday} since a birthday this week`}
          </li>
        ))}
      </ul>
    </section>
  );
}
