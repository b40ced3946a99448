import type { Sequence } from './move';

export interface SectionSpan {
  name: string;
  /** First and last count, 1-based. */
  from: number;
  to: number;
}
export interface Sectioning {
  sectioning: number;
  /** Empty for the main one. */
  name: string;
  sections: SectionSpan[];
}

/** All ways in which a sequence is cut, the main one first. Counts before the first section belong to none. */
export function sectionings(seq: Sequence): Sectioning[] {
  const numbers = new Set<number>();
  for (const m of seq.moves) for (const b of m.begins) numbers.add(b.sectioning);
  return [...numbers]
    .sort((a, b) => a - b)
    .map((sectioning) => {
      const starts = seq.moves.flatMap((m, i) => {
        const b = m.begins.find((x) => x.sectioning === sectioning);
        return b ? [{ name: b.name, from: i + 1 }] : [];
      });
      return {
        sectioning,
        name: seq.about.sectionings.find((s) => s.sectioning === sectioning)?.name ?? '',
        sections: starts.map((s, i) => ({ ...s, to: (starts[i + 1]?.from ?? seq.moves.length + 1) - 1 })),
      };
    });
}

/** For each section of the one, which sections of the other share counts with it: two numberings over the same moves. */
export function mapSections(a: Sectioning, b: Sectioning): { section: SectionSpan; others: SectionSpan[] }[] {
  return a.sections.map((section) => ({
    section,
    others: b.sections.filter((o) => o.from <= section.to && o.to >= section.from),
  }));
}
