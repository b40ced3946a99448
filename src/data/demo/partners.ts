import type { DemoSchool } from './demoSchool';

/** With whom somebody worked on a day where the work takes two: the next of the same belt in class, else the next at all. */
export function partnersOf(made: DemoSchool): (conditionId: string, day: string, studentId: string) => string | null {
  const inPairs = new Set(made.conditions.filter((c) => c.partner).map((c) => c.id));
  const beltOn = (id: string, day: string) =>
    made.students.find((s) => s.id === id)?.held.findLast((h) => h.since <= day)?.rankId;
  return (conditionId, day, studentId) => {
    if (!inPairs.has(conditionId)) return null;
    const present = made.classes.find((c) => c.day === day && c.present.includes(studentId))?.present ?? [];
    const at = present.indexOf(studentId);
    const others = [...present.slice(at + 1), ...present.slice(0, Math.max(0, at))];
    const belt = beltOn(studentId, day);
    return others.find((id) => beltOn(id, day) === belt) ?? others[0] ?? null;
  };
}
