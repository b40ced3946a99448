import { eq } from 'drizzle-orm';
import type { HomeView, ViewInput } from '../../contracts/views';
import {
  ageOn,
  capital,
  cautionInWords,
  itemKey,
  LADDER_WORK,
  LADDERS,
  mayStrike,
  nextLoadInWords,
  praiseInWords,
  sumPractice,
  usualLook,
  type Point,
  waitsInWords,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { partOf } from '../../data/queries/items';
import { guardianAgreed, nextLoads, NO_LOAD, readLoadRule, readLoads } from '../../data/queries/loads';
import { readRoll } from '../../data/queries/roll';
import { practice } from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { focusOf, readGiven } from '../belief/focus';
import { Refusal } from '../http/problem';
import { judgeStudent } from '../judging/judge';
import { readJudging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import { requirementNames } from '../judging/requirementNames';
import { waitsFor } from '../judging/gates';
import { readResting, restOf } from '../judging/rests';
import { homeFit, readRoom } from '../judging/room';
import type { Who } from '../who';
import { focusShown } from './shown/slip';

const HARD_FROM = 16;

/** So many basics and so many sequences are enough for one week. */
const BASICS = 4;
const FORMS = 2;

/** What takes more than a floor is done in the air at home. */
const atHome = (c: { name: string; home: boolean } | undefined): string =>
  !c ? '' : c.home ? c.name : `in the air (the belt asks: ${c.name})`;

/** What to practise at home this week: the one correction first, then what is nearest to standing and fits the floor. */
export async function homeView(tx: Transaction, who: Who, { id }: ViewInput<'home'>): Promise<HomeView> {
  await mustBeOwnStudent(tx, who, id);
  const student = (await readRoll(tx, { withLeft: true, id }))[0];
  if (!student) throw new Refusal(404, 'This student is not on the roll.');
  const j = await readJudging(tx, who.today, [id]);
  const syllabus = j.syllabusOf(student);
  const next = rankAbove(syllabus.ranks, student.rankId);
  const judged = next ? judgeStudent(j, student, next.id) : [];
  const given = await readGiven(tx, [id]);
  const { focus, praise } = focusOf(j, student, judged, given.get(id));
  const nameOf = requirementNames(j, student);
  const resting = (await readResting(tx, who.today, [id])).get(id) ?? [];
  const room = await readRoom(tx, id);
  const age = student.born ? ageOn(student.born, who.today) : null;
  const conditionOf = new Map(j.versions.conditions.map((c) => [c.id, c]));
  const log = sumPractice(await tx.select().from(practice).where(eq(practice.studentId, id)), who.today);

  const items: HomeView['items'] = [];
  const left: HomeView['left'] = [];
  const onFocus = new Set(focus?.requirementIds ?? []);
  const order = [...judged].sort(
    (a, b) =>
      Number(onFocus.has(b.requirement.id)) - Number(onFocus.has(a.requirement.id)) ||
      Number(a.word === 'met') - Number(b.word === 'met') ||
      a.verdict.looksNeeded - b.verdict.looksNeeded,
  );
  const kept = new Set<string>();
  for (const x of order) {
    const { item } = x.requirement;
    const name = j.items.nameOf(item);
    const kind = j.items.kindOf(item);
    const facts = j.items.factsOf(itemKey(item), item);
    const rest = restOf(j, item, resting, x.requirement.conditionId);
    const waits = waitsFor(j, student, x.requirement);
    if (waits) left.push({ name, why: waitsInWords(waits, who.today) });
    else if (rest) left.push({ name, why: `rests${rest.until ? ` until ${rest.until}` : ''}: ${rest.what}` });
    else if (kind === 'partner drill') left.push({ name, why: 'needs a partner: in the hall' });
    else if (facts?.hardens || kind === 'equipment set')
      left.push({
        name,
        why:
          age !== null && age < HARD_FROM
            ? `soft targets only under ${HARD_FROM}: in the hall`
            : 'on the hall’s equipment',
      });
    else if (facts?.age != null && age !== null && age < facts.age) left.push({ name, why: `from ${facts.age} years` });
    else if (
      items.filter((i) => (i.body === null) === 'technique' in item).length >= ('technique' in item ? BASICS : FORMS)
    )
      left.push({ name, why: 'enough for one week' });
    else {
      const row = 'sequence' in item ? j.items.sequences.get(item.sequence) : undefined;
      const { fit } = homeFit(j, item, room);
      // The first that is not there yet, one with a cue if there is one: cue and point belong together.
      const short = x.verdict.points.filter((p) => p.looksNeeded > 0).map((p) => p.point);
      const cueOf = (p: Point) => p.slips.find((sl) => sl.cue !== '')?.cue ?? '';
      const point = short.find((p) => cueOf(p) !== '') ?? short[0] ?? x.verdict.worst?.point;
      for (const k of j.items.keptOf(item)) kept.add(k);
      items.push({
        key: itemKey(item),
        name,
        condition: atHome(conditionOf.get(x.requirement.conditionId)),
        why: onFocus.has(x.requirement.id)
          ? 'Your one thing is in it.'
          : x.word !== 'met'
            ? `${capital(point?.name ?? name)} is not there yet.`
            : x.verdict.word !== 'met'
              ? 'Your teacher has settled it; keep it.'
              : x.verdict.fallen.length > 0
                ? `It is enough for the belt; ${point?.name ?? name} is what is left.`
                : 'It holds; keep it.',
        times: row
          ? 'Three times, slowly; then once as at a showing.'
          : `${Math.max(10, usualLook(x.requirement.standard))} ${j.items.isSided(item) ? 'on each side' : 'times'}, on three days.`,
        cues: point && cueOf(point) !== '' ? [cueOf(point)] : [],
        fit,
        body: row ? partOf(row.body, item) : null,
        stances: row ? j.items.stancesOf(row.body) : [],
      });
    }
  }
  const load = (await readLoads(tx, [id])).get(id) ?? NO_LOAD;
  const { rule, ofAge } = await readLoadRule(tx);
  const nexts = mayStrike(student.born, guardianAgreed(load), rule, ofAge, who.today).may
    ? nextLoads(load, rule, who.today)
    : [];
  const strikes = LADDERS.map((l) => nexts.filter((n) => n.ladder === l))
    .filter((list) => list.length > 0)
    .map((list) => `${capital(LADDER_WORK[list[0]!.ladder])}: ${nextLoadInWords(list, who.today)}`);
  const cautions = [
    'Clear the floor, and keep clear of furniture and of people.',
    'Ten minutes here and there do more than an hour once.',
    'Pain: stop, and ask a doctor or physiotherapist.',
    ...(age !== null && age < HARD_FROM ? [`Under ${HARD_FROM}: no hard targets, no knuckle press-ups.`] : []),
    ...kept,
    ...resting.map((r) => `Rests${r.until ? ` until ${r.until}` : ''}: ${r.what}.`),
    ...[cautionInWords(log)].filter(Boolean),
  ];
  const rank = syllabus.ranks.find((r) => r.id === student.rankId)!;
  const shown = ({ id: rankId, name, cloth }: typeof rank) => ({ id: rankId, name, cloth });
  return {
    school: who.schoolName,
    student: { name: student.name, age, rank: shown(rank) },
    next: next ? shown(next) : null,
    today: who.today,
    room: { width: room.width, depth: room.depth, stature: room.stature },
    focus: focus && focusShown(focus, nameOf),
    praise: praiseInWords(praise, who.today),
    cautions,
    items,
    strikes,
    left,
  };
}
