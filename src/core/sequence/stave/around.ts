import { dequal } from 'dequal';
import { ZONES } from '../../units/zone';
import { label, n1, shape, type Primitive } from '../drawing';
import { fitted } from './column';
import { LETTERS } from './marks';
import type { Rows } from './rows';

export interface StaveSection {
  name: string;
  /** The count (0-based) it begins at. */
  at: number;
}

/** All that what stands around the columns of one line hangs on. */
interface Around {
  rows: Rows;
  /** Where the columns begin. */
  left: number;
  column: number;
  scale: number;
  labels: boolean;
  two: boolean;
  /** Counts of the whole stave, and those of this line. */
  count: number;
  from: number;
  to: number;
  /** Those that begin before the line ends. */
  sections: readonly StaveSection[];
  gaps: readonly number[];
}

const drawn: { around: Around; primitives: readonly Primitive[] }[] = [];
const MOST_DRAWN = 24;

/** As drawn before where nothing of it is different: typing within a count moves no section. */
export function aroundBefore(around: Around): readonly Primitive[] {
  const found = drawn.find((d) => dequal(d.around, around));
  if (found) return found.primitives;
  const primitives = drawAround(around);
  drawn.unshift({ around, primitives });
  drawn.length = Math.min(drawn.length, MOST_DRAWN);
  return primitives;
}

/** Row labels, zone lines, bars, sections, and where moves of the parent are left out. */
function drawAround({ rows, left, column, scale, labels, two, count, from, to, sections, gaps }: Around): Primitive[] {
  const right = left + (to - from) * column;
  const p: Primitive[] = [];
  if (labels) {
    const words: [string, number | null][] = [
      ['breath', rows.b],
      ['facing', rows.h],
      ['upper', rows.zone.upper],
      ['middle', rows.zone.middle],
      ['lower', rows.zone.lower],
      ['feet', rows.f],
      ['weight', rows.w === null ? null : rows.w - 4],
    ];
    if (rows.zoneB)
      words.push(
        ['lower', rows.zoneB.lower],
        ['middle', rows.zoneB.middle],
        ['upper', rows.zoneB.upper],
        ['feet', rows.fB],
      );
    for (const [text, y] of words)
      if (y !== null)
        p.push(
          label(left - 12, y + LETTERS.label * scale * 0.36, text, LETTERS.label * scale, {
            anchor: 'end',
            tone: 'ink2',
          }),
        );
    if (two) {
      p.push(label(left - 12, rows.nm === null ? rows.n : rows.nm, 'A', 15 * scale, { anchor: 'end', weight: 700 }));
      if (rows.nmB !== null) p.push(label(left - 12, rows.nmB, 'B', 15 * scale, { anchor: 'end', weight: 700 }));
    }
  }
  for (const set of [rows.zone, rows.zoneB])
    if (set) {
      const ys = ZONES.map((z) => set[z]);
      for (const y of ys)
        p.push(shape(`M${n1(left)} ${n1(y)}H${n1(right)}`, { stroke: 'zone', width: scale > 1.2 ? 1.5 : 1.2 }));
      const [top, bottom] = [Math.min(...ys) - 18 * scale, Math.max(...ys) + 18 * scale];
      p.push(
        shape(`M${n1(left)} ${n1(top)}V${n1(bottom)}M${n1(right)} ${n1(top)}V${n1(bottom)}`, {
          stroke: 'ink',
          width: 1.6,
        }),
      );
    }
  sections.forEach((s, j) => {
    const end = Math.min(to, sections[j + 1]?.at ?? count);
    if (end <= from) return;
    const start = Math.max(from, s.at);
    const [a, b] = [left + (start - from) * column, left + (end - from) * column];
    if (rows.sec !== null) {
      p.push(
        shape(`M${n1(a + 4)} ${rows.sec + 12}V${rows.sec + 7}H${n1(b - 4)}V${rows.sec + 12}`, {
          stroke: 'ink2',
          width: 1.1,
        }),
        label(a + 4, rows.sec, fitted(s.name, (end - start) * column - 8, LETTERS.section), LETTERS.section, {
          anchor: 'start',
          serif: true,
        }),
      );
    }
    if (start > from)
      p.push(
        shape(`M${n1(a)} ${n1(rows.zone.upper - 18 * scale)}V${n1(rows.zone.lower + 18 * scale)}`, {
          stroke: 'ink2',
          width: 1,
        }),
      );
  });
  for (const g of gaps)
    if (g >= from && (g < to || (g === to && to === count))) {
      const x = left + (g - from) * column;
      p.push(
        shape(`M${n1(x - 5)} ${n1(rows.n - 9)}L${n1(x)} ${n1(rows.n - 2)}L${n1(x + 5)} ${n1(rows.n - 9)}`, {
          stroke: 'pine',
          width: 2,
          round: true,
        }),
        shape(`M${n1(x)} ${n1(rows.n)}V${n1(rows.zone.lower + 18 * scale)}`, {
          stroke: 'pine',
          width: 1.4,
          dash: '3 4',
        }),
      );
    }
  return p;
}
