import type { PanelCandidate, PanelView, ViewInput } from '../../contracts/views';
import {
  ageOn,
  agreementOf,
  canHurt,
  decideByRule,
  examinerShifts,
  feedbackInWords,
  measuresOf,
  beltHangsOn,
  seededBy,
  splitsOf,
  talliesOf,
  type PanelMark,
  type SharedMark,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readCertificates } from '../../data/queries/certificates';
import {
  readCandidates,
  readDecisions,
  readGrading,
  readPanel,
  readSheetLines,
  sheetLineOf,
  type SheetRow,
} from '../../data/queries/gradings';
import { asTheyCame, readRoll } from '../../data/queries/roll';
import { Refusal } from '../http/problem';
import { askedItems, askedOf, weakestOf } from '../judging/asked';
import { readJudging, type Judging } from '../judging/judging';
import type { Who } from '../who';

const marksOf = (lines: readonly SheetRow[], itemOf: (requirementId: string) => string): PanelMark[] =>
  lines.flatMap((l) =>
    l.marks.flatMap((m) =>
      [...m.reps].flatMap((r, i): PanelMark[] =>
        r === 'U'
          ? []
          : [
              {
                candidate: l.studentId,
                item: itemOf(l.requirementId),
                point: m.pointId,
                side: m.side,
                repetition: i,
                examiner: l.examinerId,
                held: r === 'H',
              },
            ],
      ),
    ),
  );

/** The share that held of each point and side, as each examiner saw it. */
const sharesOf = (lines: readonly SheetRow[]): SharedMark[] =>
  lines.flatMap((l) =>
    l.marks.flatMap((m): SharedMark[] => {
      const seen = [...m.reps].filter((r) => r !== 'U');
      if (seen.length === 0) return [];
      const held = seen.filter((r) => r === 'H').length / seen.length;
      const thing = `${l.studentId} ${l.requirementId} ${m.pointId} ${m.side}`;
      return [{ candidate: l.studentId, thing, examiner: l.examinerId, held }];
    }),
  );

/** The cue that mends a point: that of its first slip that has one. */
const cueFor = (j: Judging, pointId: string | undefined): string =>
  (pointId === undefined ? undefined : j.library.ownerOf.get(pointId))?.points
    .find((p) => p.id === pointId)
    ?.slips.find((s) => s.cue !== '')?.cue ?? '';

/** Marks on a scale, a thing a candidate and item, and what was measured, a thing a repetition, point by point. */
const numbersOf = (lines: readonly SheetRow[], named: (requirementId: string, pointId: string) => string) => ({
  marks: lines.flatMap((l) =>
    l.mark === null ? [] : [{ thing: `${l.studentId} ${l.requirementId}`, examiner: l.examinerId, value: l.mark }],
  ),
  measured: lines.flatMap((l) =>
    l.marks.flatMap((m) =>
      (m.values ?? []).flatMap((value, i) =>
        value === null
          ? []
          : [
              {
                point: named(l.requirementId, m.pointId),
                thing: `${l.studentId} ${l.requirementId} ${m.side} ${i}`,
                examiner: l.examinerId,
                value,
              },
            ],
      ),
    ),
  ),
});

/** "Did the panel see the same?", then "Who goes home with a new belt?" Opens for the head and the panel when every sheet is in. */
export async function panelView(tx: Transaction, who: Who, { id }: ViewInput<'panel'>): Promise<PanelView> {
  const g = await readGrading(tx, id);
  if (!g) throw new Refusal(404, 'There is no such grading.');
  const panel = await readPanel(tx, id);
  if (who.role !== 'head' && !panel.some((p) => p.personId === who.personId))
    throw new Refusal(403, 'Only the head and the panel see the sheets.');
  const shown = panel.map((p) => ({ id: p.personId, name: p.name, handedIn: p.handedInAt !== null }));
  const grading = {
    id,
    title: g.title,
    day: g.day,
    hallId: g.hallId,
    hall: null,
    rule: g.rule,
    items: g.items,
    answerBy: g.answerBy,
    version: g.version,
    closed: g.closedAt !== null,
    letOut: g.letOutAt !== null,
  };
  const base = { grading, panel: shown, today: who.today, may: { decide: who.role === 'head' } };
  if (shown.some((p) => !p.handedIn)) return { ...base, seen: null, candidates: [] };
  const up = (await readCandidates(tx, [id])).filter((c) => c.out === null);
  const lines = (await readSheetLines(tx, id)).filter((l) => up.some((c) => c.studentId === l.studentId));
  const j = await readJudging(
    tx,
    who.today,
    up.map((c) => c.studentId),
  );
  const ids = new Set(up.map((c) => c.studentId));
  const came = (await readRoll(tx, { withLeft: true })).filter((s) => ids.has(s.id));
  const roll = new Map((await asTheyCame(tx, came, g.day)).map((s) => [s.id, s]));
  const ranks = new Map(j.versions.ranks.map((r) => [r.id, { id: r.id, name: r.name, cloth: r.cloth }]));
  const decisions = new Map((await readDecisions(tx, id)).map((d) => [d.studentId, d]));
  const certificates = new Map(
    (await readCertificates(tx, { gradingId: id })).map((c) => [
      c.studentId,
      { id: c.id, number: c.number, back: c.backAt !== null },
    ]),
  );
  /** Of each item those whose belt hangs on it. */
  const hanging = new Map<string, string[]>();
  const points = new Map<string, string>();
  const pointName = (p: string) => points.get(p) ?? 'a point since retired';
  const nameOf = new Map<string, { name: string; belt: string }>();
  const candidates = up.flatMap((c): PanelCandidate[] => {
    const s = roll.get(c.studentId);
    const [rank, to] = [ranks.get(s?.rankId ?? ''), ranks.get(c.rankId)];
    if (!s || !rank || !to) return [];
    const requirements = askedOf(j, s, c.rankId, g.items);
    for (const r of requirements) {
      nameOf.set(r.id, { name: j.items.nameOf(r.item), belt: to.name });
      for (const p of j.items.judgedBy(r.item)) points.set(p.id, p.name);
    }
    const mine = lines.filter((l) => l.studentId === s.id);
    const sheets = mine.map(sheetLineOf);
    const rule = decideByRule(g.rule, askedItems(j, s.id, requirements, g.rule, g.day), sheets);
    for (const item of beltHangsOn(g.rule, askedItems(j, s.id, requirements, g.rule, g.day), sheets))
      hanging.set(item, [...(hanging.get(item) ?? []), s.name]);
    const hurt = new Map(
      requirements.flatMap((r) =>
        j.items
          .judgedBy(r.item)
          .filter(canHurt)
          .map((p) => [p.id, p.name]),
      ),
    );
    const slipped = new Set(mine.flatMap((l) => l.marks.filter((m) => m.reps.includes('S')).map((m) => m.pointId)));
    const focus = weakestOf(j, requirements, mine);
    const d = decisions.get(s.id);
    return [
      {
        id: s.id,
        name: s.name,
        age: s.born ? ageOn(s.born, who.today) : null,
        rank,
        to,
        items: requirements.map((r) => ({ id: r.id, name: j.items.nameOf(r.item), critical: r.critical })),
        rule,
        tallies: mine.map((l) => {
          const all = [...talliesOf(l.marks).values()];
          return {
            examiner: l.examinerId,
            item: l.requirementId,
            held: all.reduce((n, t) => n + t.held, 0),
            seen: all.reduce((n, t) => n + t.seen, 0),
            mark: l.mark,
            note: l.note,
            putRight: l.reason,
            typed: l.typedBy !== null,
          };
        }),
        hurts: [...slipped].flatMap((p) => hurt.get(p) ?? []),
        sentence: feedbackInWords(
          rule.items.map((i) => ({ name: nameOf.get(i.item)?.name ?? '', word: i.word, split: i.split })),
          focus && pointName(focus.pointId),
          cueFor(j, focus?.pointId),
        ),
        decided: d
          ? {
              result: d.result,
              byRule: d.byRule,
              reason: d.reason,
              again: d.again,
              againBy: d.againBy,
              sentence: d.sentence,
            }
          : null,
        certificate: certificates.get(s.id) ?? null,
      },
    ];
  });
  const order = [...ranks.keys()];
  candidates.sort((a, b) => order.indexOf(a.to.id) - order.indexOf(b.to.id) || a.name.localeCompare(b.name));
  const marks = marksOf(lines, (r) => r);
  // Belt by belt, in the order of the syllabus.
  const marked = new Set(marks.map((m) => m.item));
  const items = [...new Set(candidates.flatMap((c) => c.items.map((i) => i.id)))].filter((i) => marked.has(i));
  const names = new Map(panel.map((p) => [p.personId, p.name]));
  return {
    ...base,
    seen: {
      all: agreementOf(marks),
      measures: measuresOf(
        marks,
        numbersOf(lines, (r, p) => `${pointName(p)} in ${nameOf.get(r)?.name ?? ''}`),
      ),
      items: items.map((i) => ({
        id: i,
        name: nameOf.get(i)?.name ?? '',
        belt: nameOf.get(i)?.belt ?? '',
        ...agreementOf(marks.filter((m) => m.item === i)),
      })),
      // What a belt hangs on is talked about first.
      splits: splitsOf(marks)
        .map((x) => ({ ...x, hangs: hanging.get(x.item) ?? [] }))
        .sort((a, b) => Number(b.hangs.length > 0) - Number(a.hangs.length > 0) || b.differ - a.differ)
        .slice(0, 6)
        .map((x) => ({ ...x, item: nameOf.get(x.item)?.name ?? '', point: pointName(x.point) })),
      shifts: examinerShifts(sharesOf(lines), seededBy(`shifts ${id}`)).map((x) => ({
        ...x,
        name: names.get(x.examiner) ?? '',
      })),
    },
    candidates,
  };
}
