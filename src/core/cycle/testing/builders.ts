// Small builders for tests and measures: a cycle of so many classes and rows.
import { addDays, type PlainDate } from '../../units/plainDate';
import type { Random } from '../../units/random';
import { EMPTY_ROW, USUAL_RULES, type Cycle, type CycleClass, type CycleRow } from '../model';

export const MONDAY: PlainDate = '2026-01-19';

export const row = (id: string, more: Partial<CycleRow> = {}): CycleRow => ({
  ...EMPTY_ROW,
  id,
  name: id,
  kind: 'forms',
  ...more,
});

export const classOn = (day: PlainDate, minutes = 90, more: Partial<CycleClass> = {}): CycleClass => ({
  id: `c ${day}`,
  day,
  starts: 1080,
  minutes,
  hallId: null,
  off: null,
  guest: null,
  frame: null,
  ...more,
});

/** Monday, Thursday and Saturday of so many weeks. */
export const threeAWeek = (weeks: number): CycleClass[] =>
  Array.from({ length: weeks }, (_, w) =>
    [
      [0, 75],
      [3, 90],
      [5, 90],
    ].map(([d, m]) => classOn(addDays(MONDAY, 7 * w + d!), m)),
  ).flat();

export const cycle = (classes: readonly CycleClass[], rows: readonly CycleRow[], more: Partial<Cycle> = {}): Cycle => ({
  name: 'Spring',
  end: 'grading',
  from: classes[0]!.day,
  day: addDays(classes.at(-1)!.day, 2),
  ranks: [],
  groups: ['all'],
  weekly: [],
  classes,
  rows,
  cells: [],
  righted: [],
  rules: USUAL_RULES,
  before: null,
  result: null,
  ...more,
});

/** A large cycle, by chance: some rows new, some opened by others, some not on every day; with more to do than there is time for. */
export function largeCycle(dice: Random, rows: number, weeks: number, over = 1.03): Cycle {
  const classes = threeAWeek(weeks);
  const room = classes.reduce((n, c) => n + c.minutes - USUAL_RULES.frame, 0);
  const share = Array.from({ length: rows }, () => 0.5 + dice());
  const all = share.reduce((n, x) => n + x, 0);
  const list = share.map((x, i): CycleRow => {
    const minutes = Math.max(10, Math.round((x / all) * room * over * 0.2) * 5);
    const fresh = dice() < 0.25;
    const most = dice() < 0.5 ? 10 : 15;
    const comes = Math.max(2, Math.floor(minutes / (most * 0.8)));
    return row(`r${i}`, {
      minutes,
      least: 5,
      most,
      fresh,
      gap: Math.max(4, Math.ceil(classes.length / comes) + 2),
      from: fresh && dice() < 0.6 ? classes[Math.floor(dice() * classes.length * 0.5)]!.day : null,
      notOn: dice() < 0.15 ? [1] : dice() < 0.1 ? [6] : [],
      kind: dice() < 0.2 ? 'basics' : 'forms',
      heaviness: dice() < 0.3 ? 'light' : dice() < 0.8 ? 'middling' : 'heavy',
      opens: i > 3 && dice() < 0.2 ? [{ on: `r${Math.floor(dice() * (i - 1))}`, minutes: 20 }] : [],
    });
  });
  return cycle(classes, list);
}
