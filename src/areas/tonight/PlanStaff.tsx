import { clockInWords, type ClassPlan } from '../../core';

const r1 = (n: number) => Math.round(n * 10) / 10;

/** The staff on which an evening is ruled: a notch every minute, a longer one every five, a lashing where a block ends. */
export function PlanStaff({ plan, scale, heights }: { plan: ClassPlan; scale: number; heights: readonly number[] }) {
  const total = heights.reduce((n, h) => n + h, 0);
  const notches: string[] = [];
  const lashes: { y: number; at: number }[] = [];
  let y = 0;
  let at = plan.starts;
  plan.blocks.forEach((b, i) => {
    const px = heights[i]! / b.minutes;
    for (let m = 1; m < b.minutes; m += 1) {
      const long = (at + m - plan.starts) % 5 === 0;
      if (scale >= 3 || long) notches.push(`M15 ${r1(y + m * px)}h${long ? -7 : -3.5}`);
    }
    lashes.push({ y, at });
    y += heights[i]!;
    at += b.minutes;
  });
  const lash = (cy: number) => [-4, 0, 4].map((d) => `M-2 ${r1(cy + d + 2)}L18 ${r1(cy + d - 1.5)}`).join('');
  return (
    <svg className="plan-staff" width="76" height={total + 20} viewBox={`-56 -8 76 ${total + 20}`} aria-hidden="true">
      <rect x="1" y="0" width="14" height={total} rx="6" fill="var(--wood)" stroke="var(--wood-line)" />
      <path d={notches.join('')} stroke="var(--wood-line)" strokeWidth="1" />
      {lashes.map((l, i) => (
        <g key={i}>
          {i > 0 && <path d={lash(l.y)} stroke="var(--wood-line)" strokeWidth="2.2" />}
          <text x="-12" y={l.y + (i === 0 ? 10 : 5)} textAnchor="end" fontSize="14" fill="var(--ink2)">
            {clockInWords(l.at)}
          </text>
        </g>
      ))}
      <text x="-12" y={total + 4} textAnchor="end" fontSize="14" fill="var(--ink2)">
        {clockInWords(at)}
      </text>
    </svg>
  );
}
