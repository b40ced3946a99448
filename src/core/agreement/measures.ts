import { cohenKappa, fleissKappa } from './cohen';
import { icc } from './icc';
import type { PanelMark } from './panel';

/** The usual figures beside alpha, for whoever knows them. */
export interface Measures {
  /** Cohen's kappa of every two, over what both saw; null: chance alone agrees always. */
  cohen: { a: string; b: string; pairs: number; kappa: number | null }[];
  /** Fleiss' kappa over what all saw; null: nothing was seen by all. */
  fleiss: { units: number; kappa: number | null } | null;
  /** How alike the shares that held are, of each point and side all saw; null: too little to say. */
  shares: Alike | null;
  /** The same of marks out of a number, of each candidate and item; and of what was measured, point by point. */
  marks: Alike | null;
  measured: (Alike & { point: string })[];
}

/** ICC(2,1), over so many things. */
export interface Alike {
  things: number;
  single: number;
}

/** A number that an examiner gave for a thing. */
export interface Given {
  thing: string;
  examiner: string;
  value: number;
}

const unitOf = (m: PanelMark) => `${m.candidate} ${m.item} ${m.point} ${m.side} ${m.repetition}`;
const thingOf = (m: PanelMark) => `${m.candidate} ${m.item} ${m.point} ${m.side}`;

function grouped<V>(
  marks: readonly PanelMark[],
  keyOf: (m: PanelMark) => string,
  add: (was: V | undefined, m: PanelMark) => V,
) {
  const out = new Map<string, Map<string, V>>();
  for (const m of marks) {
    const of = out.get(keyOf(m)) ?? new Map<string, V>();
    of.set(m.examiner, add(of.get(m.examiner), m));
    out.set(keyOf(m), of);
  }
  return out;
}

/** Cohen of every two, Fleiss and ICC of all, from the marks of a panel, and from the numbers it gave beside them. */
export function measuresOf(
  marks: readonly PanelMark[],
  numbers: { marks: readonly Given[]; measured: readonly (Given & { point: string })[] } = { marks: [], measured: [] },
): Measures {
  const examiners = [...new Set(marks.map((m) => m.examiner))].sort();
  const units = [...grouped<boolean>(marks, unitOf, (_, m) => m.held).values()];
  const cohen = examiners.flatMap((a, i) =>
    examiners.slice(i + 1).map((b) => {
      const both = units.filter((u) => u.has(a) && u.has(b));
      const said = (e: string) => both.map((u) => Number(u.get(e)!));
      return { a, b, pairs: both.length, kappa: both.length === 0 ? null : cohenKappa(said(a), said(b)).kappa };
    }),
  );
  const byAll = units.filter((u) => u.size === examiners.length);
  return {
    cohen,
    fleiss:
      examiners.length < 2 || byAll.length === 0
        ? null
        : {
            units: byAll.length,
            kappa: fleissKappa(
              byAll.map((u) => {
                const held = [...u.values()].filter(Boolean).length;
                return [held, u.size - held];
              }),
            ).kappa,
          },
    shares: alike(
      [
        ...grouped<{ held: number; of: number }>(marks, thingOf, (was, m) => ({
          held: (was?.held ?? 0) + Number(m.held),
          of: (was?.of ?? 0) + 1,
        })),
      ].flatMap(([thing, of]) => [...of].map(([examiner, s]) => ({ thing, examiner, value: s.held / s.of }))),
    ),
    marks: alike(numbers.marks),
    measured: [...new Set(numbers.measured.map((m) => m.point))].flatMap((point) => {
      const found = alike(numbers.measured.filter((m) => m.point === point));
      return found ? [{ point, ...found }] : [];
    }),
  };
}

/** How alike numbers are, over the things that all gave one for: ICC(2,1). Null: fewer than two, or they do not differ. */
function alike(given: readonly Given[]): Alike | null {
  const examiners = [...new Set(given.map((g) => g.examiner))].sort();
  const rows = new Map<string, Map<string, number>>();
  for (const g of given) rows.set(g.thing, (rows.get(g.thing) ?? new Map<string, number>()).set(g.examiner, g.value));
  const byAll = [...rows.values()].filter((r) => r.size === examiners.length);
  const found = examiners.length < 2 ? null : icc(byAll.map((r) => examiners.map((e) => r.get(e)!)));
  return found && Number.isFinite(found.icc21) ? { things: byAll.length, single: found.icc21 } : null;
}
