import type { CycleAskedView } from '../../contracts/views';
import {
  ageOn,
  beyondCeiling,
  capital,
  consentOf,
  daysBetween,
  isBeyond,
  itemKey,
  landingOf,
  listInWords,
  ownedNow,
  risksOf,
  standsIn,
  RUNGS,
  RUNG_GEAR,
  type ItemFacts,
  type Risk,
  type WorkAsked,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readRoll, type RollRow } from '../../data/queries/roll';
import { countsOn, type PlacedItem, type SyllabusRead } from '../../data/queries/syllabus';
import { readThings } from '../../data/queries/things';
import { hall } from '../../data/tables';
import { judgeStudent, type Judged } from '../judging/judge';
import { readJudging, type Judging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import { readResting, restOf } from '../judging/rests';
import type { Who } from '../who';

/** Whoever was here within so many days is one of those who usually come. */
const COMES = 35;

const STOP = 'Either may stop at any time and gives no reason. Pain: stop.';
const LOCAL = 'Local rules on minors come first.';

interface Collected {
  requirement: PlacedItem;
  version: SyllabusRead;
  ranks: Set<string>;
  people: number;
  open: number;
  seen: boolean;
  mayNot: number;
  why: Set<string>;
}

/** "What is still to be worked at?" What the next belts of those who usually come ask, by item and condition. */
export async function cycleAskedView(tx: Transaction, who: Who): Promise<CycleAskedView> {
  const roll = (await readRoll(tx)).filter((x) => x.lastHere !== null && daysBetween(x.lastHere, who.today) <= COMES);
  const j = await readJudging(tx, who.today);
  const resting = await readResting(tx, who.today);
  const halls = await tx.select({ width: hall.width, depth: hall.depth }).from(hall);
  const all = new Map<string, Collected>();
  for (const x of roll) {
    const version = j.syllabusOf(x);
    const next = rankAbove(version.ranks, x.rankId);
    if (!next) continue;
    for (const judged of judgeStudent(j, x, next.id)) {
      const r = judged.requirement;
      const key = `${itemKey(r.item)} ${r.conditionId}`;
      const of = all.get(key) ?? {
        requirement: r,
        version,
        ranks: new Set<string>(),
        people: 0,
        open: 0,
        seen: false,
        mayNot: 0,
        why: new Set<string>(),
      };
      all.set(key, of);
      of.ranks.add(next.id);
      of.people += 1;
      if (judged.word !== 'met') of.open += 1;
      if (wasSeen(judged)) of.seen = true;
      const why = mayNot(j, version, x, r, resting.get(x.id) ?? []);
      if (why !== null) {
        of.mayNot += 1;
        of.why.add(why);
      }
    }
  }
  const list = [...all.values()].sort((a, b) => placeOf(a) - placeOf(b));
  const { limits } = j.versions.read(countsOn(j.versions, who.today)).body;
  const things = await readThings(tx);
  return {
    asked: list.map((c) => shown(j, c, list, halls, ownedNow(c.version.body.limits.owns, things, who.today))),
    ranks: list.map((c) => [...c.ranks]),
    rule: { perPoint: limits.minutesPerPoint, perCount: limits.minutesPerCount },
    people: roll.length,
  };
}

const wasSeen = (x: Judged) => x.word !== 'unseen';

/** In the order of the belts, then of the syllabus. */
const placeOf = (c: Collected): number =>
  Math.min(...[...c.ranks].map((r) => c.version.ranks.findIndex((x) => x.id === r))) * 1000 +
  c.version.requirements.indexOf(c.requirement);

const factsFor = (j: Judging, r: PlacedItem): ItemFacts | undefined => j.items.factsOf(itemKey(r.item), r.item);

/** Why somebody may not work at it now; null: they may. */
function mayNot(
  j: Judging,
  version: SyllabusRead,
  x: RollRow,
  r: PlacedItem,
  resting: Parameters<typeof restOf>[2],
): string | null {
  const condition = version.conditions.find((c) => c.id === r.conditionId);
  const f = factsFor(j, r);
  const age = x.born === null ? null : ageOn(x.born, j.today);
  const ages = version.body.limits.ages;
  const risks: Risk[] = f && condition ? risksOf(r, condition, f) : [];
  const least = Math.max(f?.age ?? 0, ...risks.map((k) => ages[k] ?? 0));
  if (least > 0 && (age === null || age < least)) return `from ${least} years on`;
  if (r.rung !== null) {
    const rung = consentOf(j.consents.get(x.id), x.born, j.today, j.ofAge);
    if ((rung ?? 0) < RUNGS.indexOf(r.rung) + 1) return 'with consent on record';
  }
  return restOf(j, r.item, resting, r.conditionId)?.parts === null ? 'once it no longer rests' : null;
}

function shown(
  j: Judging,
  c: Collected,
  list: readonly Collected[],
  halls: readonly { width: number; depth: number }[],
  /** Null: nobody said what is owned. */
  owned: readonly string[] | null,
): WorkAsked {
  const r = c.requirement;
  const { version } = c;
  const f = factsFor(j, r);
  const condition = version.conditions.find((x) => x.id === r.conditionId);
  const technique = 'technique' in r.item ? j.library.techniques.get(r.item.technique) : undefined;
  const group = j.items.groupOf(r.item);
  const partner = (condition?.partner ?? false) || group === 'Partner';
  const contact = r.rung !== null;
  const missing = owned
    ? [...(f?.equipment ?? []), ...(condition?.gear ? [condition.gear] : [])].filter((e) => !owned.includes(e))
    : [];
  const room = f?.room;
  const tooLarge = room != null && halls.length > 0 && !halls.some((h) => standsIn(room, h));
  const above =
    (f?.ceiling !== null && f?.ceiling !== undefined && isBeyond(version.order, r.conditionId, f.ceiling)) ||
    (f?.landing != null && condition !== undefined && beyondCeiling(f.landing, landingOf(r, condition)) !== null);
  const refused = above
    ? 'It goes above its ceiling.'
    : missing.length > 0
      ? `The hall does not own ${listInWords([...new Set(missing)])}.`
      : tooLarge
        ? 'It fits no hall.'
        : c.mayNot === c.people
          ? `Nobody who comes may: only ${listInWords([...c.why])}.`
          : null;
  const sayWho =
    c.mayNot > 0 && c.mayNot < c.people ? `Only ${listInWords([...c.why])}: the others work in the air.` : '';
  const gloves = contact && RUNG_GEAR[r.rung!] !== 'none';
  return {
    key: `${itemKey(r.item)} ${r.conditionId}`,
    item: r.item,
    conditionId: r.conditionId,
    name: j.items.nameOf(r.item),
    condition: condition?.name ?? '',
    group,
    sided: j.items.isSided(r.item),
    points: f?.points ?? 0,
    counts: f?.counts ?? 0,
    partner,
    gear: condition?.gear ?? f?.equipment[0] ?? null,
    heavy: technique?.kind === 'kick' || technique?.kind === 'fall' || contact,
    weapon: f?.weapon ?? false,
    people: c.people,
    open: c.open,
    fresh: !c.seen,
    mayNot: c.mayNot,
    refused,
    after: list
      .filter((o) => o !== c && goesBefore(o, c))
      .map((o) => `${itemKey(o.requirement.item)} ${o.requirement.conditionId}`),
    caution: [partner ? STOP : '', gloves ? LOCAL : '', capital(sayWho)].filter((t) => t !== '').join(' '),
  };
}

/** An easier condition of the same item goes first, and so does what the syllabus says an item needs. */
function goesBefore(o: Collected, c: Collected): boolean {
  const [a, b] = [o.requirement, c.requirement];
  if (itemKey(a.item) === itemKey(b.item)) return isBeyond(c.version.order, b.conditionId, a.conditionId);
  return c.version.body.needs.some((n) => n.of === b.threadId && n.on === a.threadId);
}
