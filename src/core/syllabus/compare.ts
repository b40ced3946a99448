import { dequal } from 'dequal';
import { sameRule } from '../grading/rule';
import { inSentence, listInWords } from '../words/speak';
import { gateAsks } from '../words/english/gate';
import { standardChanges } from '../words/english/standard';
import { type Gate } from './gate';
import { RISKS, type PlacedRequirement, type Syllabus } from './syllabus';

/** What the words of a comparison are made of. */
export interface CompareNames {
  ranks: readonly { id: string; name: string }[];
  /** The name of a thread's item. */
  item: (threadId: string) => string;
  /** Whether it is a title, which keeps its capital within a sentence. */
  isTitle?: (threadId: string) => boolean;
  condition: (id: string) => string;
}

/** One difference, in the trade's words. `rankId` is the rank it is about, null: the syllabus as a whole. */
export interface Difference {
  rankId: string | null;
  threadId: string | null;
  /** What the rank is called; null as above. */
  rank: string | null;
  text: string;
}

const keyed = <T extends { id: string }>(list: readonly T[]) => new Map(list.map((x) => [x.id, x]));

/** What is different in `now` from `was`, rank by rank from the lowest. A syllabus compared with itself says nothing. */
export function compareSyllabi(was: Syllabus, now: Syllabus, names: CompareNames): Difference[] {
  const out: Difference[] = [];
  const rankName = (id: string | null) =>
    id === null ? 'no belt' : (names.ranks.find((r) => r.id === id)?.name ?? 'a belt that is gone');
  const say = (rankId: string | null, threadId: string | null, text: string) =>
    out.push({ rankId, threadId, rank: rankId === null ? null : rankName(rankId), text });
  const item = (id: string) => {
    return inSentence(names.item(id), names.isTitle?.(id));
  };
  const how = (r: PlacedRequirement) => `${names.condition(r.conditionId)}${r.purpose ? `, to ${r.purpose}` : ''}`;

  const [before, after] = [keyed(was.requirements), keyed(now.requirements)];
  for (const r of now.requirements) {
    const b = before.get(r.id);
    const name = item(r.threadId);
    if (!b) {
      say(r.rankId, r.threadId, `${name} is now asked, ${how(r)}`);
      continue;
    }
    if (b.rankId !== r.rankId) say(r.rankId, r.threadId, `${name} now here, was for ${rankName(b.rankId)}`);
    if (b.conditionId !== r.conditionId)
      say(r.rankId, r.threadId, `${name} now ${names.condition(r.conditionId)}, was ${names.condition(b.conditionId)}`);
    if (b.purpose !== r.purpose)
      say(
        r.rankId,
        r.threadId,
        `${name} now ${r.purpose ? `to ${r.purpose}` : 'for any purpose'}, was ${b.purpose ? `to ${b.purpose}` : 'for any purpose'}`,
      );
    if (b.stage !== r.stage)
      say(r.rankId, r.threadId, `${name} now ${r.stage ?? 'at any stage'}, was ${b.stage ?? 'at any stage'}`);
    if (b.rung !== r.rung)
      say(
        r.rankId,
        r.threadId,
        `${name} now ${r.rung ? `with contact: ${r.rung}` : 'without contact'}, was ${b.rung ? `with contact: ${b.rung}` : 'without contact'}`,
      );
    const opening = (o: typeof r.opens) => (o ? `opens with ${gateAsks(o)}` : 'opens from the start');
    if (opening(b.opens) !== opening(r.opens))
      say(
        r.rankId,
        r.threadId,
        `${name} now ${opening(r.opens)}, was ${b.opens ? `after ${gateAsks(b.opens)}` : 'from the start'}`,
      );
    if (b.critical !== r.critical)
      say(r.rankId, r.threadId, `${name} ${r.critical ? 'is now critical' : 'is not critical any more'}`);
    const asks = standardChanges(b.standard, r.standard);
    if (asks.length > 0) say(r.rankId, r.threadId, `${name} now ${listInWords(asks)}`);
  }
  for (const b of was.requirements)
    if (!after.has(b.id)) say(b.rankId, b.threadId, `${item(b.threadId)} is not asked any more, was ${how(b)}`);

  const [threadsWas, threadsNow] = [keyed(was.threads), keyed(now.threads)];
  for (const t of now.threads) {
    const b = threadsWas.get(t.id);
    if (!b) {
      if (t.introduced !== null)
        say(t.introduced, t.id, `${item(t.id)} is now introduced${t.informal ? ', informally' : ''}`);
      else say(null, t.id, `${names.item(t.id)} is now in the syllabus`);
      continue;
    }
    if (b.introduced !== t.introduced)
      say(
        t.introduced ?? b.introduced,
        t.id,
        t.introduced === null
          ? `${item(t.id)} is not introduced any more`
          : `${item(t.id)} now introduced here, was ${b.introduced === null ? 'nowhere' : `for ${rankName(b.introduced)}`}`,
      );
    if (b.until !== t.until)
      say(
        t.until ?? b.until,
        t.id,
        t.until === null
          ? `${item(t.id)} is now kept to the end, was let go after ${rankName(b.until)}`
          : `${item(t.id)} is now let go after ${rankName(t.until)}${b.until === null ? '' : `, was after ${rankName(b.until)}`}`,
      );
    if (b.informal !== t.informal) say(null, t.id, `${names.item(t.id)} is now ${t.informal ? 'informal' : 'formal'}`);
  }
  for (const b of was.threads)
    if (!threadsNow.has(b.id)) say(null, b.id, `${names.item(b.id)} is not in the syllabus any more`);
  const placeOf = (s: Syllabus, other: ReadonlyMap<string, unknown>) =>
    s.threads.filter((t) => other.has(t.id)).map((t) => t.id);
  if (placeOf(was, threadsNow).join() !== placeOf(now, threadsWas).join())
    say(null, null, 'Items stand in another order');

  const [gatesWas, gatesNow] = [keyed(was.gates), keyed(now.gates)];
  const gate = (g: Gate) => gateAsks(g);
  for (const g of now.gates) {
    const b = gatesWas.get(g.id);
    if (!b) say(g.rankId, null, `a new gate, ${gate(g)}`);
    else if (b.rankId !== g.rankId || gate(b) !== gate(g)) say(g.rankId, null, `gate now ${gate(g)}, was ${gate(b)}`);
  }
  for (const b of was.gates) if (!gatesNow.has(b.id)) say(b.rankId, null, `no gate any more, was ${gate(b)}`);

  const need = (n: { of: string; on: string }) => `${n.of} ${n.on}`;
  const [needsWas, needsNow] = [new Set(was.needs.map(need)), new Set(now.needs.map(need))];
  for (const n of now.needs) if (!needsWas.has(need(n))) say(null, n.of, `${names.item(n.of)} now needs ${item(n.on)}`);
  for (const n of was.needs)
    if (!needsNow.has(need(n))) say(null, n.of, `${names.item(n.of)} does not need ${item(n.on)} any more`);

  const step = (o: { easier: string; harder: string }) => `${o.easier} ${o.harder}`;
  const [orderWas, orderNow] = [new Set(was.order.map(step)), new Set(now.order.map(step))];
  for (const o of now.order)
    if (!orderWas.has(step(o)))
      say(null, null, `${names.condition(o.easier)} now comes before ${names.condition(o.harder)}`);
  for (const o of was.order)
    if (!orderNow.has(step(o)))
      say(
        null,
        null,
        `${names.condition(o.easier)} does not have to come before ${names.condition(o.harder)} any more`,
      );

  for (const r of names.ranks) {
    const [b, n] = [was.promotions[r.id] ?? 'by date', now.promotions[r.id] ?? 'by date'];
    if (b !== n) say(r.id, null, `given ${n}, was ${b}`);
  }
  const limits = (s: Syllabus) => [
    ...RISKS.map((risk) => `${risk} from ${s.limits.ages[risk] ?? 'any age'}`),
    `${s.limits.minutesPerPoint} minutes a new point`,
    `${s.limits.minutesPerCount} minutes a new count`,
    s.limits.owns === null ? 'equipment not said' : `the hall owns ${s.limits.owns.join(', ') || 'nothing'}`,
  ];
  if (!sameRule(was.grading, now.grading)) say(null, null, 'Gradings decide by another rule');
  const lw = limits(was);
  for (const [i, l] of limits(now).entries()) if (l !== lw[i]) say(null, null, `Now ${l}, was ${lw[i]!}`);
  const standards = (s: Syllabus) => new Map(s.standards.map((x) => [x.name, x.standard]));
  const [sw, sn] = [standards(was), standards(now)];
  for (const [name, s] of sn) {
    const b = sw.get(name);
    if (!b) say(null, null, `A new standard, “${name}”`);
    else {
      const c = standardChanges(b, s);
      if (c.length > 0) say(null, null, `The standard “${name}” now ${listInWords(c)}`);
    }
  }
  for (const name of sw.keys()) if (!sn.has(name)) say(null, null, `The standard “${name}” is gone`);

  const place = (d: Difference) =>
    d.rankId === null ? names.ranks.length : names.ranks.findIndex((r) => r.id === d.rankId);
  return out
    .map((d, i) => ({ d, i }))
    .sort((a, b) => place(a.d) - place(b.d) || a.i - b.i)
    .map((x) => x.d);
}

/** Requirements that are new, gone or changed between two syllabi: whom a change touches follows from them. */
export function touchedRequirements(was: Syllabus, now: Syllabus): Set<string> {
  const [b, n] = [keyed(was.requirements), keyed(now.requirements)];
  const out = new Set<string>();
  for (const [id, r] of n) if (!dequal(b.get(id), r)) out.add(id);
  for (const id of b.keys()) if (!n.has(id)) out.add(id);
  return out;
}
