import type { Choice } from '../../core';

/** Two staves joined at a slant: what stands is solid and lashed, what does not is only drawn. */
export function Scarf({ chosen }: { chosen: Choice | null }) {
  const left = chosen === 'theirs' || chosen === 'both';
  const right = chosen === 'mine' || chosen === 'both';
  const wood = (on: boolean) =>
    on
      ? { fill: 'var(--wood)', stroke: 'var(--wood-line)' }
      : { fill: 'none', stroke: 'var(--wood-line)', strokeDasharray: '3 3' };
  const cord = (x: number) => (
    <path
      d={[0, 6, 12, 18].map((d) => `M${x + d + 3} 1L${x + d} 19`).join('')}
      stroke="var(--pine)"
      strokeWidth="3"
      strokeLinecap="round"
    />
  );
  return (
    <svg width="150" height="20" viewBox="0 0 150 20" aria-hidden="true">
      <path d="M1 3H84L68 17H1Z" {...wood(left)} />
      <path d="M88 3H149V17H72Z" {...wood(right)} />
      {left && cord(22)}
      {right && cord(102)}
    </svg>
  );
}
