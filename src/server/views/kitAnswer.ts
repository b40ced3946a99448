import { createHash } from 'node:crypto';
import type { KitAnswer, LookKitView } from '../../contracts/views';

type Seals = ReadonlyMap<string, string>;

/** So many versions of a school's kit are remembered by what they were made of. */
const REMEMBERED = 12;
const remembered = new Map<string, Map<string, Seals>>();

const sealOf = (x: unknown): string => createHash('sha256').update(JSON.stringify(x)).digest('base64url').slice(0, 16);

/** Students come out of what is kept of them: as long as that is the same, so is its seal. */
const sealed = new WeakMap<object, string>();
function sealOfStudent(s: object): string {
  let seal = sealed.get(s);
  if (seal === undefined) sealed.set(s, (seal = sealOf(s)));
  return seal;
}

/**
 * What a device lacks that has the version `since` already. Which parts a version was made of is remembered here for a
 * dozen of them; of one that is not known any more everything is sent.
 */
export function kitAnswer(schoolId: string, kit: LookKitView, since: string | undefined): KitAnswer {
  const { students, ...parts } = kit;
  const seals = new Map<string, string>();
  for (const [name, part] of Object.entries(parts)) seals.set(`part ${name}`, sealOf(part));
  for (const s of students) seals.set(s.id, sealOfStudent(s));
  const version = sealOf([...seals].sort(([a], [b]) => (a < b ? -1 : 1)));
  const mine = remembered.get(schoolId) ?? new Map<string, Seals>();
  remembered.set(schoolId, mine);
  const had = since === undefined ? undefined : mine.get(since);
  mine.delete(version);
  mine.set(version, seals);
  for (const oldest of mine.keys()) {
    if (mine.size <= REMEMBERED) break;
    mine.delete(oldest);
  }
  return {
    version,
    since: had ? since! : null,
    parts: Object.fromEntries(
      Object.entries(parts).filter(([name]) => had?.get(`part ${name}`) !== seals.get(`part ${name}`)),
    ),
    students: students.filter((s) => had?.get(s.id) !== seals.get(s.id)),
    order: students.map((s) => s.id),
  };
}
