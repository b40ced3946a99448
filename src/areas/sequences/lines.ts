import { diffArrays } from 'diff';

/** The text of a sequence as lines that are known by where they stood before anybody changed it. */
export interface Lined {
  id: string;
  title: string;
  lines: { id: string; line: string }[];
}
/** As it is sent and kept. */
export type Written = { id: string; title: string; text: string };

/** Its lines: one that stood in `was` keeps its place there as id, a new one gets an id of whoever wrote it. */
export function linesOf(written: Written, was: Written, by: string): Lined {
  let [at, added] = [0, 0];
  const lines = diffArrays(was.text.split('\n'), written.text.split('\n')).flatMap((part) => {
    if (part.removed) {
      at += part.value.length;
      return [];
    }
    return part.value.map((line) => ({ id: part.added ? `${by} ${(added += 1)}` : String((at += 1)), line }));
  });
  // A line that was taken out where another was put in was changed.
  const old = was.text.split('\n');
  const kept = new Set(lines.map((l) => l.id));
  let before = 0;
  const named = lines.map((l) => {
    if (/^\d+$/.test(l.id)) {
      before = Number(l.id);
      return l;
    }
    const next = String(before + 1);
    if (before + 1 > old.length || kept.has(next)) return l;
    kept.add(next);
    before += 1;
    return { ...l, id: next };
  });
  return { id: written.id, title: written.title, lines: named };
}

export const writtenFrom = ({ id, title, lines }: Lined): Written => ({
  id,
  title,
  text: lines.map((l) => l.line).join('\n'),
});
