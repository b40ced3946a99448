import Button from '@mui/material/Button';
import type { LoadView } from '../../../contracts/views';
import {
  capital,
  countOf,
  dayInWords,
  LADDER_WORK,
  limbInWords,
  loadWhyInWords,
  singleFrom,
  snaps,
  stopEndInWords,
  stopInWords,
  type Ladder,
} from '../../../core';
import type { Limb } from './limbs';

/** One limb’s number as a notched lath, with its reason. */
export function NextOf({
  limb: { next, side, walk },
  ladder,
  view,
  onLift,
}: {
  limb: Limb;
  ladder: Ladder;
  view: LoadView;
  onLift: ((what: 'lifted' | 'single') => void) | null;
}) {
  const { rule, today } = view;
  const unsaid = walk.days.at(-1)?.asked === false ? ' Of the last time nothing was said: that counts as fine.' : '';
  const heavy = singleFrom(walk, rule);
  const allowed = view.singles.some((s) => s.ladder === ladder && (s.side === side || s.side === 'none'));
  return (
    <div className="next-of">
      <p>
        <b className="num">{next.number}</b> {side === 'none' ? LADDER_WORK[ladder] : side}
        {next.snap && next.number > 0 && <span className="second"> with the snap back</span>}
      </p>
      <svg width="100%" height="30" viewBox="0 0 250 30" preserveAspectRatio="none" aria-hidden="true">
        {next.number > 0 ? (
          <path
            d={lathPath(Math.min(next.number, 80))}
            fill={side === 'left' ? 'var(--sheet)' : 'var(--wood)'}
            stroke="var(--wood-line)"
            strokeWidth="1.3"
          />
        ) : (
          [6, 13, 20, 26].map((y) => (
            <g key={y}>
              <path d={`M0 ${y}L100 ${y - 2}`} stroke="var(--wood-line)" strokeWidth="5.4" />
              <path d={`M0 ${y}L100 ${y - 2}`} stroke="var(--cloth)" strokeWidth="3.6" />
            </g>
          ))
        )}
      </svg>
      {next.stop ? (
        <>
          <p className="second">
            <b>Stopped:</b> {stopInWords(next.stop, ladder, side)}, {dayInWords(next.stop.since, today)}.{' '}
            {stopEndInWords(next.stop, next.then, rule, today)}
          </p>
          {onLift && (
            <Button className="no-print" onClick={() => onLift('lifted')}>
              Lift it for the {limbInWords(ladder, side)}
            </Button>
          )}
        </>
      ) : (
        <p className="second">
          <b>Why:</b>{' '}
          {next.weekUntil === null
            ? `${loadWhyInWords(next.why)}${unsaid}`
            : `${capital(countOf(rule.perWeek, 'day'))} of the last seven were worked on: on with ${next.then} from ${dayInWords(next.weekUntil, today)}.`}
        </p>
      )}
      {snaps(ladder) && !next.stop && (
        <p className="second">
          {allowed
            ? 'Single heavy blows: the head instructor has said yes.'
            : heavy && heavy <= today
              ? 'Single heavy blows: long enough on it, if the head instructor says so.'
              : `Single heavy blows: not yet${heavy ? `, ${dayInWords(heavy, today)} at the earliest, and only if the head instructor says so` : ''}.`}{' '}
          {!allowed && heavy && heavy <= today && onLift && (
            <Button variant="text" className="no-print" onClick={() => onLift('single')}>
              Allow them
            </Button>
          )}
        </p>
      )}
    </div>
  );
}

function lathPath(n: number): string {
  const u = 250 / 82;
  const notches = Array.from({ length: Math.floor((n - 1) / 10) }, (_, i) => (i + 1) * 10 * u)
    .map((x) => `L${Math.round(x - 7)} 1L${Math.round(x)} 18L${Math.round(x + 7)} 1`)
    .join('');
  return `M1 29V1${notches}L${Math.round(Math.max(8, n * u))} 1V29Z`;
}
