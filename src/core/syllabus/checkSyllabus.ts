import { ALONE, countsFor, isBeyond, type ConditionFacts } from '../units/condition';
import { standsIn } from '../floor/room';
import { hangsOn } from '../units/graphOrder';
import { beyondCeiling, type Landing } from '../technique/ceiling';
import { countOf, listInWords } from '../words/speak';
import { ageAt } from './ages';
import { coverage } from './coverage';
import { FAMILIES, type ItemFacts } from './facts';
import { isWhole, itemKey, wholeOf } from './item';
import { loadOf } from './load';
import { owned } from '../equipment/owned';
import type { Thing } from '../equipment/thing';
import { RUNG_GEAR, type Requirement } from './standard';
import { lifeOf, orderOf, requirementsOf, RISKS, type Risk, type Syllabus, type Thread } from './syllabus';

/** What can hurt first, then what cannot be taught as it stands, then what is a matter of measure. */
export const SYLLABUS_CHECKS = [
  'above the ceiling',
  'too young',
  'not in the library',
  'asked before taught',
  'tested, never trained',
  'let go but needed',
  'new and tested at once',
  'whole before part',
  'asks more than it gives',
  'equipment missing',
  'too large for the hall',
  'skips a condition',
  'trained, never tested',
  'more new than its neighbours',
  'kept, never tested again',
  'uncovered',
] as const;
export type SyllabusCheck = (typeof SYLLABUS_CHECKS)[number];

/** What was found: the first words say it, the rest says why. `key` stays while the matter stays, so it can be waived. */
export interface SyllabusFinding {
  check: SyllabusCheck;
  key: string;
  rankId: string | null;
  threadId: string | null;
  /** The other item it is about, where there is one. */
  alsoId: string | null;
  says: string;
  why: string;
}

export interface SyllabusContext {
  /** From the lowest. */
  ranks: readonly { id: string; name: string }[];
  conditions: readonly ({ id: string; name: string } & ConditionFacts)[];
  factsOf: (itemKey: string) => ItemFacts | undefined;
  halls: readonly { name: string; width: number; depth: number }[];
  /** The kinds of things in the store, sound or not; none: what the syllabus says is owned counts. */
  store?: readonly Pick<Thing, 'name' | 'serves'>[];
}

/** How something lands that is asked in a condition and on a rung. */
export const landingOf = (
  r: Pick<Requirement, 'rung'>,
  condition: Pick<ConditionFacts, 'partner' | 'gear'>,
): Landing => ({
  partner: condition.partner || r.rung !== null,
  equipment: condition.gear !== null,
  contact: r.rung !== null,
  gloved: r.rung !== null && RUNG_GEAR[r.rung] !== 'none',
});

/** What of the school's ages a requirement comes under. */
export function risksOf(
  r: Pick<Requirement, 'rung'>,
  condition: Pick<ConditionFacts, 'partner' | 'gear'>,
  f: Pick<ItemFacts, 'weapon' | 'hardens' | 'head'>,
): Risk[] {
  const out: Risk[] = [];
  const partner = condition.partner || r.rung !== null;
  if (partner && f.head && r.rung !== null) out.push(RUNG_GEAR[r.rung] === 'none' ? 'soft head touch' : 'head impact');
  if (f.hardens || condition.gear === 'striking post') out.push('hard conditioning');
  if (f.weapon) out.push('weapons');
  return out;
}

const hours = (minutes: number) => countOf(Math.round(minutes / 60), 'hour');

/** A rank that asks this much more new work than those beside it is told: a rule of thumb, from memory. */
const MUCH_MORE = 1.6;
const AT_LEAST_MORE = 300;
/** Kept over so many ranks without another test, a thing is told: a rule of thumb, from memory. */
const KEPT_LONG = 2;

const NOT_OWNED = 'The hall does not own it, as the store or the syllabus says.';

/** Everything about a syllabus that does not hold together, in the order of the checks, then of the threads. */
export function checkSyllabus(s: Syllabus, c: SyllabusContext): SyllabusFinding[] {
  const out: SyllabusFinding[] = [];
  const ids = c.ranks.map((r) => r.id);
  const place = new Map(ids.map((id, i) => [id, i]));
  const rankName = (i: number) => c.ranks[i]?.name ?? '';
  const conditionOf = new Map(c.conditions.map((x) => [x.id, x]));
  const conditionName = (id: string) => conditionOf.get(id)?.name ?? 'a condition that is gone';
  const order = orderOf(
    s,
    c.conditions.map((x) => x.id),
  );
  const facts = new Map<string, ItemFacts | undefined>(s.threads.map((t) => [t.id, c.factsOf(itemKey(t.item))]));
  const name = (id: string) => facts.get(id)?.name ?? 'Something gone';
  const lives = new Map(s.threads.map((t) => [t.id, lifeOf(t, s, ids, order)]));
  const asked = requirementsOf(s).filter((r) => place.has(r.rankId));
  const ages = ids.map((id) => ageAt(s, ids, id));
  const say = (
    check: SyllabusCheck,
    threadId: string | null,
    at: number | null,
    says: string,
    why: string,
    more = '',
    alsoId: string | null = null,
  ) => {
    const rankId = at === null ? null : (ids[at] ?? null);
    out.push({
      check,
      key: [check, threadId, rankId, more].filter(Boolean).join(' '),
      rankId,
      threadId,
      alsoId,
      says,
      why,
    });
  };

  for (const t of s.threads) {
    const f = facts.get(t.id);
    const life = lives.get(t.id)!;
    const first = life.tests[0];
    if (!f || f.retired) {
      say(
        'not in the library',
        t.id,
        null,
        `${f?.name ?? 'An item'} is ${f ? 'retired' : 'gone'}.`,
        'It stays in published versions; take it out of the draft or bring it back.',
      );
      continue;
    }
    const mine = asked.filter((r) => r.threadId === t.id).sort((x, y) => place.get(x.rankId)! - place.get(y.rankId)!);
    if (first !== undefined && life.introduced === null)
      say(
        'tested, never trained',
        t.id,
        first,
        `${f.name} is tested and never trained.`,
        `${rankName(first)} asks for it; no belt introduces it.`,
      );
    if (first !== undefined && life.introduced !== null && life.introduced > first)
      say(
        'asked before taught',
        t.id,
        first,
        `${f.name} is asked before it is taught.`,
        `${rankName(first)} tests it, ${rankName(life.introduced)} introduces it.`,
      );
    if (first !== undefined && life.introduced === first && first > 0)
      say(
        'new and tested at once',
        t.id,
        first,
        `${f.name}: new and tested for ${rankName(first)}.`,
        `No time lies between; introduce it ${first === 1 ? 'to beginners' : 'one belt earlier'}.`,
      );
    if (first === undefined && life.introduced !== null && !t.informal)
      say(
        'trained, never tested',
        t.id,
        life.last,
        `${f.name} is never tested.`,
        `Introduced ${life.introduced === 0 ? 'to beginners' : `for ${rankName(life.introduced)}`}. Test it, or call it informal.`,
      );
    const lastTest = life.tests.at(-1);
    if (lastTest !== undefined && life.last - lastTest > KEPT_LONG)
      say(
        'kept, never tested again',
        t.id,
        lastTest,
        `${f.name} is kept after ${rankName(lastTest)} and never tested again.`,
        `${countOf(life.last - lastTest, 'belt')} follow. Test it once more, or let it go.`,
      );
    checkNeeds(t);
    for (const r of mine) checkRequirement(r, f);
    if (!isWhole(t.item)) {
      const whole = s.threads.find((x) => itemKey(x.item) === itemKey(wholeOf(t.item)));
      const w = whole && lives.get(whole.id)!.tests[0];
      if (whole && w !== undefined && first !== undefined && w < first)
        say(
          'whole before part',
          t.id,
          w,
          `${name(whole.id)} is asked whole before ${f.name}.`,
          `${rankName(w)} asks for all of it, ${rankName(first)} for the part.`,
        );
    }
    if (f.room && c.halls.length > 0) {
      const fits = c.halls.some((h) => standsIn(f.room!, h));
      if (!fits && life.last >= 0)
        say(
          'too large for the hall',
          t.id,
          first ?? life.introduced,
          `${f.name} does not fit any hall.`,
          `It takes ${f.room.width.toFixed(1)} by ${f.room.depth.toFixed(1)} m with reach.`,
        );
    }
    const owns = owned(s.limits.owns, c.store ?? []);
    if (owns) {
      const missing = f.equipment.filter((e) => !owns.includes(e));
      if (missing.length > 0 && life.last >= 0)
        say('equipment missing', t.id, first ?? life.introduced, `${f.name} takes ${listInWords(missing)}.`, NOT_OWNED);
    }
  }

  function checkNeeds(t: Thread) {
    const life = lives.get(t.id)!;
    const start = life.tests[0] ?? life.introduced;
    if (start === undefined || start === null) return;
    for (const n of s.needs.filter((x) => x.of === t.id)) {
      const on = lives.get(n.on);
      if (!on || !facts.get(n.on)) continue;
      const begins = on.introduced ?? on.tests[0] ?? null;
      if (begins === null || begins > start) {
        const when = begins === null ? 'No belt introduces it' : `It comes with ${rankName(begins)}`;
        say(
          'asked before taught',
          n.on,
          start,
          `${name(n.on)} is needed before it is taught.`,
          `${when}, but ${name(t.id)}, for ${rankName(start)}, hangs on it.`,
          t.id,
          t.id,
        );
      }
    }
    // What was let go and is still leaned on, near or far.
    if (life.end !== 'let go') return;
    const after = [...hangsOn(t.id, s.needs, 'up')].flatMap((id) => {
      const at = lives.get(id)?.tests.find((x) => x > life.last);
      return at === undefined ? [] : [{ id, at }];
    });
    const next = after.sort((x, y) => x.at - y.at)[0];
    if (next)
      say(
        'let go but needed',
        t.id,
        life.last,
        `${name(t.id)} is let go after ${rankName(life.last)}.`,
        `${name(next.id)}, for ${rankName(next.at)}, leans on it.`,
        '',
        next.id,
      );
  }

  function checkRequirement(r: (typeof asked)[number], f: ItemFacts) {
    const at = place.get(r.rankId)!;
    const condition = conditionName(r.conditionId);
    const done = conditionOf.get(r.conditionId) ?? ALONE;
    if (f.ceiling !== null && isBeyond(order, r.conditionId, f.ceiling))
      say(
        'above the ceiling',
        r.threadId,
        at,
        `${f.name}, ${condition}, goes above its ceiling.`,
        `It goes no farther than ${conditionName(f.ceiling)}.`,
        r.id,
      );
    const over = f.landing && beyondCeiling(f.landing, landingOf(r, done));
    if (over)
      say(
        'above the ceiling',
        r.threadId,
        at,
        `${f.name}, ${condition}, goes above its ceiling.`,
        `It ${over}${r.rung === null ? '' : ` (${r.rung})`}.`,
        `${r.id} landing`,
      );
    const skipped = skips(r, f);
    if (skipped !== null)
      say(
        'skips a condition',
        r.threadId,
        at,
        `${f.name} goes straight to ${condition}.`,
        `The school puts ${skipped} before it, and no belt up to ${rankName(at)} asks for that.`,
        r.id,
      );
    const owns = owned(s.limits.owns, c.store ?? []);
    const takes = done.gear;
    if (owns && takes && !owns.includes(takes))
      say(
        'equipment missing',
        r.threadId,
        at,
        `${f.name}, ${condition}, takes ${takes === 'pads' ? 'pads' : `a ${takes}`}.`,
        NOT_OWNED,
        r.id,
      );
    const youngest = ages[at]!;
    if (f.age !== null && youngest < f.age)
      say(
        'too young',
        r.threadId,
        at,
        `${f.name} is for people of ${f.age} and older.`,
        `${rankName(at)} can be reached ${youngest > 0 ? `at ${youngest}` : 'at any age'}. Rules of federation, insurer and local law come first.`,
        r.id,
      );
    for (const risk of risksOf(r, done, f)) {
      const from = s.limits.ages[risk];
      if (from !== null && youngest < from)
        say(
          'too young',
          r.threadId,
          at,
          `${f.name}: ${risk} below ${from}.`,
          `${rankName(at)} can be reached ${youngest > 0 ? `at ${youngest}` : 'at any age'}; the school set ${from}. Rules of federation, insurer and local law come first.`,
          `${r.id} ${RISKS.indexOf(risk)}`,
        );
    }
  }

  /** The names of what the order puts just before a condition, if nothing of it was asked of this item up to then. */
  function skips(r: (typeof asked)[number], f: ItemFacts): string | null {
    const before = s.order.filter((x) => x.harder === r.conditionId).map((x) => x.easier);
    // What stands at the bottom of the order, or just above it, may be where an item begins.
    const deeper = before.filter((b) => s.order.some((x) => x.harder === b));
    if (deeper.length === 0) return null;
    const at = place.get(r.rankId)!;
    const upTo = asked.filter((x) => x.threadId === r.threadId && x.id !== r.id && place.get(x.rankId)! <= at);
    // Work with equipment or a partner begins where it is made for.
    if (upTo.length === 0 && (f.group === 'Partner' || f.group === 'Equipment')) return null;
    const had = upTo.some((x) => before.includes(x.conditionId) || countsFor(order, x.conditionId, r.conditionId));
    return had ? null : listInWords(deeper.map(conditionName));
  }

  const loads = loadOf(s, ids, c.factsOf);
  for (const [i, l] of loads.entries()) {
    const beside = [loads[i - 1], loads[i + 1]].flatMap((x) => (x && x.minutes > 0 ? [x.minutes] : []));
    const usual = beside.reduce((n, x) => n + x, 0) / Math.max(1, beside.length);
    if (beside.length > 0 && l.minutes > usual * MUCH_MORE && l.minutes - usual >= AT_LEAST_MORE)
      say(
        'more new than its neighbours',
        null,
        i,
        `${rankName(i)} asks far more new than its neighbours.`,
        `${hours(l.minutes)} of new work against ${hours(usual)} beside it: ${countOf(l.points, 'point')}, ${countOf(l.counts, 'count')}.`,
      );
    if (l.given !== null && l.minutes > l.given)
      say(
        'asks more than it gives',
        null,
        i,
        `${rankName(i)} asks ${Math.round(l.minutes / 60)} hours and gives ${Math.round(l.given / 60)}.`,
        `By the school’s rule of thumb: ${s.limits.minutesPerPoint} minutes a new point, ${s.limits.minutesPerCount} a new count.`,
      );
  }

  const cells = coverage(s, c.factsOf);
  for (const family of FAMILIES) {
    const mine = cells.filter((x) => x.family === family);
    if (mine.every((x) => x.requirements === 0)) continue;
    for (const x of mine)
      if (x.requirements === 0)
        say(
          'uncovered',
          null,
          null,
          `No belt asks for ${x.zone === 'upper' ? 'an' : 'a'} ${x.zone} ${family} on the ${x.side}.`,
          'The other heights and sides are asked for.',
          `${family} ${x.zone} ${x.side}`,
        );
  }
  return out
    .map((f, i) => ({ f, i, order: SYLLABUS_CHECKS.indexOf(f.check) }))
    .sort((x, y) => x.order - y.order || x.i - y.i)
    .map((x) => x.f);
}

/** Findings that were not waived, and those that were, with what was said. */
export function sortFindings(s: Syllabus, findings: readonly SyllabusFinding[]) {
  const waived = new Map(s.waivers.map((w) => [w.key, w]));
  return {
    open: findings.filter((f) => !waived.has(f.key)),
    waived: findings.flatMap((f) => {
      const w = waived.get(f.key);
      return w ? [{ ...f, reason: w.reason, by: w.by, day: w.day }] : [];
    }),
  };
}
