import type { ClassPlanShown, LookKitView } from '../../contracts/views';
import type { PlainDate } from '../../core';
import { storedClassPlan } from '../../contracts/stored/classPlan';
import { keepOnDevice, readFromDevice } from '../../kit/onDevice';

// A class is known on the device from the moment it was planned, also before the mat's kit has it.
const keyOf = (id: string) => `stavewright-class-${id}`;
const PLANNED = 'stavewright-classes';

interface Kept {
  id: string;
  day: PlainDate;
  hallId: string | null;
  version: number;
}

function readKept(): Kept[] {
  try {
    const known: unknown = JSON.parse(localStorage.getItem(PLANNED) ?? '[]');
    return Array.isArray(known) ? (known as Kept[]) : [];
  } catch {
    return [];
  }
}

function writeKept(all: readonly Kept[]): void {
  try {
    localStorage.setItem(PLANNED, JSON.stringify(all));
  } catch {
    // It stands on the page and goes to the server.
  }
}

/** The plan as this device knows it, with the version that it is, or was made from. What was before `today` goes. */
export function keepPlan(
  c: Pick<ClassPlanShown, 'id' | 'day' | 'hallId' | 'plan' | 'version'>,
  today: PlainDate,
): void {
  keepOnDevice(keyOf(c.id), storedClassPlan, c.plan);
  const { id, day, hallId, version } = c;
  const all = readKept();
  for (const old of all) if (old.day < today) localStorage.removeItem(keyOf(old.id));
  writeKept([...all.filter((k) => k.id !== id && k.day >= today), { id, day, hallId, version }]);
}

/** A plan that was taken out is not shown again from what this device kept. */
export function dropPlan(id: string): void {
  localStorage.removeItem(keyOf(id));
  writeKept(readKept().filter((k) => k.id !== id));
}

/**
 * The class that is meant on a day: one that runs, else the first that is not closed, else the one that was. What was
 * changed on this device and has not come back yet goes before what the mat's kit has.
 */
export function planOf(kit: LookKitView, day: PlainDate): ClassPlanShown | null {
  const there = (kit.plans ?? []).filter((p) => p.day === day);
  const known = there.find((p) => p.run !== null && !p.closed) ?? there.find((p) => !p.closed) ?? there.at(-1) ?? null;
  const kept = readKept().filter((k) => k.day === day);
  const own = kept.find((k) => k.id === known?.id) ?? (known === null ? kept.at(-1) : undefined);
  const plan = own && readFromDevice(keyOf(own.id), storedClassPlan);
  if (!own || !plan || (known !== null && own.version < known.version)) return known;
  return known === null
    ? { ...own, plan, run: null, closed: false, note: '' }
    : { ...known, hallId: own.hallId, version: own.version, plan };
}
