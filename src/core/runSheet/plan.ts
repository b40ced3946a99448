import { PAUSE, type Starts } from './jobs';
import type { DayGroup, DayPlan, DaySettings, Placed } from './model';

/** Lays begins out on floors and before examiners: who is free and has looked least comes first. */
export function planOf(
  groups: readonly DayGroup[],
  s: DaySettings,
  examiners: readonly string[],
  starts: Starts,
): DayPlan {
  const floors: number[] = Array.from({ length: Math.max(1, s.floors) }, () => -Infinity);
  const busy = new Map(examiners.map((e) => [e, s.comes[e] ?? s.begins]));
  const looked = new Map(examiners.map((e) => [e, 0]));
  const eyes = Math.min(s.eyes, examiners.length);
  const order = [...groups].sort((a, b) => starts[a.id]! - starts[b.id]! || (a.id < b.id ? -1 : 1));
  const placed = order.map((g, i): Placed => {
    const at = starts[g.id]!;
    const floor = Math.max(
      0,
      floors.findIndex((until) => until <= at),
    );
    floors[floor] = at + g.minutes;
    const free = examiners
      .filter((e) => busy.get(e)! <= at)
      .sort((a, b) => looked.get(a)! - looked.get(b)! || examiners.indexOf(a) - examiners.indexOf(b));
    // Where nobody else begins meanwhile, all who are free look.
    const others = order.slice(i + 1).some((o) => starts[o.id]! < at + g.minutes);
    const look = others ? free.slice(0, eyes) : free;
    for (const e of look) {
      busy.set(e, at + g.minutes);
      looked.set(e, looked.get(e)! + g.minutes);
    }
    return { group: g.id, at, floor, examiners: examiners.filter((e) => look.includes(e)) };
  });
  const pauseAt = starts[PAUSE] ?? null;
  const end = Math.max(
    s.begins + s.opening,
    ...groups.map((g) => starts[g.id]! + g.minutes),
    ...(pauseAt === null ? [] : [pauseAt + s.pause]),
  );
  return {
    groups: placed,
    pauseAt,
    panelAt: end,
    closingAt: end + s.panel,
    endsAt: end + s.panel + s.closing,
  };
}
