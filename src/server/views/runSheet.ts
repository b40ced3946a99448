import { eq, inArray } from 'drizzle-orm';
import type { RunSheetView, ViewInput } from '../../contracts/views';
import { ageOn, beatsOf, consentOf, soundFor, type DayItem, type DaySettings } from '../../core';
import type { Transaction } from '../../data/connection';
import { readCandidates, readGrading, readPanel } from '../../data/queries/gradings';
import { partOf } from '../../data/queries/items';
import { asTheyCame, readRoll } from '../../data/queries/roll';
import type { PlacedItem } from '../../data/queries/syllabus';
import { readThings } from '../../data/queries/things';
import { hall, person, runSheet } from '../../data/tables';
import { Refusal } from '../http/problem';
import { askedOf } from '../judging/asked';
import { readJudging, type Judging } from '../judging/judging';
import { readResting, restOf } from '../judging/rests';
import type { Who } from '../who';

/** Common practice, no source: to be set by each hall. */
const usualDay = (panel: number, gear: readonly string[], sound: ReadonlyMap<string, number>): DaySettings => ({
  begins: 10 * 60,
  ends: 13 * 60,
  opening: 12,
  panel: 25,
  closing: 10,
  pause: 14,
  floors: 1,
  mats: 1,
  line: 8,
  eyes: Math.max(1, panel),
  rest: 10,
  secondsRepetition: 6,
  secondsCount: 2,
  formTogether: 2,
  things: gear.map((name) => ({ name, count: Math.max(1, sound.get(name) ?? 2) })),
  comes: {},
});

function itemShown(j: Judging, r: PlacedItem): DayItem {
  const condition = j.versions.conditions.find((c) => c.id === r.conditionId);
  const technique = 'technique' in r.item ? j.library.techniques.get(r.item.technique) : undefined;
  const sequence = 'sequence' in r.item ? j.items.sequences.get(r.item.sequence) : undefined;
  const shown = sequence && partOf(sequence.body, r.item);
  return {
    id: r.id,
    name: j.items.nameOf(r.item),
    sided: j.items.isSided(r.item),
    counts: shown ? shown.moves.length : null,
    beats: shown ? beatsOf(shown) : null,
    falls: technique?.kind === 'fall',
    partner: (condition?.partner ?? false) || (sequence !== undefined && j.items.kindOf(r.item) === 'partner drill'),
    gear: condition?.gear ?? null,
  };
}

/** "How does the day run?" */
export async function runSheetView(tx: Transaction, who: Who, { id }: ViewInput<'runSheet'>): Promise<RunSheetView> {
  const g = await readGrading(tx, id);
  if (!g) throw new Refusal(404, 'There is no such grading.');
  const up = (await readCandidates(tx, [id])).filter((c) => c.out === null && c.yes !== false);
  const ids = up.map((c) => c.studentId);
  const j = await readJudging(tx, who.today, ids);
  const came = (await readRoll(tx, { withLeft: true })).filter((s) => ids.includes(s.id));
  const roll = new Map((await asTheyCame(tx, came, g.day)).map((s) => [s.id, s]));
  const sizes = new Map(
    ids.length === 0
      ? []
      : (await tx.select({ id: person.id, stature: person.stature }).from(person).where(inArray(person.id, ids))).map(
          (p) => [p.id, p.stature],
        ),
  );
  const resting = await readResting(tx, g.day, ids);
  const place = new Map(j.versions.ranks.map((r, i) => [r.id, i]));
  const items: RunSheetView['items'] = {};
  const candidates = up
    .flatMap((c): RunSheetView['candidates'] => {
      const s = roll.get(c.studentId);
      const to = j.versions.ranks.find((r) => r.id === c.rankId);
      if (!s || !to) return [];
      // Where two follow different versions the group shows what any of them is asked.
      const requirements = askedOf(j, s, to.id, g.items);
      const asked = requirements.map((r) => itemShown(j, r));
      const known = (items[to.id] ??= []);
      for (const i of asked) if (!known.some((k) => k.id === i.id)) known.push(i);
      return [
        {
          id: s.id,
          name: s.name,
          age: s.born ? ageOn(s.born, g.day) : null,
          rank: place.get(s.rankId) ?? 0,
          to: { id: to.id, name: to.name },
          rung: consentOf(j.consents.get(s.id), s.born, who.today, j.ofAge),
          stature: sizes.get(s.id) ?? null,
          rests: requirements
            .filter((r) => restOf(j, r.item, resting.get(s.id) ?? [], r.conditionId)?.parts === null)
            .map((r) => r.id),
        },
      ];
    })
    .sort((a, b) => place.get(a.to.id)! - place.get(b.to.id)! || a.name.localeCompare(b.name));
  const panel = (await readPanel(tx, id)).map((p) => ({ id: p.personId, name: p.name }));
  const [where] = g.hallId ? await tx.select({ name: hall.name }).from(hall).where(eq(hall.id, g.hallId)) : [];
  const [laid] = await tx.select().from(runSheet).where(eq(runSheet.gradingId, id));
  const gear = [...new Set(Object.values(items).flatMap((list) => list.flatMap((i) => i.gear ?? [])))];
  return {
    grading: {
      id,
      title: g.title,
      day: g.day,
      hall: where?.name ?? null,
      repetitions: g.rule.repetitions,
      closed: g.closedAt !== null,
    },
    candidates,
    items,
    panel,
    usual: usualDay(panel.length, gear, soundFor(await readThings(tx), who.today)),
    laid: laid ? { day: laid.day, version: laid.version } : null,
    today: who.today,
  };
}
