import { describe, expect, it } from 'vitest';
import { ageOn, BODY_PARTS, daysBetween, itemPoints, verdict, type Technique, type VerdictWord } from '../../core';
import { generateDemo, techniqueOf } from './generate';
import { withHolding } from './holding';

const TODAY = '2026-03-05';
const demo = generateDemo(TODAY);
const byId = new Map<string, Technique>(demo.techniques.map((t) => [t.id, t]));

describe('the demo school', () => {
  it('is the same for the same seed and another for another', () => {
    const again = generateDemo(TODAY);
    expect(again.looks.slice(0, 50)).toEqual(demo.looks.slice(0, 50));
    expect(generateDemo(TODAY, 7).looks.slice(0, 50)).not.toEqual(demo.looks.slice(0, 50));
  });

  it('is as large and as old as it says', () => {
    expect(demo.students).toHaveLength(34);
    expect(demo.teachers).toHaveLength(3);
    expect(demo.ranks.map((r) => r.name)).toEqual(['White', 'Straw', 'Amber', 'Fern', 'Lake', 'Umber', 'Black']);
    expect(demo.techniques.length).toBeGreaterThanOrEqual(40);
    const ages = demo.students.map((s) => ageOn(s.born, TODAY));
    expect([Math.min(...ages), Math.max(...ages)]).toEqual([7, 66]);
    expect(daysBetween(demo.looks[0]!.day, TODAY)).toBeGreaterThan(400);
    expect(demo.looks.every((l) => l.day < TODAY)).toBe(true);
    expect(daysBetween(TODAY, demo.nextGradingDay)).toBe(35);
  });

  it('has real points: each with a why and a slip that has its cue', () => {
    for (const t of demo.techniques) {
      expect(t.points.length, t.name).toBeGreaterThan(0);
      for (const p of t.points) {
        expect(p.why, `${t.name}: ${p.name}`).not.toBe('');
        expect(BODY_PARTS).toContain(p.bodyPart);
        expect(p.slips.length, `${t.name}: ${p.name}`).toBeGreaterThan(0);
        for (const s of p.slips)
          expect([p.name, s.cue === '', s.hurts !== 'nobody' && s.hurtsHow === '']).toEqual([p.name, false, false]);
        if (p.accepted && p.wanted) expect(p.wanted.lo >= p.accepted.lo && p.wanted.hi <= p.accepted.hi).toBe(true);
      }
    }
  });

  it('holding is a technique of its own, watched, with a condition for each of its steps', () => {
    const held = withHolding(demo, TODAY);
    const holding = held.techniques.at(-1)!;
    expect([holding.name, held.techniques.length]).toEqual(['Shield hold', demo.techniques.length + 1]);
    // The holder’s five (F 63, common practice, no source).
    expect(holding.points.map((p) => p.name)).toEqual([
      'Side-on like the kicker',
      'Two opposite corners',
      'Tight on the hip',
      'Hip forward',
      'Calls, then out',
    ]);
    const condition = (name: string) => held.conditions.find((c) => c.name === name)!.id;
    const above = held.order.get(condition('holder still'))!;
    expect(above.has(condition('holder coming on'))).toBe(true);
    expect(above.has(condition('moving holder'))).toBe(false);
    const looks = held.looks.slice(demo.looks.length);
    expect(looks.length).toBeGreaterThan(3);
    for (const l of looks) {
      expect(l.marks).toHaveLength(5);
      expect(demo.classes.find((c) => c.day === l.day)!.present).toContain(l.studentId);
    }
    expect(held.looks.slice(0, demo.looks.length)).toEqual(demo.looks);
  });

  it('is judged as its known truth says, apart from chance', () => {
    let met = 0;
    let wrong = 0;
    const words = new Map<VerdictWord, number>();
    for (const s of demo.students) {
      const rank = s.held.at(-1)!.rankId;
      const next = demo.ranks[demo.ranks.findIndex((r) => r.id === rank) + 1]!;
      const looks = demo.looks.filter((l) => l.studentId === s.id);
      for (const r of demo.requirements.filter((q) => q.rankId === next.id)) {
        const t = byId.get(techniqueOf(r))!;
        const points = itemPoints(t, byId);
        const v = verdict(r, looks, { points, sided: t.sided, order: demo.order, today: TODAY });
        words.set(v.word, (words.get(v.word) ?? 0) + 1);
        if (v.word !== 'met') continue;
        met += 1;
        // A verdict contradicts the truth if more points than may fall short are truly far below their share.
        const low = v.points.filter((p) => demo.truth(s.id, p.point.id, p.side, TODAY) < p.share - 0.2);
        if (new Set(low.map((p) => p.point.id)).size > v.mayFall) wrong += 1;
      }
    }
    // All five words are to be seen in the demo, and a met that the truth contradicts is rare (wide margin).
    expect([...words.keys()].sort()).toEqual(['close', 'met', 'short', 'stale', 'unseen']);
    expect(met).toBeGreaterThan(40);
    expect(wrong / met).toBeLessThan(0.1);
  });
});
