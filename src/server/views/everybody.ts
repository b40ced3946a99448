import type { EverybodyView } from '../../contracts/views';
import { READINESS, gateInWords, missingInWords, readiness, reasonInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { readRoll } from '../../data/queries/roll';
import { nextGrading } from '../belief/gradings';
import { judgeGates } from '../judging/gates';
import { judgeStudent } from '../judging/judge';
import { readJudging } from '../judging/judging';
import { reasonContext } from '../judging/reasonContext';
import { rankAbove } from '../judging/rankAbove';
import type { Who } from '../who';

/** "Who is ready?", of all belts at once: everybody against their own next belt, sorted by what is missing. */
export async function everybodyView(tx: Transaction, who: Who): Promise<EverybodyView> {
  const j = await readJudging(tx, who.today);
  const roll = await readRoll(tx);
  const shown = ({ id, name, cloth }: (typeof j.versions.ranks)[number]) => ({ id, name, cloth });
  const rankOf = new Map(j.versions.ranks.map((r) => [r.id, r]));
  const rows = roll.flatMap((s): EverybodyView['rows'] => {
    const next = rankAbove(j.syllabusOf(s).ranks, s.rankId);
    const rank = rankOf.get(s.rankId);
    if (!next || !rank) return [];
    const judged = judgeStudent(j, s, next.id);
    const gates = judgeGates(j, s, next.id);
    const words = judged.map((x) => x.word);
    const shut = gates.filter((g) => g.word === 'short');
    const worst = [...judged]
      .filter((x) => x.word !== 'met')
      .sort(
        (a, b) =>
          Number(a.word === 'unseen') - Number(b.word === 'unseen') || b.verdict.looksNeeded - a.verdict.looksNeeded,
      )[0];
    const reason = worst
      ? `${j.items.nameOf(worst.requirement.item)}: ${reasonInWords(worst.verdict, reasonContext(j, worst.requirement))}`
      : shut[0]
        ? `${gateInWords(shut[0], rank.name, who.today).has}, ${gateInWords(shut[0], rank.name, who.today).asks}.`
        : '';
    return [
      {
        id: s.id,
        name: s.name,
        rank: shown(rank),
        next: shown(next),
        words,
        shut: shut.length,
        group: readiness(words, gates),
        looks: s.looks,
        missing: missingInWords(words, shut.length),
        first: reason,
      },
    ];
  });
  const open = (r: (typeof rows)[number]) => r.words.filter((w) => w !== 'met').length;
  rows.sort(
    (a, b) =>
      READINESS.indexOf(a.group) - READINESS.indexOf(b.group) || open(a) - open(b) || a.name.localeCompare(b.name),
  );
  return { rows, ranks: j.versions.ranks.map(shown), gradingDay: await nextGrading(tx, who.today) };
}
