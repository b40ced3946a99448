import { traceFloor, type Trace } from '../../floor/trace';
import { n1, type Primitive } from '../drawing';
import { type Move, type Sequence } from '../move';
import { partnerSteps } from '../operations/lane';
import { moveSaid } from '../spoken';
import { aroundBefore, type StaveSection } from './around';
import { drawnBefore, type StaveColumn } from './column';
import { LETTERS } from './marks';
import { DESK_STAVE, type StaveOptions, type StaveRows } from './options';
import { rowsOf, type Rows } from './rows';

export interface StaveLine {
  y: number;
  from: number;
  to: number;
  /** Row labels, zone lines, brackets, bars. */
  primitives: readonly Primitive[];
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

/** What decides which rows a stave has, found in one walk through its counts. */
function saidIn(moves: readonly Move[], sectioning: number) {
  let [two, breath, turn] = [false, false, false];
  const sections: StaveSection[] = [];
  for (let i = 0; i < moves.length; i++) {
    const { step, partner, begins } = moves[i]!;
    two ||= partner !== null;
    breath ||= step.breath !== null || step.shout;
    turn ||= step.turn !== null;
    if (begins.length === 0) continue;
    const begun = begins.find((b) => b.sectioning === sectioning);
    if (begun) sections.push({ name: begun.name, at: i });
  }
  return { two, breath, turn, sections };
}

/**
 * The stave of a sequence as drawing primitives: a column a count, from the top sections, counts, breath with the
 * shout, facing with the turn, three lines for the heights, feet to scale, weight, names. A sequence of two lanes has a
 * second stave that faces the first, with ties from attack to answer. Pure: no fonts are measured.
 */
export function layoutStave(seq: Sequence, options: Partial<StaveOptions> = {}, trace?: Trace): StaveLayout {
  const o: StaveOptions = { ...DESK_STAVE, ...options };
  const k = o.scale;
  const { two, breath, turn, sections } = saidIn(seq.moves, o.sectioning);
  const show: StaveRows = {
    sections: sections.length > 0,
    breath,
    facing: true,
    turn,
    feet: true,
    weight: !two,
    names: true,
    labels: true,
    ...o.rows,
  };
  if (sections.length === 0) show.sections = false;
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

  const around = { rows, left, column: cw, scale: k, labels: show.labels, two, count: n, gaps: o.gaps };
  const lines: StaveLine[] = Array.from({ length: lineCount }, (_, line) => {
    const from = line * per;
    const to = Math.min(n, from + per);
    return {
      y: line * (rows.height + lineGap),
      from,
      to,
      primitives: aroundBefore({ ...around, from, to, sections: sections.filter((s) => s.at < to) }),
    };
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
