import type { ClassPlanShown, LookKitView } from '../../contracts/views';
import type { ClassPlan } from '../../core';
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

/** The plan as this device knows it, with the version that it is, or was made from. */
export function keepToday(c: Pick<ClassPlanShown, 'id' | 'day' | 'hallId' | 'plan' | 'version'>): void {
  keepOnDevice(keyOf(c.id), storedClassPlan, c.plan);
  try {
    const { id, day, hallId, version } = c;
    localStorage.setItem(TODAY, JSON.stringify({ id, day, hallId, version } satisfies Kept));
  } catch {
    // It stands on the page and goes to the server.
  }
}

function kept(today: string): (Kept & { plan: ClassPlan }) | null {
  try {
    const known = JSON.parse(localStorage.getItem(TODAY) ?? 'null') as Kept | null;
    if (known?.day !== today) return null;
    const plan = readFromDevice(keyOf(known.id), storedClassPlan);
    return plan && { ...known, plan };
  } catch {
    return null;
  }
}

/**
 * The class that is meant today: one that runs, else the first that is not closed, else the one that was. What was changed
 * on this device and has not come back yet goes before what the mat's kit has.
 */
export function planOfToday(kit: LookKitView): ClassPlanShown | null {
  const today = (kit.plans ?? []).filter((p) => p.day === kit.today);
  const known = today.find((p) => p.run !== null && !p.closed) ?? today.find((p) => !p.closed) ?? today.at(-1) ?? null;
  const own = kept(kit.today);
  if (known === null) return own && { ...own, run: null, closed: false, note: '' };
  return own?.id === known.id && own.version >= known.version ? { ...known, ...own } : known;
}
