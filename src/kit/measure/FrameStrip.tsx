import type { Gap, FrameTimes } from '../../core';
import { FrameCanvas } from './FrameCanvas';
import type { FrameReader } from './openClip';

const SHOWN = 9;
const WIDE = 1000;

/** The frames about both pegs, every so many, over a ruler; the pegs stand on it with their widths. */
export function FrameStrip({
  times,
  gaps,
  read,
}: {
  times: FrameTimes;
  gaps: readonly { gap: Gap; round: boolean }[];
  read: FrameReader;
}) {
  const [lo, hi] = [Math.min(...gaps.map((g) => g.gap.last)), Math.max(...gaps.map((g) => g.gap.first))];
  // In steps, so that one frame on or back does not draw all anew.
  const step = Math.max(1, Math.ceil((hi - lo + 4) / (SHOWN - 1)));
  const span = Math.min(times.length - 1, step * (SHOWN - 1));
  const from = Math.min(times.length - 1 - span, Math.max(0, Math.floor((lo - 2) / step) * step));
  const shown = [...new Set(Array.from({ length: SHOWN }, (_, i) => Math.min(times.length - 1, from + i * step)))];
  const x = (frame: number) => ((frame - from + step / 2) / (step * SHOWN)) * WIDE;
  return (
    <div className="frame-strip" aria-hidden="true">
      <div className="frame-row">
        {shown.map((f) => (
          <figure key={f}>
            <FrameCanvas read={read} frame={f} label="" />
            <figcaption className="num">{f + 1}</figcaption>
          </figure>
        ))}
      </div>
      <svg viewBox={`0 0 ${WIDE} 42`}>
        <rect x="0" y="14" width={WIDE} height="12" fill="var(--wood)" />
        {Array.from({ length: span + 1 }, (_, i) => (
          <path key={i} d={`M${x(from + i)} 14v${i % step === 0 ? 12 : 6}`} stroke="var(--on-wood)" strokeWidth="1" />
        ))}
        {gaps.map(({ gap, round }, i) => {
          const [a, b] = [x(gap.last), x(gap.first)];
          const mid = (a + b) / 2;
          return (
            <g key={i} stroke="var(--pine)" strokeWidth="3" fill="none">
              <path d={`M${a} 20H${b}M${a} 14V26M${b} 14V26M${mid} 6V40`} />
              {round ? (
                <circle cx={mid} cy="6" r="5" fill="var(--pine)" />
              ) : (
                <rect x={mid - 7} y="2" width="14" height="6" fill="var(--pine)" />
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}
