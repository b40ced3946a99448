import type { Evidence } from '../../core';
import type { Transaction } from '../../data/connection';
import type { EvidenceByStudent } from '../../data/queries/evidence';
import type { Items } from '../../data/queries/items';
import type { Library } from '../../data/queries/library';
import type { RollRow } from '../../data/queries/roll';
import { versionFor, type SyllabusRead, type Versions } from '../../data/queries/syllabus';
import { readKnown, type AdaptationRow, type ConsentRow, type OverrideRow } from './known';

export type { OverrideRow } from './known';

/** Does something of one student once as long as neither the student nor the stamp changes. */
export type Once = <T>(studentId: string, what: string, stamp: string, make: () => T) => T;

/** Everything that judging students needs, read once for all of them. */
export interface Judging {
  library: Library;
  items: Items;
  versions: Versions;
  /** The version each student is judged by. */
  syllabusOf: (student: { id: string; since: string }) => SyllabusRead;
  evidence: EvidenceByStudent;
  adaptations: ReadonlyMap<string, AdaptationRow[]>;
  overrides: ReadonlyMap<string, OverrideRow>;
  attendance: ReadonlyMap<string, { day: number; minutes: number }[]>;
  /** The newest consent of each student, and the last day of the longest open injury. */
  consents: ReadonlyMap<string, ConsentRow>;
  injured: ReadonlyMap<string, string>;
  today: string;
  /** From this age on nobody is a minor. */
  ofAge: number;
  once: Once;
  /** What was reckoned of the whole school, until the day or the school changes. */
  made: Map<string, unknown>;
}

export const NOTHING: Evidence = new Map();

/** Where what is judged is not what is known today, nothing is kept of it. */
export const eachTime: Once = (_student, _what, _stamp, make) => make();

/** What is known today, of everybody on the roll or of the students named. */
export async function readJudging(tx: Transaction, today: string, studentIds?: readonly string[]): Promise<Judging> {
  const { grounded, students, ofAge, made } = await readKnown(tx, today, studentIds);
  const { library, items, versions, followed } = grounded;
  const each = [...students];
  return {
    library,
    items,
    versions,
    syllabusOf: (student) => versions.read(versionFor(versions, student, followed)),
    evidence: new Map(each.map(([id, s]) => [id, s.evidence])),
    adaptations: new Map(each.map(([id, s]) => [id, s.adaptations])),
    overrides: new Map(
      each.flatMap(([id, s]) => s.overrides.map((o): [string, OverrideRow] => [`${id} ${o.requirementId}`, o])),
    ),
    attendance: new Map(each.map(([id, s]) => [id, s.attendance])),
    consents: new Map(each.flatMap(([id, s]): [string, ConsentRow][] => (s.consent ? [[id, s.consent]] : []))),
    injured: new Map(each.flatMap(([id, s]): [string, string][] => (s.injuredUntil ? [[id, s.injuredUntil]] : []))),
    today,
    ofAge,
    once: (studentId, what, stamp, make) => {
      const mine = students.get(studentId)?.made;
      const known = mine?.get(what);
      if (known?.stamp === stamp) return known.value as ReturnType<typeof make>;
      const value = make();
      mine?.set(what, { stamp, value });
      return value;
    },
    made,
  };
}

export type Judgeable = Pick<RollRow, 'id' | 'born' | 'since' | 'rankId'>;
