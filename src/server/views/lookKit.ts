import { sql } from 'drizzle-orm';
import type { LookKitView } from '../../contracts/views';
import { adaptationsOn, ageOn, canHurt, consentOf, dayInWords, itemKey, praiseInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { readRoll } from '../../data/queries/roll';
import { groundsOf } from '../belief/chance';
import { focusOf, readGiven } from '../belief/focus';
import { nextGrading } from '../belief/gradings';
import { schoolBeliefs } from '../belief/school';
import { worthsOf } from '../belief/worth';
import { judgeStudent } from '../judging/judge';
import { readJudging, type Judging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import { requirementNames } from '../judging/requirementNames';
import { readResting, restOf } from '../judging/rests';
import { staleEarlier } from '../judging/stale';
import type { Who } from '../who';
import { shownPoints } from './library';
import { conditionShown } from './shown/condition';
import { focusShown, slipShown } from './shown/slip';

/** Whoever came within so many days may be on the line tonight: for them it is worked out what is worth a look. */
const MAY_COME = 60;

/**
 * Requirements a student whose looks are worth most are taken along to the mat: all of them in a small school, since
 * tonight may be about any; in a large one more than an evening can hold, so that the tablet is not slowed.
 */
const worthsEach = (students: number): number => Math.max(10, Math.floor(1500 / Math.max(1, students)));

/** Everything the mat needs for an evening without a network. */
export async function lookKitView(tx: Transaction, who: Who): Promise<LookKitView> {
  const roll = await readRoll(tx);
  const j = await readJudging(tx, who.today);
  const school = await schoolBeliefs(tx, who, j);
  const given = await readGiven(tx);
  const resting = await readResting(tx, who.today);
  const grading = await nextGrading(tx, who.today);
  const worths: LookKitView['worths'] = [];
  const asked = new Map<string, LookKitView['asked'][number]>();
  const since = new Date(Date.parse(`${who.today}T00:00:00Z`) - MAY_COME * 86_400_000).toISOString().slice(0, 10);

  const students = roll.map((x) => {
    const own = [...adaptationsOn(j.adaptations.get(x.id), who.today).values()];
    const next = rankAbove(j.syllabusOf(x).ranks, x.rankId);
    const comes = x.lastHere === null || x.lastHere >= since;
    const judged = next && comes ? judgeStudent(j, x, next.id) : [];
    const mine = resting.get(x.id) ?? [];
    const rests: Record<string, string> = {};
    for (const { requirement: r } of judged) {
      const rest = restOf(j, r.item, mine);
      if (rest)
        rests[itemKey(r.item)] =
          `rests${rest.until ? ` until ${dayInWords(rest.until, who.today)}` : ''}: ${rest.what}`;
    }
    const guided = comes ? focusOf(j, x, judged, given.get(x.id)) : null;
    const nameOf = requirementNames(j, x);
    // Where the next belt's gate asks that earlier belts are fresh, what has faded is worth a look too.
    const asksFresh =
      next && comes && j.syllabusOf(x).gates.some((g) => g.rankId === next.id && g.kind === 'earlier ranks fresh');
    const open = asksFresh ? [...judged, ...staleEarlier(j, x)] : judged;
    const list = worthsOf(j, groundsOf(j, school, x), x, open, grading, mine)
      .sort((a, b) => b.settles - a.settles || sum(b) - sum(a))
      .slice(0, worthsEach(roll.length));
    for (const w of list)
      worths.push({
        studentId: w.studentId,
        itemKey: w.itemKey,
        requirementId: w.requirementId,
        conditionId: w.conditionId,
        word: w.word,
        reason: w.reason,
        freshUntil: w.freshUntil,
        seconds: w.seconds,
        settles: round(w.settles),
        hurts: w.hurts,
        points: w.points.map((p) => ({
          id: p.point.id,
          name: p.point.name,
          kind: p.point.kind,
          hurts: canHurt(p.point),
          side: p.side,
          gain: round(p.gain),
          stands: round(p.stands),
        })),
      });
    return {
      id: x.id,
      name: x.name,
      rankId: x.rankId,
      age: x.born ? ageOn(x.born, who.today) : null,
      lastHere: x.lastHere,
      waived: own.filter((a) => a.waived).map((a) => a.pointId),
      adapted: Object.fromEntries(
        own
          .filter((a) => !a.waived)
          .map((a) => [
            a.pointId,
            a.range ? `${a.range.lo} to ${a.range.hi} accepted` : `${Math.round((a.share ?? 0) * 100)} in 100 asked`,
          ]),
      ),
      focus: guided?.focus ? focusShown(guided.focus, nameOf) : null,
      slips: guided?.slipping.slice(0, 6).map((y) => slipShown(y, nameOf)) ?? [],
      praise: guided ? praiseInWords(guided.praise, who.today) : '',
      rests,
      rung: consentOf(j.consents.get(x.id), x.born, who.today),
    };
  });
  // What is asked, by whichever version somebody follows; the newest says it first.
  const inForce = j.versions.inForce(who.today);
  const versions = [inForce ?? j.versions.published[0] ?? j.versions.draft, ...j.versions.published].filter(
    (v) => v !== null && v !== undefined,
  );
  for (const version of versions)
    for (const r of j.versions.read(version).requirements) {
      const key = `${r.rankId} ${itemKey(r.item)} ${r.conditionId}`;
      if (!asked.has(key))
        asked.set(key, {
          rankId: r.rankId,
          itemKey: itemKey(r.item),
          techniqueId: 'technique' in r.item ? r.item.technique : null,
          sequenceId: 'sequence' in r.item ? r.item.sequence : null,
          part: 'sequence' in r.item ? r.item.part : null,
          conditionId: r.conditionId,
          purpose: r.purpose,
          repetitions: r.standard.repetitions,
          name: j.items.nameOf(r.item),
          group: j.items.groupOf(r.item),
        });
    }
  const order = roll[0] ? j.syllabusOf(roll[0]).order : new Map<string, ReadonlySet<string>>();
  return {
    today: who.today,
    timeZone: who.timeZone,
    me: { personId: who.personId, name: who.name },
    ranks: j.versions.ranks.map(({ id, name, cloth }) => ({ id, name, cloth })),
    conditions: j.versions.conditions.map(conditionShown),
    beyond: Object.fromEntries([...order].map(([c, above]) => [c, [...above]])),
    students,
    stood: await readStood(tx),
    techniques: [...j.library.techniques.values()]
      .filter((t) => !t.retired)
      .map((t) => ({
        id: t.id,
        name: t.name,
        kind: t.kind,
        sided: t.sided,
        points: shownPoints(j.library, t.id).map(({ why: _why, ...p }) => p),
      }))
      .filter((t) => t.points.length > 0),
    sequences: sequencesShown(j, new Set([...asked.values()].flatMap((a) => (a.sequenceId ? [a.sequenceId] : [])))),
    asked: [...asked.values()],
    worths,
    gradingDay: grading,
  };
}

const CLASSES_STOOD = 8;

/** How people stood in the last classes of which that is known. */
async function readStood(tx: Transaction): Promise<string[][]> {
  const { rows } = await tx.execute<{ stood: string[] }>(sql`
    select array_agg(a.person_id::text order by a.place) as stood
    from class_held c join attendance a on a.school_id = c.school_id and a.class_id = c.id
    where a.place is not null group by c.school_id, c.id, c.day order by c.day desc, c.id desc limit ${CLASSES_STOOD}`);
  return rows.map((r) => r.stood);
}

const round = (x: number) => Math.round(x * 10_000) / 10_000;

const sum = (w: { points: readonly { gain: number }[] }) => w.points.reduce((n, p) => n + p.gain, 0);

function sequencesShown(j: Judging, asked: ReadonlySet<string>): LookKitView['sequences'] {
  return [...j.items.sequences.values()]
    .filter((s) => !s.retired && asked.has(s.id) && s.body.moves.length > 0)
    .map((s) => ({
      id: s.id,
      title: s.title,
      kind: s.kind,
      body: s.body,
      points: j.items
        .pointsAt(s.id)
        .map((list) =>
          list.slice(0, 8).map((p) => ({ id: p.id, name: p.name, cue: p.slips[0]?.cue ?? '', kind: p.kind })),
        ),
    }));
}
