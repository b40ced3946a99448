import type { ReadinessView, ViewInput } from '../../contracts/views';
import { READINESS, SEQUENCE_KINDS, TECHNIQUE_KINDS, ageOn, readiness } from '../../core';
import type { Transaction } from '../../data/connection';
import { readRoll } from '../../data/queries/roll';
import { Refusal } from '../http/problem';
import { judgeGates } from '../judging/gates';
import { judgeStudent } from '../judging/judge';
import { readJudging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import type { Who } from '../who';

/** "Who is ready?": everybody who wears a belt against all that the next one asks. */
export async function readinessView(
  tx: Transaction,
  who: Who,
  { rankId }: ViewInput<'readiness'>,
): Promise<ReadinessView> {
  const j = await readJudging(tx, who.today);
  const { ranks, conditions } = j.versions;
  const rank = ranks.find((r) => r.id === rankId);
  if (!rank) throw new Refusal(404, 'This belt is not in the syllabus.');
  const next = rankAbove(ranks, rankId);
  const roll = (await readRoll(tx)).filter((s) => s.rankId === rankId);
  const shown = ({ id, name, cloth }: typeof rank) => ({ id, name, cloth });
  const conditionName = new Map(conditions.map((c) => [c.id, c.name]));
  // Students of one belt may follow different versions: the columns are everything that any of them is asked.
  const columns = new Map<string, ReadinessView['requirements'][number]>();
  const gateColumns = new Map<string, ReadinessView['gates'][number]>();
  const judged = roll.map((s) => {
    const words = next ? judgeStudent(j, s, next.id) : [];
    const gates = next ? judgeGates(j, s, next.id) : [];
    for (const { requirement: r } of words)
      if (!columns.has(r.id))
        columns.set(r.id, {
          id: r.id,
          name: j.items.nameOf(r.item),
          condition: conditionName.get(r.conditionId) ?? '',
          kind: j.items.kindOf(r.item),
        });
    for (const { gate } of gates)
      if (!gateColumns.has(gate.kind)) gateColumns.set(gate.kind, { ...gate, rankId: next!.id });
    return { s, words, gates };
  });
  // Techniques first, then what is made of them; a kind stays together.
  const kinds: readonly string[] = [...TECHNIQUE_KINDS, ...SEQUENCE_KINDS];
  const requirements = [...columns.values()].sort((a, b) => kinds.indexOf(a.kind) - kinds.indexOf(b.kind));
  const gates = [...gateColumns.values()];
  const rows = judged.map(({ s, words, gates: mine }) => {
    const byId = new Map(words.map((w) => [w.requirement.id, w.word]));
    const gateWord = new Map(mine.map((g) => [g.gate.kind, g.word]));
    return {
      id: s.id,
      name: s.name,
      age: s.born ? ageOn(s.born, who.today) : null,
      since: s.since,
      words: requirements.map((r) => byId.get(r.id) ?? null),
      gates: gates.map((g) => gateWord.get(g.kind) ?? null),
      group: readiness(
        words.map((w) => w.word),
        mine,
      ),
      looks: s.looks,
    };
  });
  const open = (r: (typeof rows)[number]) => r.words.filter((w) => w !== null && w !== 'met').length;
  rows.sort(
    (a, b) =>
      READINESS.indexOf(a.group) - READINESS.indexOf(b.group) || open(a) - open(b) || a.name.localeCompare(b.name),
  );
  return { rank: shown(rank), next: next ? shown(next) : null, ranks: ranks.map(shown), requirements, gates, rows };
}
