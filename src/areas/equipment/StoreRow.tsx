import type { RankShown, ThingShown } from '../../contracts/views';
import { clockInWords, dayInWords, nextCheck, pieceState, shortBy, statesInWords, type NeedAt } from '../../core';
import { Belt } from '../../kit/marks/Belt';
import { PieceMark } from './PieceMark';

/** So many are drawn; a hall full of mats is said in numbers. */
const DRAWN = 40;
const DOTS = 14;

/** One kind of equipment: all its pieces, how they stand, who may use it, by when it is looked over, what tonight takes. */
export function StoreRow({
  of,
  today,
  rank,
  needs,
  chosen,
  onChoose,
}: {
  of: ThingShown;
  today: string;
  rank: RankShown | undefined;
  needs: readonly NeedAt[];
  chosen: boolean;
  onChoose: () => void;
}) {
  const check = nextCheck(of);
  const short = needs.filter((n) => shortBy(n) > 0);
  const most = [...needs].sort((a, b) => shortBy(b) - shortBy(a) || b.wanted - a.wanted)[0];
  return (
    <tr className={`${chosen ? 'chosen' : ''}${short.length > 0 ? ' short' : ''}`}>
      <th scope="row">
        <button type="button" aria-pressed={chosen} data-thing={of.id} onClick={onChoose}>
          <b>{of.name}</b>
          <span className="second">{of.about}</span>
        </button>
      </th>
      <td className={`pieces${of.shape === 'mat' ? ' low' : ''}`}>
        {of.pieces.slice(0, DRAWN).map((p) => (
          <PieceMark key={p.id} shape={of.shape} state={pieceState(p, today)} />
        ))}
        {of.pieces.length > DRAWN && <span className="second">and {of.pieces.length - DRAWN} more</span>}
      </td>
      <td>{statesInWords(of, today)}</td>
      <td>
        <span className="from">
          {rank && <Belt name={rank.name} cloth={rank.cloth} width={34} height={11} />}
          <span className="second">{of.fromAge !== null ? `from ${of.fromAge}` : rank ? '' : 'everybody'}</span>
        </span>
      </td>
      <td className={check !== null && check < today ? 'late' : ''}>
        {check === null ? <span className="second">no</span> : dayInWords(check, today)}
        {check !== null && check < today && <small> overdue</small>}
      </td>
      <td>
        {most ? (
          <>
            <svg className="dots" width={Math.min(DOTS, most.wanted) * 11 + 2} height="12" aria-hidden="true">
              {Array.from({ length: Math.min(DOTS, most.wanted) }, (_, i) => (
                <circle
                  key={i}
                  cx={i * 11 + 6}
                  cy="6"
                  r="4.4"
                  fill={i < most.there ? 'var(--ink)' : 'none'}
                  stroke="var(--ink)"
                  strokeWidth="1.3"
                />
              ))}
            </svg>
            <span className="second">
              {clockInWords(most.need.at)}{' '}
              {shortBy(most) > 0 ? <b className="hurts">{shortBy(most)} short</b> : 'enough'}
            </span>
          </>
        ) : (
          <span className="second">not tonight</span>
        )}
      </td>
    </tr>
  );
}
