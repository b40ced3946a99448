import type { PointShown } from '../../contracts/views';
import { RuleMark } from '../../kit/marks/small';
import { Stick } from '../../kit/marks/Stick';

/** What is accepted is hatched, what is wanted solid. */
export function Hatched({ solid = false }: { solid?: boolean }) {
  return (
    <svg width="23" height="9" viewBox="0 0 23 9" aria-hidden="true">
      <rect x=".5" y=".5" width="22" height="8" fill={solid ? 'var(--ink)' : 'var(--pale-wood)'} stroke="var(--ink)" />
      {!solid && <path d="M2 8.5l6-8M7 8.5l6-8M12 8.5l6-8M17 8.5l5-7" stroke="var(--ink)" strokeWidth="1.1" />}
    </svg>
  );
}

/** How a point is known, as a mark: a rule with its ranges, hits, words, or a notch. */
export function How({ point, values }: { point: PointShown; values: readonly number[] }) {
  if (point.kind === 'measured' && point.accepted && point.unit)
    return <RuleMark accepted={point.accepted} wanted={point.wanted} unit={point.unit} values={values} />;
  if (point.kind === 'counted')
    return (
      <svg width="53" height="18" viewBox="0 0 53 18" aria-hidden="true">
        <rect x=".5" y="1.5" width="52" height="15" rx="2" fill="var(--pale-wood)" stroke="var(--wood-line)" />
        <circle cx="11" cy="9" r="4.6" fill="var(--ink)" />
        <circle cx="26" cy="9" r="4.6" fill="var(--ink)" />
        <circle cx="41" cy="9" r="4" fill="none" stroke="var(--ink)" strokeWidth="1.5" />
      </svg>
    );
  if (point.kind === 'felt') return <span className="second">told by the receiver</span>;
  return (
    <span aria-hidden="true">
      <Stick marks={['H']} side="none" width={22} height={14} />
    </span>
  );
}
