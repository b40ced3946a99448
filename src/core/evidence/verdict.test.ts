import { describe, expect, it } from 'vitest';
import { STEADY } from '../syllabus/standard';
import { changeInWords, reasonInWords } from '../words/english/reason';
import { both, context, look, point, requirement, TODAY } from './builders';
import { verdict } from './verdict';

const heel = point('rear heel');
const fist = point('fist', { bodyPart: 'hand', critical: true });
const words = (v: ReturnType<typeof verdict>, standard = STEADY) =>
  reasonInWords(v, { standard, today: TODAY, conditionName: 'in air' });

describe('the five words', () => {
  it('met: ten repetitions a side over two days, eight held', () => {
    const looks = [...both('2026-03-01', { 'rear heel': [4, 5] }), ...both('2026-03-03', { 'rear heel': [4, 5] })];
    const v = verdict(requirement(), looks, context([heel]));
    expect(v.word).toBe('met');
    expect(v.looksNeeded).toBe(0);
    expect(words(v)).toBe('Thinnest: rear heel, 8 of 10 left, 8 of 10 right, over two days.');
  });

  it('close: one clean look makes 7 of 10 into 9 of 10', () => {
    // 5 days apart: newest window 3+4 = 7 of 10; a clean look pushes the 4 of 5 out, 5+3 = 8 of 10.
    const looks = [
      ...both('2026-02-20', { 'rear heel': [4, 5] }),
      look('2026-03-01', 'left', { 'rear heel': [3, 5] }),
      look('2026-03-01', 'right', { 'rear heel': [5, 5] }),
    ];
    const v = verdict(requirement(), looks, context([heel]));
    expect([v.word, v.looksNeeded]).toEqual(['close', 1]);
    expect(words(v)).toBe('Rear heel held in 7 of the last 10 on the left; needs 8 of 10. Right is met.');
    expect(changeInWords(v, 5)).toBe('One clean look of 5 repetitions would settle it.');
  });

  it('short: a first look of five can never be enough alone when two slipped', () => {
    const v = verdict(requirement(), both('2026-03-01', { 'rear heel': [2, 5] }), context([heel]));
    expect([v.word, v.looksNeeded]).toEqual(['short', 2]);
    expect(words(v)).toBe('Rear heel held in 2 of the last 5 on the left; needs 8 of 10.');
    expect(changeInWords(v, 5)).toBe('Two clean looks of 5 repetitions, each on another day, would settle it.');
  });

  it('stale: everything holds but nobody has looked for 61 days', () => {
    const looks = [...both('2025-12-20', { 'rear heel': [5, 5] }), ...both('2026-01-03', { 'rear heel': [5, 5] })];
    const v = verdict(requirement(), looks, context([heel]));
    expect([v.word, v.looksNeeded]).toEqual(['stale', 1]);
    expect(words(v)).toBe('Held well, but last seen 3 January; needs a look within 60 days.');
    expect(verdict(requirement(), looks, context([heel], { today: '2026-03-04' })).word).toBe('met');
  });

  it('unseen: nothing, or only in an easier condition', () => {
    const v = verdict(
      requirement(),
      both('2026-03-01', { 'rear heel': [5, 5] }, { conditionId: 'lying' }),
      context([heel]),
    );
    expect(v.word).toBe('unseen');
    expect(v.looksNeeded).toBe(2);
    expect(words(v)).toBe('Nobody has watched it yet.');
    expect(reasonInWords(v, { standard: STEADY, today: TODAY, conditionName: 'in air', seenElsewhere: true })).toBe(
      'Nobody has watched it yet as asked: in air.',
    );
  });
});

describe('the window', () => {
  it('takes at most five a day, so that a long look today never hides yesterday', () => {
    const looks = [...both('2026-03-01', { 'rear heel': [0, 5] }), ...both('2026-03-03', { 'rear heel': [20, 20] })];
    const v = verdict(requirement(), looks, context([heel]));
    expect(v.points[0]!.window).toMatchObject({ held: 5, of: 10, days: 2 });
    expect(v.word).toBe('close');
  });

  it('counts a look of which only part fits in proportion', () => {
    // limit 5 a day: of 8 repetitions with 4 held, 5 count as 2.5 held.
    const v = verdict(requirement(), [look('2026-03-01', 'left', { 'rear heel': [4, 8] })], context([heel]));
    expect(v.points[0]!.window).toMatchObject({ held: 2.5, of: 5, available: 8 });
  });

  it('says so when only days are missing', () => {
    const v = verdict(requirement(), both('2026-03-01', { 'rear heel': [10, 10] }), context([heel]));
    expect(v.word).toBe('close');
    expect(words(v)).toBe('Rear heel held 5 of 5 on the left, but on one day; needs two days.');
  });

  it('says so when one side was never watched', () => {
    const looks = ['2026-03-01', '2026-03-02'].map((d) => look(d, 'left', { 'rear heel': [5, 5] }));
    const v = verdict(requirement(), looks, context([heel]));
    expect(v.word).toBe('short');
    expect(words(v)).toBe('Rear heel has not been watched on the right yet; needs 10 repetitions there. Left is met.');
    expect(verdict(requirement({ sides: 'one' }), looks, context([heel])).word).toBe('met');
  });

  it('counts a harder condition for an easier one, and what is unordered not at all', () => {
    const days = ['2026-03-01', '2026-03-02'];
    const at = (conditionId: string) => days.flatMap((d) => both(d, { 'rear heel': [5, 5] }, { conditionId }));
    expect(verdict(requirement(), at('moving holder'), context([heel])).word).toBe('met');
    expect(verdict(requirement(), at('wall'), context([heel])).word).toBe('unseen');
  });

  it('keeps to the purpose asked', () => {
    const looks = ['2026-03-01', '2026-03-02'].flatMap((d) => both(d, { 'rear heel': [5, 5] }, { purpose: 'study' }));
    expect(verdict(requirement({}, { purpose: 'show' }), looks, context([heel])).word).toBe('unseen');
    expect(verdict(requirement(), looks, context([heel])).word).toBe('met');
  });
});

describe('critical points, allowance, adaptation', () => {
  const days = ['2026-03-01', '2026-03-02'];

  it('asks nine of ten of a critical point', () => {
    const looks = days.flatMap((d) => both(d, { 'rear heel': [4, 5], fist: [4, 5] }));
    const v = verdict(requirement(), looks, context([heel, fist]));
    expect(v.word).toBe('close');
    expect(words(v)).toContain('Fist held in 8 of the last 10 on the left; needs 9 of 10.');
  });

  it('lets so many points fall short, but never a critical one', () => {
    const looks = days.flatMap((d) => both(d, { 'rear heel': [1, 5], fist: [5, 5] }));
    expect(verdict(requirement({ mayFallShort: 1 }), looks, context([heel, fist])).word).toBe('met');
    const critical = days.flatMap((d) => both(d, { 'rear heel': [5, 5], fist: [1, 5] }));
    expect(verdict(requirement({ mayFallShort: 1 }), critical, context([heel, fist])).word).toBe('short');
  });

  it('judges measured values by the accepted range, and by the student’s own where adapted', () => {
    const turn = point('base foot', { kind: 'measured', unit: '°', accepted: { lo: 90, hi: 180 } });
    const measured = (day: string, side: 'left' | 'right') =>
      look(day, side, {}, { marks: [{ pointId: 'base foot', kind: 'measured', values: [80, 95, 90, 100, 82] }] });
    const looks = days.flatMap((d) => [measured(d, 'left'), measured(d, 'right')]);
    const plain = verdict(requirement(), looks, context([turn]));
    expect(plain.points[0]!.window.held).toBe(6);
    expect(plain.word).toBe('close');
    const adaptation = {
      pointId: 'base foot',
      from: '2026-02-01',
      range: { lo: 75, hi: 180 },
      share: null,
      waived: false,
    };
    expect(verdict(requirement(), looks, context([turn], { adaptations: [adaptation] })).word).toBe('met');
    const later = { ...adaptation, from: '2026-03-06' };
    expect(verdict(requirement(), looks, context([turn], { adaptations: [later] })).word).toBe('close');
  });

  it('leaves a waived point out', () => {
    const looks = days.flatMap((d) => both(d, { fist: [5, 5] }));
    const waived = { pointId: 'rear heel', from: '2026-01-01', range: null, share: null, waived: true };
    expect(verdict(requirement(), looks, context([heel, fist])).word).toBe('short');
    expect(verdict(requirement(), looks, context([heel, fist], { adaptations: [waived] })).word).toBe('met');
  });

  it('judges what has no sides from any side', () => {
    const looks = days.map((d) => look(d, 'none', { 'rear heel': [5, 5] }));
    expect(verdict(requirement(), looks, context([heel], { sided: false })).word).toBe('met');
  });
});
