import type { DayCandidate, DayGroup, DayItem, DaySettings, Task } from './model';

/** To walk on, bow, and be told what comes: minutes a task takes beside what is shown. Common practice, no source. */
const TO_STAND = 1;

const whole = (seconds: number) => Math.max(1, Math.ceil(seconds / 60));

/** How many stand in one group: as even as can be, none longer than a line. */
function split<T>(people: readonly T[], most: number): T[][] {
  const parts = Math.ceil(people.length / Math.max(1, most));
  return Array.from({ length: parts }, (_, i) =>
    people.slice(Math.round((i * people.length) / parts), Math.round(((i + 1) * people.length) / parts)),
  );
}

function taskOf(item: DayItem, people: number, repetitions: number, s: DaySettings): Task {
  const base = { label: item.name, items: [item.id], mats: item.falls && s.mats > 0, pairs: item.partner };
  if (item.counts !== null) {
    const turns = Math.ceil(people / Math.max(1, s.formTogether));
    const seconds = turns * (item.beats ?? item.counts) * s.secondsCount;
    return { ...base, thing: null, count: 0, turns, minutes: TO_STAND + whole(seconds) };
  }
  const own = item.gear === null ? undefined : s.things.find((t) => t.name === item.gear);
  const wanted = item.gear === null ? 0 : item.partner ? Math.ceil(people / 2) : people;
  const atOnce = item.gear === null ? people : Math.max(1, Math.min(own?.count ?? wanted, wanted));
  // One by one on the mats; with things in as many turns as there are things; in pairs each of both shows.
  const hands = item.partner ? Math.ceil(people / 2) : people;
  const turns =
    (item.falls ? people : item.gear === null ? 1 : Math.ceil(hands / atOnce)) * (item.partner && !item.falls ? 2 : 1);
  const seconds = turns * repetitions * (item.sided ? 2 : 1) * s.secondsRepetition;
  return {
    ...base,
    thing: item.gear,
    count: item.gear === null ? 0 : Math.min(atOnce, wanted),
    turns: item.gear === null ? turns : Math.ceil(hands / atOnce),
    minutes: TO_STAND + whole(seconds),
  };
}

/** Whether two tasks are called as one: both in one line, with empty hands. */
const joins = (a: Task, b: Task) =>
  !a.mats && !b.mats && !a.pairs && !b.pairs && a.thing === null && b.thing === null && a.turns === 1 && b.turns === 1;

/**
 * The groups of a day: candidates for one belt, as many as a line holds, and the items of the belt in the order of the
 * syllabus, what is shown in one line together. Minutes follow from repetitions, sides, counts and turns.
 */
export function groupsOf(
  candidates: readonly DayCandidate[],
  itemsOf: (beltId: string) => readonly DayItem[],
  repetitions: number,
  s: DaySettings,
): DayGroup[] {
  const belts = [...new Map(candidates.map((c) => [c.to.id, c.to])).values()];
  return belts.flatMap((belt) => {
    const all = candidates.filter((c) => c.to.id === belt.id);
    const parts = split(all, s.line);
    return parts.map((people, i): DayGroup => {
      const tasks: Task[] = [];
      for (const item of itemsOf(belt.id)) {
        const next = taskOf(item, people.length, repetitions, s);
        const last = tasks.at(-1);
        if (last && joins(last, next))
          tasks[tasks.length - 1] = {
            ...last,
            label: `${last.label}, ${next.label}`,
            items: [...last.items, ...next.items],
            // They stand already.
            minutes: last.minutes + next.minutes - TO_STAND,
          };
        else tasks.push(next);
      }
      return {
        id: `${belt.id} ${i}`,
        belt: parts.length > 1 ? `${belt.name} ${i + 1}` : belt.name,
        rank: Math.min(...people.map((p) => p.rank)),
        people: people.map((p) => p.id),
        tasks,
        minutes: tasks.reduce((n, t) => n + t.minutes, 0),
      };
    });
  });
}
