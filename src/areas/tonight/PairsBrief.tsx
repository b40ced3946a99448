import type { LookKitView } from '../../contracts/views';
import { listInWords, unpairedInWords } from '../../core';
import { Cord } from './Cord';
import { oddPlaceOf } from './oddPlaceOf';
import type { ShownRound } from './useRounds';

/** The pairs of one round in brief: names, cord, and who has nobody with why. */
export function PairsBrief({ kit, shown }: { kit: LookKitView; shown: ShownRound }) {
  const of = new Map(kit.students.map((s) => [s.id, s]));
  const name = (id: string) => of.get(id)?.name.split(' ')[0] ?? 'somebody';
  const pairs = shown.called ?? shown.proposed.pairs;
  return (
    <>
      <ul className="pairs-brief">
        {pairs.map((p) => (
          <li key={`${p.a} ${p.b}`}>
            <span>{name(p.a)}</span>
            <Cord rung={p.rung} agreed={shown.called !== null} />
            <span>{listInWords([name(p.b), ...(p.c ? [name(p.c)] : [])])}</span>
            <span className="second">{p.rung === 0 ? 'no contact' : `rung ${p.rung}`}</span>
          </li>
        ))}
      </ul>
      {shown.proposed.alone.map((u) => {
        const { why, allows } = unpairedInWords(
          u,
          of.get(u.id)?.minor ?? true,
          oddPlaceOf(kit, of.get(u.id), shown.round),
        );
        return (
          <p key={u.id} className="second">
            <b>{name(u.id)}:</b> {why}. Allowed by: {allows}.
          </p>
        );
      })}
    </>
  );
}
