import type { StoreView, ThingShown } from '../../contracts/views';
import { checkSiting, outlineOf, workRoomOf, sitingInWords, type Sited } from '../../core';

/** For whom room is kept where nobody’s stature is known, in metres (ours). */
const TALL = 1.85;
const MARGIN = 0.4;

/** What stands in a hall, one by one. */
const sitedIn = (hallId: string, things: readonly ThingShown[]): Sited[] =>
  things
    .filter((t) => t.hallId === hallId)
    .flatMap((t) =>
      t.stands.map((stand, i) => ({
        name: t.name,
        shape: t.shape,
        soft: t.serves === 'mats' || t.shape === 'mat',
        stand,
        no: i + 1,
      })),
    );

/** Where things stand: each hall in which something has its place, from above, with what is in whose way. */
export function HallPlans({ view, things }: { view: StoreView; things: readonly ThingShown[] }) {
  const stature = view.tallest ?? TALL;
  const halls = view.halls.map((h) => ({ ...h, sited: sitedIn(h.id, things) })).filter((h) => h.sited.length > 0);
  if (halls.length === 0) return null;
  return (
    <section className="hall-plans" aria-labelledby="hall-plans">
      <h2 id="hall-plans">Where it stands</h2>
      {halls.map((h) => {
        const faults = checkSiting(h.sited, h, stature);
        const amiss = new Set(faults.flatMap((f) => (f.kind === 'apart' ? [f.of, f.other] : [f.of])));
        return (
          <figure key={h.id}>
            <svg
              viewBox={`${-MARGIN} ${-MARGIN} ${h.width + 2 * MARGIN} ${h.depth + 2 * MARGIN}`}
              role="img"
              aria-label={`${h.name} from above, ${h.width} by ${h.depth} metres, its front wall at the top: ${h.sited.map((s) => `${s.name} ${s.stand.x} metres from the left and ${s.stand.y} from the front`).join('; ')}`}
            >
              <rect width={h.width} height={h.depth} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="0.06" />
              {h.sited.map((s, i) => {
                const reach = workRoomOf(s.shape, stature);
                const wrong = amiss.has(s);
                return (
                  <g key={i}>
                    {reach && (
                      <polygon
                        points={outlineOf(s.stand, reach)
                          .map((p) => `${p.x.toFixed(3)},${p.y.toFixed(3)}`)
                          .join(' ')}
                        fill={wrong ? 'var(--lacquer)' : 'var(--pine)'}
                        fillOpacity="0.16"
                        stroke={wrong ? 'var(--lacquer)' : 'var(--pine)'}
                        strokeWidth="0.04"
                        strokeDasharray={wrong ? undefined : '0.16 0.1'}
                      />
                    )}
                    <rect
                      x={s.stand.x - 0.12}
                      y={s.stand.y - 0.12}
                      width="0.24"
                      height="0.24"
                      fill={s.soft ? 'none' : 'var(--ink)'}
                      stroke="var(--ink)"
                      strokeWidth="0.04"
                    />
                    <text
                      x={s.stand.x + 0.22}
                      y={s.stand.y + (s.stand.faces === 'front' ? 0.5 : -0.18)}
                      fontSize="0.5"
                      fill="var(--ink)"
                    >
                      {s.no > 1 ? `${s.name} ${s.no}` : s.name}
                    </text>
                  </g>
                );
              })}
            </svg>
            <figcaption>
              <p>
                <b>{h.name}</b>, {h.width} by {h.depth} m; the front wall is at the top. Room is kept for somebody of{' '}
                {Math.round(stature * 100)} cm.
              </p>
              {faults.length === 0 ? (
                <p>Everything has its room.</p>
              ) : (
                <ul>
                  {faults.map((f, i) => (
                    <li key={i} className="line py-1">
                      {sitingInWords(f)}
                    </li>
                  ))}
                </ul>
              )}
            </figcaption>
          </figure>
        );
      })}
    </section>
  );
}
