import type { DayGroup, DayPlan, DaySettings, Minute } from './model';
import type { Alone, Paired } from './partners';

/** What somebody who lays out the day should know; facts, the words are made elsewhere. */
export type DayCheck =
  /** What was pinned takes more than there is. */
  | { kind: 'over'; resource: string; at: Minute }
  | { kind: 'alone'; group: string; task: number; who: string; why: Alone }
  /** Nobody was left for a pair: they take turns, and need one more. */
  | { kind: 'three'; group: string; task: number; who: readonly string[] }
  | { kind: 'not there yet'; group: string; examiners: readonly string[] }
  | { kind: 'things'; group: string; task: number; thing: string; wanted: number; owned: number; turns: number }
  | { kind: 'late'; minutes: number };

/** Safety first, then what costs time. */
export function checksOf(
  groups: readonly DayGroup[],
  plan: DayPlan,
  paired: readonly Paired[],
  s: DaySettings,
  panel: readonly string[],
  over: { resource: string; at: Minute } | null = null,
): DayCheck[] {
  const out: DayCheck[] = over ? [{ kind: 'over', ...over }] : [];
  for (const p of paired)
    for (const a of p.alone) out.push({ kind: 'alone', group: p.group, task: p.task, who: a.id, why: a.why });
  for (const p of paired)
    for (const x of p.pairs)
      if (x.c !== undefined) out.push({ kind: 'three', group: p.group, task: p.task, who: [x.a, x.b, x.c] });
  for (const p of plan.groups) {
    const missing = panel.filter((e) => (s.comes[e] ?? s.begins) > p.at);
    if (missing.length > 0) out.push({ kind: 'not there yet', group: p.group, examiners: missing });
  }
  for (const g of groups)
    for (const [task, t] of g.tasks.entries())
      if (t.thing !== null && t.turns > 1) {
        const wanted = t.pairs ? Math.ceil(g.people.length / 2) : g.people.length;
        out.push({ kind: 'things', group: g.id, task, thing: t.thing, wanted, owned: t.count, turns: t.turns });
      }
  if (plan.endsAt > s.ends) out.push({ kind: 'late', minutes: plan.endsAt - s.ends });
  return out;
}

/** Of the break and of the panel's talk so much stays at least. Common practice, no source. */
const LEAST = { pause: 5, panel: 15 } as const;

/** What can be given up when the day runs late, in minutes, and by when each group has to begin to end in time. */
export interface Slack {
  pause: number;
  panel: number;
  /** Until the end that was said, before anything is given up; below 0: it is late already. */
  spare: number;
  latest: Readonly<Record<string, Minute>>;
}

export function slackOf(plan: DayPlan, s: DaySettings): Slack {
  const pause = plan.pauseAt === null ? 0 : Math.max(0, s.pause - LEAST.pause);
  const panel = Math.max(0, s.panel - LEAST.panel);
  const spare = s.ends - plan.endsAt;
  // All that comes after a group moves with it: it may begin so much later as is spare and can be given up after it.
  const latest = Object.fromEntries(
    plan.groups.map((g) => [
      g.group,
      g.at + Math.max(0, spare + panel + (plan.pauseAt !== null && plan.pauseAt >= g.at ? pause : 0)),
    ]),
  );
  return { pause, panel, spare, latest };
}
