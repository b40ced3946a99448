import { useId } from 'react';

/** Where a figure may lie, hatched, with what was counted as a thick line; a scribe at each end, and in the middle if asked. */
export function Range({
  lo,
  hi,
  at,
  from,
  to,
  middle = false,
}: {
  lo: number;
  hi: number;
  at: number;
  from: number;
  to: number;
  middle?: boolean;
}) {
  const id = useId();
  const x = (v: number) => 4 + 152 * ((Math.max(from, Math.min(to, v)) - from) / (to - from));
  return (
    <svg
      width="160"
      height="18"
      viewBox="0 0 160 18"
      role="img"
      aria-label={`${at.toFixed(2)}, from ${lo.toFixed(2)} to ${hi.toFixed(2)}`}
    >
      <defs>
        <pattern id={id} width="3.6" height="3.6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 1.8H3.6" stroke="var(--ink)" strokeWidth="1.1" />
        </pattern>
      </defs>
      <path d="M4 15H156M4 12V17M156 12V17" stroke="var(--ink2)" fill="none" />
      {middle && <path d={`M${x((from + to) / 2)} 2V17`} stroke="var(--ink2)" strokeDasharray="2 3" />}
      <rect x={x(lo)} y="4" width={Math.max(2, x(hi) - x(lo))} height="9" fill={`url(#${id})`} stroke="var(--ink2)" />
      <path d={`M${x(at)} 2V15`} stroke="var(--ink)" strokeWidth="3" />
    </svg>
  );
}
