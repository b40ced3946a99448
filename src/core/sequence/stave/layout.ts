import { traceFloor, type Trace } from '../../floor/trace';
import { ZONES } from '../../units/zone';
import { label, n1, shape, type Primitive } from '../drawing';
import { type Sequence } from '../move';
import { partnerSteps } from '../operations/lane';
import { moveSaid } from '../spoken';
import { drawnBefore, fitted, type StaveColumn } from './column';
import { LETTERS } from './marks';
import { DESK_STAVE, type StaveOptions } from './options';
import { rowsOf, type Rows, type StaveRows } from './rows';

export interface StaveLine {
  y: number;
  from: number;
  to: number;
  /** Row labels, zone lines, brackets, bars. */
  primitives: Primitive[];
}

export interface StaveLayout {
  width: number;
  height: number;
  column: number;
  /** Height of one line of the sheet. */
  lineHeight: number;
  /** From the top of a line to the row of counts, where the lit column begins. */
  top: number;
  lines: StaveLine[];
  columns: StaveColumn[];
}

/** What all columns of a stave are drawn from. */
interface Sheet {
  seq: Sequence;
  floor: Trace;
  partnerFloor: Trace | null;
  o: StaveOptions;
  show: StaveRows;
  rows: Rows;
  letters: number;
}

/** One count: drawn, and put into words, when it is asked for; on screen only those in sight are. */
class Column implements StaveColumn {
  constructor(
    readonly index: number,
    readonly x: number,
    readonly y: number,
    private readonly sheet: Sheet,
  ) {}
  get primitives(): Primitive[] {
    const { seq, floor, partnerFloor, o, show, rows, letters } = this.sheet;
    return drawnBefore(seq.moves[this.index]!, this.index, seq, floor, partnerFloor, o, show, rows, letters);
  }
  get said(): string {
    return moveSaid(this.sheet.seq.moves[this.index]!, this.index + 1, this.sheet.floor.at[this.index]);
  }
}

/**
 * The stave of a sequence as drawing primitives: a column a count, from the top sections, counts, breath with the
 * shout, facing with the turn, three lines for the heights, feet to scale, weight, names. A sequence of two lanes has a
 * second stave that faces the first, with ties from attack to answer. Pure: no fonts are measured.
 */
export function layoutStave(seq: Sequence, options: Partial<StaveOptions> = {}, trace?: Trace): StaveLayout {
  const o: StaveOptions = { ...DESK_STAVE, ...options };
  const k = o.scale;
  const two = seq.moves.some((m) => m.partner !== null);
  const hasSections = seq.moves.some((m) => m.begins.some((b) => b.sectioning === o.sectioning));
  const show: StaveRows = {
    sections: hasSections,
    breath: seq.moves.some((m) => m.step.breath !== null || m.step.shout),
    facing: true,
    turn: seq.moves.some((m) => m.step.turn !== null),
    feet: true,
    weight: !two,
    names: true,
    labels: true,
    ...o.rows,
  };
  if (!hasSections) show.sections = false;
  const rows = rowsOf(o, show, two);
  const left = show.labels ? 60 * Math.max(1, k * 0.9) : 4;
  const floor = trace ?? traceFloor(seq, o.body);
  const partnerFloor = two ? traceFloor(partnerSteps(seq.moves), o.body) : null;
  const n = seq.moves.length;
  const per = o.perLine ?? Math.max(1, n);
  const lineCount = Math.max(1, Math.ceil(n / per));
  const lineGap = 28;
  const cw = o.column;
  const letters = Math.floor(cw / (LETTERS.name * k * 0.53));

  const sheet: Sheet = { seq, floor, partnerFloor, o, show, rows, letters };
  const columns: StaveColumn[] = seq.moves.map((_, i) => {
    const line = Math.floor(i / per);
    return new Column(i, left + (i - line * per) * cw, line * (rows.height + lineGap), sheet);
  });

  const lines: StaveLine[] = Array.from({ length: lineCount }, (_, line) => {
    const from = line * per;
    const to = Math.min(n, from + per);
    const right = left + (to - from) * cw;
    const p: Primitive[] = [];
    if (show.labels) {
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
            label(left - 12, y + LETTERS.label * k * 0.36, text, LETTERS.label * k, { anchor: 'end', tone: 'ink2' }),
          );
      if (two) {
        p.push(label(left - 12, rows.nm === null ? rows.n : rows.nm, 'A', 15 * k, { anchor: 'end', weight: 700 }));
        if (rows.nmB !== null) p.push(label(left - 12, rows.nmB, 'B', 15 * k, { anchor: 'end', weight: 700 }));
      }
    }
    for (const set of [rows.zone, rows.zoneB])
      if (set) {
        const ys = ZONES.map((z) => set[z]);
        for (const y of ys)
          p.push(shape(`M${n1(left)} ${n1(y)}H${n1(right)}`, { stroke: 'zone', width: k > 1.2 ? 1.5 : 1.2 }));
        const [top, bottom] = [Math.min(...ys) - 18 * k, Math.max(...ys) + 18 * k];
        p.push(
          shape(`M${n1(left)} ${n1(top)}V${n1(bottom)}M${n1(right)} ${n1(top)}V${n1(bottom)}`, {
            stroke: 'ink',
            width: 1.6,
          }),
        );
      }
    const starts = seq.moves.flatMap((m, i) => {
      const b = m.begins.find((x) => x.sectioning === o.sectioning);
      return b && i < to ? [{ name: b.name, i }] : [];
    });
    starts.forEach((s, j) => {
      const end = Math.min(to, starts[j + 1]?.i ?? n);
      if (end <= from) return;
      const start = Math.max(from, s.i);
      const [a, b] = [left + (start - from) * cw, left + (end - from) * cw];
      if (rows.sec !== null) {
        p.push(
          shape(`M${n1(a + 4)} ${rows.sec + 12}V${rows.sec + 7}H${n1(b - 4)}V${rows.sec + 12}`, {
            stroke: 'ink2',
            width: 1.1,
          }),
          label(a + 4, rows.sec, fitted(s.name, (end - start) * cw - 8, LETTERS.section), LETTERS.section, {
            anchor: 'start',
            serif: true,
          }),
        );
      }
      if (start > from)
        p.push(
          shape(`M${n1(a)} ${n1(rows.zone.upper - 18 * k)}V${n1(rows.zone.lower + 18 * k)}`, {
            stroke: 'ink2',
            width: 1,
          }),
        );
    });
    for (const g of o.gaps)
      if (g >= from && (g < to || (g === to && to === n))) {
        const x = left + (g - from) * cw;
        p.push(
          shape(`M${n1(x - 5)} ${n1(rows.n - 9)}L${n1(x)} ${n1(rows.n - 2)}L${n1(x + 5)} ${n1(rows.n - 9)}`, {
            stroke: 'pine',
            width: 2,
            round: true,
          }),
          shape(`M${n1(x)} ${n1(rows.n)}V${n1(rows.zone.lower + 18 * k)}`, { stroke: 'pine', width: 1.4, dash: '3 4' }),
        );
      }
    return { y: line * (rows.height + lineGap), from, to, primitives: p };
  });
  const widest = Math.min(per, Math.max(1, n));
  return {
    width: Math.ceil(left + widest * cw + 6),
    height: lineCount * rows.height + (lineCount - 1) * lineGap + 4,
    column: cw,
    lineHeight: rows.height,
    top: n1(rows.n - LETTERS.count * k * 1.06),
    lines,
    columns,
  };
}
