export type Cut = 'held' | 'slipped' | 'not seen' | 'corded';
const WORD = { held: 'held', slipped: 'slipped', 'not seen': 'not seen' } as const;

/** One board along the line; its right edge takes the notches. A cord is wound where nobody is to be marked. */
export function Board({
  cuts,
  row = 62,
  width = 240,
  words,
}: {
  cuts: readonly Cut[];
  row?: number;
  width?: number;
  words: readonly string[];
}) {
  const h = row * cuts.length;
  const w = width;
  const k = width / 240;
  const edge = cuts
    .map((c, i) => {
      const y = i * row + row / 2;
      if (c === 'held') return `L${w} ${y - 20}L${w - 72 * k} ${y}L${w} ${y + 20}`;
      if (c !== 'slipped') return '';
      const reach = k < 0.8 ? k * 0.75 : k;
      const p = (dx: number, dy: number) => `L${w - dx * reach} ${y + dy}`;
      return `L${w} ${y - 20}${p(30, -3)}${p(52, -11)}${p(84, 3)}${p(106, -5)}${p(134, 5)}${p(104, 3)}${p(82, 13)}${p(50, 1)}${p(28, 9)}L${w} ${y + 20}`;
    })
    .join('');
  const outline = `M6 0H${w - 6}Q${w} 0 ${w} 6${edge}L${w} ${h - 6}Q${w} ${h} ${w - 6} ${h}H6Q0 ${h} 0 ${h - 6}V6Q0 0 6 0Z`;
  const grain = [14, 38, 60, 92, 121, 140, 171, 203, 222].map((x, i) => {
    const o = (i * 37) % 83;
    return `M${x * k} ${o}C${x * k + 5} ${h * 0.3 + o} ${x * k - 6} ${h * 0.6} ${x * k + 2} ${h - o * 0.6}`;
  });
  return (
    <svg className="board" width={w + 12} height={h + 8} viewBox={`-6 -4 ${w + 12} ${h + 8}`} aria-hidden="true">
      <defs>
        <clipPath id="board-edge">
          <path d={outline} />
        </clipPath>
      </defs>
      <path d={outline} fill="var(--wood)" />
      <g clipPath="url(#board-edge)">
        {grain.map((d, i) => (
          <path
            key={d}
            d={d}
            stroke="var(--wood-line)"
            strokeOpacity=".38"
            strokeWidth={1 + (i % 3) * 0.5}
            fill="none"
          />
        ))}
        {cuts.slice(1).map((_, i) => (
          <path key={i} d={`M1 ${(i + 1) * row}H${w - 1}`} stroke="var(--wood-line)" strokeWidth="1.2" />
        ))}
      </g>
      <path d={outline} fill="none" stroke="var(--wood-line)" strokeWidth="1.4" strokeLinejoin="round" />
      {cuts.map((c, i) => {
        const y = i * row + row / 2;
        if (c === 'corded')
          return (
            <g key={i}>
              {Array.from({ length: Math.floor((row - 6) / 6.5) }, (_, n) => {
                const at = i * row + 5 + n * 6.5;
                return (
                  <g key={n}>
                    <path d={`M-4 ${at + 2}L${w + 4} ${at - 2}`} stroke="#2A2016" strokeWidth="6.4" />
                    <path d={`M-4 ${at + 2}L${w + 4} ${at - 2}`} stroke="var(--cloth)" strokeWidth="4.4" />
                  </g>
                );
              })}
            </g>
          );
        return (
          <g key={i}>
            <text
              x={18 * k}
              y={y + 7}
              fontSize={k < 0.8 ? 18 : 21}
              fontWeight={c === 'not seen' ? 430 : 680}
              fill="var(--on-wood)"
            >
              {words[i] || WORD[c]}
            </text>
            {c === 'not seen' && (
              <path
                d={`M${w - 2} ${y - 20}L${w - 72 * k} ${y}L${w - 2} ${y + 20}`}
                fill="none"
                stroke="var(--wood-line)"
                strokeWidth="1.4"
                strokeDasharray="3 4"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}
