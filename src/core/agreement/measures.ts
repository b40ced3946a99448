import { cohenKappa, fleissKappa } from './cohen';
import { icc } from './icc';
import type { PanelMark } from './panel';

/** The usual figures beside alpha, for whoever knows them. */
export interface Measures {
  /** Cohen's kappa of every two, over what both saw; null: chance alone agrees always. */
  cohen: { a: string; b: string; pairs: number; kappa: number | null }[];
  /** Fleiss' kappa over what all saw; null: nothing was seen by all. */
  fleiss: { units: number; kappa: number | null } | null;
  /** How alike the shares that held are, of each point and side all saw: ICC(2,1); null: too little to say. */
  shares: { things: number; single: number } | null;
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

/** Cohen of every two, Fleiss and ICC of all, from the marks of a panel. */
export function measuresOf(marks: readonly PanelMark[]): Measures {
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
  const things = [
    ...grouped<{ held: number; of: number }>(marks, thingOf, (was, m) => ({
      held: (was?.held ?? 0) + Number(m.held),
      of: (was?.of ?? 0) + 1,
    })).values(),
  ].filter((t) => t.size === examiners.length);
  const found =
    examiners.length < 2 || things.length < 2
      ? null
      : icc(
          things.map((t) =>
            examiners.map((e) => {
              const s = t.get(e)!;
              return s.held / s.of;
            }),
          ),
        );
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
    shares: found && Number.isFinite(found.icc21) ? { things: things.length, single: found.icc21 } : null,
  };
}
