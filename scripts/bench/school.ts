// A school of the size the bench asks for: 300 students, 90 requirements, 250,000 marks, made from a seed.
import { v7 } from 'uuid';
import { STEADY, type Side } from '../../src/core';
import { dice } from '../../src/data/demo/dice';
import { generateDemo, techniqueOf, type DemoSchool } from '../../src/data/demo/generate';
import { plainRequirement } from '../../src/data/demo/way';

export const TODAY = '2026-03-05';
const STUDENTS = 300;
const MARKS = 250_000;

/** Takes library and ranks of the demo, asks for 15 items in each of six belts, and has 300 people watched for a year. */
export function benchSchool(most = MARKS): DemoSchool & { marks: number } {
  const demo = generateDemo(TODAY);
  const d = dice(11);
  const id = () => v7();
  const requirements = demo.ranks
    .slice(1)
    .flatMap((rank, r) =>
      Array.from({ length: 15 }, (_, i) =>
        plainRequirement(
          id(),
          rank.id,
          demo.techniques[(r * 7 + i * 3) % demo.techniques.length]!.id,
          demo.conditions[3]!.id,
          STEADY,
        ),
      ),
    );
  const students = Array.from({ length: STUDENTS }, (_, i) => ({
    ...demo.students[i % demo.students.length]!,
    id: id(),
    name: `Student ${i + 1}`,
    held: [{ rankId: demo.ranks[i % 6]!.id, since: '2025-06-01', note: '' }],
  }));
  const looks: DemoSchool['looks'] = [];
  let marks = 0;
  for (let n = 0; marks < most; n += 1) {
    const s = students[n % STUDENTS]!;
    const next = demo.ranks[demo.ranks.findIndex((r) => r.id === s.held[0]!.rankId) + 1]!;
    const mine = requirements.filter((r) => r.rankId === next.id);
    const r = mine[Math.floor(d.next() * mine.length)]!;
    const t = demo.techniques.find((x) => x.id === techniqueOf(r))!;
    const day = new Date(Date.parse(`${TODAY}T00:00:00Z`) - Math.floor(d.next() * 365) * 86_400_000)
      .toISOString()
      .slice(0, 10);
    const side: Side = t.sided ? (d.chance(0.5) ? 'left' : 'right') : 'none';
    const list = t.points.slice(0, Math.min(t.points.length, most - marks)).map((p) =>
      p.kind === 'measured'
        ? {
            pointId: p.id,
            kind: 'measured' as const,
            values: Array.from({ length: 3 }, () => Math.round(d.between(p.accepted!.lo - 10, p.accepted!.hi))),
          }
        : { pointId: p.id, kind: p.kind, held: d.whole(2, 5), of: 5 },
    );
    marks += list.length;
    looks.push({
      id: id(),
      studentId: s.id,
      techniqueId: t.id,
      day,
      at: Date.parse(`${day}T18:00:00Z`) + n,
      conditionId: r.conditionId,
      side,
      purpose: null,
      replaces: null,
      marks: list,
      by: demo.teachers[1]!.id,
      note: '',
    });
  }
  const classes = demo.classes.map((c) => ({ ...c, present: students.filter(() => d.chance(0.3)).map((s) => s.id) }));
  return { ...demo, students, requirements, classes, gates: demo.gates, looks, marks };
}
