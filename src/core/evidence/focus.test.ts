import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../technique/point';
import { focusInWords, holdsInWords, praiseInWords } from '../words';
import { both, context, look, point, requirement, TODAY } from './testing/builders';
import { chooseFocus, praiseFor, slippingPoints, type FocusSource } from './focus';
import { gatherEvidence, type Look } from './looks';
import { verdict } from './verdict';

const slip = (hurts: 'nobody' | 'self' | 'partner' = 'nobody', cue = 'cue') => ({
  id: `s ${hurts}`,
  looksLike: 'wrong',
  cause: '',
  cue,
  hurts,
  hurtsHow: hurts === 'nobody' ? '' : 'it hurts',
});
const heel = point('rear heel', { bodyPart: 'feet' });
const hip = point('hip', { bodyPart: 'hips' });
const hand = point('pulling hand', { bodyPart: 'other hand' });
const thumb = point('thumb', { bodyPart: 'hand', slips: [slip('nobody', 'soft'), slip('self', 'Thumb across')] });

function sources(
  points: readonly Point[],
  looks: readonly Look[],
  more: Partial<FocusSource> = {},
  id = 'r',
): FocusSource {
  const r = requirement({}, { id });
  return {
    requirementId: id,
    open: true,
    repetitions: 10,
    days: 2,
    verdict: verdict(r, looks, context(points)),
    ...more,
  };
}
const evidence = (looks: readonly Look[]) => gatherEvidence(looks, new Map());
const focusOf = (points: readonly Point[], looks: readonly Look[], given: Parameters<typeof chooseFocus>[1] = null) =>
  chooseFocus(slippingPoints([sources(points, looks)], evidence(looks)), given);

describe('the one correction', () => {
  const all = both('2026-03-01', { 'rear heel': [3, 5], hip: [2, 5], 'pulling hand': [0, 5] });

  it('is the lowest thing that slips, however often what is above it does', () => {
    const f = focusOf([heel, hip, hand], all)!;
    expect([f.point.name, f.side]).toEqual(['rear heel', 'left']);
    expect(focusInWords(f)).toBe('The lowest thing that slips; one requirement stands on it.');
    expect(holdsInWords(f)).toBe('It stays until it holds 8 of 10 on the left over 2 days.');
  });

  it('is what can hurt before everything, with the cue of the slip that hurts', () => {
    const f = focusOf([heel, thumb], both('2026-03-01', { 'rear heel': [1, 5], thumb: [3, 5] }))!;
    expect([f.point.name, f.slip?.cue]).toEqual(['thumb', 'Thumb across']);
    expect(focusInWords(f)).toContain('It can hurt');
  });

  it('is what more open requirements stand on, at the same height', () => {
    const tracks = point('a track', { bodyPart: 'feet' });
    const looks = both('2026-03-01', { 'rear heel': [3, 5], 'a track': [0, 5] });
    const s = slippingPoints([sources([heel, tracks], looks), sources([heel], looks, {}, 'q')], evidence(looks));
    expect(chooseFocus(s, null)!.point.name).toBe('rear heel');
    expect(chooseFocus(s, null)!.requirementIds).toEqual(['r', 'q']);
  });

  it('is what slipped in more of the last looks, then the first by name', () => {
    const [a, b] = [point('b point'), point('a point')];
    const looks = ['2026-03-01', '2026-03-02'].flatMap((d, i) =>
      both(d, { 'b point': [3, 5], 'a point': i === 0 ? [1, 5] : [5, 5] }),
    );
    expect(focusOf([a, b], looks)!.point.name).toBe('b point');
    const alike = both('2026-03-01', { 'b point': [3, 5], 'a point': [3, 5] });
    expect(focusOf([a, b], alike)!.point.name).toBe('a point');
  });

  it('takes an earlier belt’s slips only where the next belt has none', () => {
    const looks = both('2026-03-01', { 'rear heel': [1, 5], hip: [1, 5] });
    const kept = sources([heel], looks, { open: false }, 'kept');
    expect(chooseFocus(slippingPoints([kept, sources([hip], looks)], evidence(looks)), null)!.point.name).toBe('hip');
    expect(focusInWords(chooseFocus(slippingPoints([kept], evidence(looks)), null)!)).toContain('earlier belt');
  });

  it('is nothing where nothing slipped or everything stands', () => {
    expect(focusOf([heel], [])).toBeNull();
    const stands = ['2026-03-01', '2026-03-02'].flatMap((d) => both(d, { 'rear heel': [4, 5] }));
    expect(focusOf([heel], stands)).toBeNull();
  });
});

describe('what was given', () => {
  const given = { pointId: 'hip', side: 'left' as const, since: '2026-02-20', chosen: false, reason: '' };
  const looks = both('2026-03-01', { 'rear heel': [3, 5], hip: [2, 5], thumb: [3, 5] });

  it('stays until it holds, though something lower slips', () => {
    expect(focusOf([heel, hip], looks, given)).toMatchObject({ point: { name: 'hip' }, since: '2026-02-20' });
  });

  it('stays while only looks are missing, though nothing falls short any more', () => {
    const nearly = [
      ...both('2026-02-20', { hip: [1, 5] }),
      ...both('2026-03-02', { hip: [5, 5] }),
      ...both('2026-03-03', { hip: [4, 5] }),
    ];
    const one = requirement({ repetitions: 15, days: 3, share: 0.6 });
    const s: FocusSource = {
      requirementId: 'r',
      open: true,
      repetitions: 15,
      days: 3,
      verdict: verdict(one, nearly.slice(2), context([hip])),
    };
    const e = evidence(nearly);
    expect(slippingPoints([s], e)).toEqual([]);
    expect(chooseFocus(slippingPoints([s], e, given), given)).toMatchObject({ point: { name: 'hip' }, falls: false });
  });

  it('gives way when it holds', () => {
    const held = [...looks, ...['2026-03-02', '2026-03-03'].flatMap((d) => both(d, { hip: [5, 5] }))];
    expect(focusOf([heel, hip], held, given)).toMatchObject({ point: { name: 'rear heel' }, since: null });
  });

  it('is displaced by what can hurt, unless a teacher chose it', () => {
    expect(focusOf([heel, hip, thumb], looks, given)!.point.name).toBe('thumb');
    const chosen = { ...given, chosen: true, reason: 'She asked for it.' };
    expect(focusInWords(focusOf([heel, hip, thumb], looks, chosen)!)).toBe('Chosen: She asked for it.');
    expect(focusOf([heel, hip, thumb], looks, chosen)).toMatchObject({
      point: { name: 'hip' },
      chosen: true,
    });
  });
});

it('law: never names a point that was not seen to slip', () => {
  const points = [heel, hip, hand, thumb];
  const aLook = fc.tuple(
    fc.constantFrom('2026-03-01', '2026-03-02', '2026-02-10'),
    fc.constantFrom('left' as const, 'right' as const),
    fc.tuple(...points.map(() => fc.option(fc.integer({ min: 0, max: 5 })))),
  );
  fc.assert(
    fc.property(fc.array(aLook, { maxLength: 8 }), (drawn) => {
      const looks = drawn.map(([day, side, held]) =>
        look(
          day,
          side,
          Object.fromEntries(
            points.flatMap((p, i) => (held[i] === null ? [] : [[p.id, [held[i]!, 5] as [number, number]]])),
          ),
        ),
      );
      const f = focusOf(points, looks);
      if (!f) return;
      const slipped = looks.some((l) =>
        l.marks.some((m) => m.pointId === f.point.id && l.side === f.side && m.kind === 'seen' && m.held < m.of),
      );
      expect(slipped).toBe(true);
    }),
  );
});

describe('praise', () => {
  const points = [
    { point: heel, side: 'left' as const },
    { point: hip, side: 'left' as const },
  ];
  it('names what became better, with both counts and the day', () => {
    const looks = [
      look('2026-02-20', 'left', { 'rear heel': [2, 5], hip: [4, 5] }),
      look('2026-03-01', 'left', { 'rear heel': [4, 5], hip: [5, 5] }),
    ];
    const praise = praiseFor(points, evidence(looks), 4);
    expect(praise).toMatchObject({ kind: 'better', day: '2026-03-01', now: { held: 4, of: 5 } });
    expect(praiseInWords(praise, TODAY)).toBe('rear heel on the left held 4 of 5 on 1 March, 2 of 5 the time before.');
  });
  it('else what held throughout in the last look', () => {
    const looks = [look('2026-03-01', 'left', { 'rear heel': [3, 5], hip: [5, 5] })];
    const praise = praiseFor(points, evidence(looks), 4);
    expect(praiseInWords(praise, TODAY)).toBe('hip on the left held all 5 times on 1 March.');
  });
  it('else that they came, and never a thing that is not so', () => {
    const looks = [look('2026-03-01', 'left', { 'rear heel': [3, 5], hip: [0, 5] })];
    const praise = praiseFor(points, evidence(looks), 4);
    expect(praise).toEqual({ kind: 'effort', day: null, attended: 4 });
    expect(praiseInWords(praise, TODAY)).toBe('4 classes in four weeks.');
  });
});
