import type { ClassPlanShown, LookKitView } from '../../contracts/views';
import { storedClassPlan } from '../../contracts/stored/classPlan';
import { keepOnDevice, readFromDevice } from '../../kit/onDevice';

// The class of today is known on the device from the moment it was planned, also before the mat's kit has it.
const keyOf = (id: string) => `stavewright-class-${id}`;
const TODAY = 'stavewright-class-today';

interface Kept {
  id: string;
  day: string;
  hallId: string | null;
  version: number;
}

export function keepToday(c: ClassPlanShown): void {
  keepOnDevice(keyOf(c.id), storedClassPlan, c.plan);
  try {
    const { id, day, hallId, version } = c;
    localStorage.setItem(TODAY, JSON.stringify({ id, day, hallId, version } satisfies Kept));
  } catch {
    // It stands on the page and goes to the server.
  }
}

/** The class that is meant today: one that runs, else the first that is not closed, else the one that was. */
export function planOfToday(kit: LookKitView): ClassPlanShown | null {
  const today = (kit.plans ?? []).filter((p) => p.day === kit.today);
  const known = today.find((p) => p.run !== null && !p.closed) ?? today.find((p) => !p.closed) ?? today.at(-1) ?? null;
  if (known) return known;
  try {
    const kept = JSON.parse(localStorage.getItem(TODAY) ?? 'null') as Kept | null;
    if (kept?.day !== kit.today) return null;
    const plan = readFromDevice(keyOf(kept.id), storedClassPlan);
    return plan && { ...kept, plan, run: null, closed: false, note: '' };
  } catch {
    return null;
  }
}
