import { low } from '../../core';
import type { LookKitView } from '../../contracts/views';
import { lookFromHere } from '../../kit/mat/backToClass';
import type { KitItem } from '../../kit/mat/line';
import { Belt } from '../../kit/marks/Belt';
import { Lozenge } from '../../kit/marks/Lozenge';
import { addressOf, type LookInBlock } from './worth';

/** One look worth taking: whom or the line, at what, why, and the way to it. */
export function LookLine({
  kit,
  items,
  found,
  bar,
  mat = false,
}: {
  kit: LookKitView;
  items: readonly KitItem[];
  found: LookInBlock;
  bar: boolean;
  mat?: boolean;
}) {
  const { look, reason } = found;
  const item = items.find((i) => i.key === look.itemKey);
  const point = item?.technique?.points.find((p) => p.id === look.pointId);
  const student = look.kind === 'card' ? kit.students.find((s) => s.id === look.studentIds[0]) : undefined;
  const rank = kit.ranks.find((r) => r.id === student?.rankId);
  const side = look.side === null || look.side === 'none' ? '' : `, ${look.side}`;
  const what = look.kind === 'sweep' ? `${item?.name ?? ''}: ${low(point?.name ?? '')}${side}` : (item?.name ?? '');
  const who = look.kind === 'sweep' ? 'The line' : (student?.name ?? '');
  return (
    <li className={`look-line${bar ? ' pine-bar' : ''}`}>
      {look.kind === 'sweep' ? (
        <svg width="40" height="16" viewBox="0 0 40 16" aria-hidden="true">
          {[4, 11, 18, 25, 32].map((x) => (
            <path key={x} d={`M${x} 2V14`} stroke="var(--ink)" strokeWidth="2.6" strokeLinecap="round" />
          ))}
        </svg>
      ) : (
        rank && <Belt name={rank.name} cloth={rank.cloth} width={mat ? 54 : 40} height={mat ? 17 : 13} />
      )}
      <a href={addressOf(found)} onClick={lookFromHere}>
        <b>{who}</b> {what}
        <span title={reason}>
          {look.hurts && <span className="hurts">Can hurt. </span>}
          {reason}
        </span>
      </a>
      {mat ? (
        <a className="button" href={addressOf(found)} onClick={lookFromHere}>
          {look.kind === 'sweep' ? 'Sweep' : 'Card'}
          <span className="hidden">
            {' '}
            {who} {what}
          </span>
        </a>
      ) : (
        <span className="word">
          {look.kind === 'sweep' ? (
            'sweep'
          ) : look.word ? (
            <>
              <Lozenge word={look.word} /> {look.word}
            </>
          ) : null}
        </span>
      )}
    </li>
  );
}
