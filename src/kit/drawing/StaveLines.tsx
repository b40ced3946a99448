import { svgOf, type StaveLayout } from '../../core';
import { onScreen } from './tones';

/** A stave in lines that fit a page, for print. */
export function StaveLines({ layout }: { layout: StaveLayout }) {
  return layout.lines.map((l) => (
    <svg
      key={l.from}
      className="print-line"
      viewBox={`0 ${l.y} ${layout.width} ${layout.lineHeight + 4}`}
      role="img"
      aria-label={`Counts ${l.from + 1} to ${l.to}`}
    >
      <g
        dangerouslySetInnerHTML={{
          __html:
            `<g transform="translate(0 ${l.y})">${svgOf(l.primitives, onScreen)}</g>` +
            layout.columns
              .slice(l.from, l.to)
              .map((c) => `<g transform="translate(${c.x} ${c.y})">${svgOf(c.primitives, onScreen)}</g>`)
              .join(''),
        }}
      />
    </svg>
  ));
}
