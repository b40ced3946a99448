import { asc, eq } from 'drizzle-orm';
import type { CertificateView, ViewInput } from '../../contracts/views';
import { worded, dateInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { readCertificates } from '../../data/queries/certificates';
import { readGrading, readPanel } from '../../data/queries/gradings';
import { readBeltsBefore } from '../../data/queries/roll';
import { hall, person, rankHeld, school } from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { Refusal } from '../http/problem';
import { askedOf } from '../judging/asked';
import { readJudging } from '../judging/judging';
import type { Who } from '../who';

/** A certificate as it was given; a student sees their own, a guardian that of their child. */
export async function certificateView(
  tx: Transaction,
  who: Who,
  { id }: ViewInput<'certificate'>,
): Promise<CertificateView> {
  const [c] = await readCertificates(tx, { id });
  if (!c) throw new Refusal(404, 'There is no such certificate.');
  if (who.role === 'student' || who.role === 'guardian') await mustBeOwnStudent(tx, who, c.studentId);
  const [own] = await tx.select().from(school);
  const j = await readJudging(tx, who.today, [c.studentId]);
  const held = await tx
    .select()
    .from(rankHeld)
    .where(eq(rankHeld.personId, c.studentId))
    .orderBy(asc(rankHeld.since), asc(rankHeld.at));
  // What was asked goes by the belt worn until then.
  const before = (await readBeltsBefore(tx, [c.studentId], c.day)).get(c.studentId);
  const ranks = j.versions.ranks;
  const to = ranks.find((r) => r.id === c.rankId);
  const g = c.gradingId === null ? undefined : await readGrading(tx, c.gradingId);
  const [where] = g?.hallId ? await tx.select({ name: hall.name }).from(hall).where(eq(hall.id, g.hallId)) : [];
  const roles = new Map(
    (await tx.select({ id: person.id, role: person.role }).from(person)).map((p) => [p.id, p.role]),
  );
  const said = { name: c.name, belt: c.belt, day: dateInWords(c.day), school: own!.name };
  return {
    id,
    number: c.number,
    code: c.code,
    name: c.name,
    to: { id: c.rankId, name: c.belt, cloth: to!.cloth },
    day: c.day,
    head: worded(own!.certificateHead || '{school}', said),
    wording: worded(own!.certificateWording, said),
    hall: where?.name ?? null,
    panel: g ? (await readPanel(tx, g.id)).map((p) => ({ name: p.name, role: roles.get(p.personId) ?? '' })) : [],
    items:
      g && before
        ? askedOf(j, { id: c.studentId, since: before.since }, c.rankId).map((r) => ({
            name: j.items.nameOf(r.item),
            condition: j.versions.conditions.find((x) => x.id === r.conditionId)?.name ?? '',
          }))
        : [],
    belts: ranks.map((r) => ({
      name: r.name,
      since: held.filter((h) => h.rankId === r.id && h.since <= c.day).at(-1)?.since ?? null,
    })),
    signed: c.signed,
    back: c.backAt !== null,
  };
}
