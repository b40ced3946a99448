import type { AtTheName } from '../../core';

/** The mark of what stands at a name; always with its word. */
export function NameMark({ kind }: { kind: AtTheName['kind'] }) {
  const hurt = kind === 'injury' || kind === 'no contact';
  const ink = hurt ? 'var(--lacquer)' : 'var(--ink2)';
  return (
    <svg className="name-mark" width="18" height="14" viewBox="0 0 18 14" aria-hidden="true">
      {kind === 'injury' || kind === 'pause' ? (
        // What rests is wound with cord.
        <path d="M2 4L16 2.4M2 7.8L16 6.2M2 11.6L16 10" stroke={ink} strokeWidth="2" strokeLinecap="round" />
      ) : kind === 'minor' ? (
        // One who reaches up to another.
        <path d="M5 13V6.5M12 13V1.5" stroke={ink} strokeWidth="3" strokeLinecap="round" />
      ) : (
        // A rung that hangs from one end.
        <path
          d="M3 1V13M15 1V13M3.6 4.4L13 9.4"
          stroke={ink}
          strokeWidth="1.8"
          strokeLinecap="round"
          strokeDasharray={kind === 'no consent' ? undefined : '2.4 2.6'}
        />
      )}
    </svg>
  );
}

/** Wood that is wound with cord: nothing is to be cut there. */
export function Corded({ width, height }: { width: number; height: number }) {
  const turns = Math.floor((height - 6) / 6.5);
  return (
    <svg className="corded" width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      {Array.from({ length: turns }, (_, n) => {
        const y = 6 + n * 6.5;
        return <path key={n} d={`M1 ${y + 2}L${width - 1} ${y - 2}`} stroke="var(--cloth)" strokeWidth="4.4" />;
      })}
    </svg>
  );
}
