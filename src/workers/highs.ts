import type { Highs } from 'highs';
import type { BreakChoice, Solve } from '../core';

/**
 * HiGHS as a solver of programmes: begins from the plan that is known, and says besides what it found what no plan can go
 * below.
 */
export const solveWith =
  (highs: Highs): Solve =>
  (text, { seconds, gap, start, branches = [] }) =>
    highs.withModel({ format: 'lp', data: text }, (model) => {
      model.options.set({ output_flag: false, time_limit: seconds, mip_rel_gap: gap });
      const { numCols } = model.getDimensions();
      const names = Array.from({ length: numCols }, (_, i) => model.getColName(i));
      if (start) model.setSolution({ colValue: names.map((n) => start[n] ?? 0) });
      if (branches.length > 1) {
        // Each is begun from what the one before left: only the bounds of a few columns change.
        const until = Date.now() + seconds * 1000;
        const index = new Map(names.map((n, i) => [n, i]));
        const [finish, choose] = [
          index.get('finish')!,
          (b: BreakChoice, most: number) => model.changeColBounds(index.get(b.column)!, 0, most),
        ];
        for (const b of branches) choose(b, 0);
        let least: number | null = null;
        for (const b of branches) {
          if (Date.now() > until) return { columns: null, bound: null };
          choose(b, 1);
          model.changeColBounds(finish, b.least, highs.infinity);
          model.run();
          const [status, value] = [model.getModelStatus(), model.getObjectiveValue()];
          choose(b, 0);
          if (status === highs.constants.modelStatus.infeasible) continue;
          if (status !== highs.constants.modelStatus.optimal) return { columns: null, bound: null };
          least = Math.min(least ?? Infinity, value);
        }
        return { columns: null, bound: least };
      }
      model.run();
      const found = Number(model.info.get('primal_solution_status')) === 2;
      const columns: Record<string, number> = {};
      if (found) model.getSolution().colValue.forEach((v, i) => (columns[names[i]!] = v));
      const whole = /^[ \t]*(?:Binary|General)/m.test(text);
      const optimal = model.getModelStatus() === highs.constants.modelStatus.optimal;
      const bound = whole ? Number(model.info.get('mip_dual_bound')) : optimal ? model.getObjectiveValue() : null;
      return { columns: found ? columns : null, bound: bound !== null && Number.isFinite(bound) ? bound : null };
    });
