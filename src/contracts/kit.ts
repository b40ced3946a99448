import type { KitAnswer, KitStudent, LookKitView } from './views';

/** What a device keeps of the last evening. */
export interface KeptKit {
  version: string;
  kit: LookKitView;
}

/** Lays an answer upon what the device has; null: it does not fit, and everything is to be asked for again. */
export function upon(kept: KeptKit | null, answer: KitAnswer): KeptKit | null {
  if (answer.since !== null && answer.since !== kept?.version) return null;
  const known = new Map<string, KitStudent>();
  if (answer.since !== null) for (const s of kept!.kit.students) known.set(s.id, s);
  for (const s of answer.students) known.set(s.id, s);
  const students = answer.order.map((id) => known.get(id));
  if (students.includes(undefined)) return null;
  const before = answer.since === null ? {} : kept!.kit;
  return {
    version: answer.version,
    kit: { ...(before as LookKitView), ...answer.parts, students: students as KitStudent[] },
  };
}
