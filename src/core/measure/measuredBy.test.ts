import { describe, expect, it } from 'vitest';
import { UNITS } from '../technique/point';
import { MEASURED_BY, MEASURES, readingOf, waysToMeasure } from '.';

describe('how a point is measured', () => {
  it('every way is offered under one unit, reads something on either side, and is called once', () => {
    expect(new Set(MEASURED_BY).size).toBe(MEASURED_BY.length);
    const offered = [...new Set(UNITS.flatMap((u) => waysToMeasure(u)))];
    expect([...offered].sort()).toEqual([...MEASURED_BY].sort());
    for (const way of MEASURED_BY)
      for (const side of ['left', 'right', 'none'] as const) expect(readingOf(way, side)).not.toBeNull();
  });

  it('what is read off a picture is in the unit under which it is offered', () => {
    for (const unit of UNITS)
      for (const way of waysToMeasure(unit)) {
        const r = readingOf(way, 'left')!;
        if (r.off === 'picture') expect(MEASURES.find((m) => m.key === r.key)!.unit).toBe(unit);
        else expect('shareAt' in r ? ['%'] : ['ms', 's']).toContain(unit);
      }
    expect(waysToMeasure('kg')).toEqual([]);
    expect(waysToMeasure(null)).toEqual([]);
  });

  it('the working arm is the one of the side; without sides it is the right one', () => {
    const key = (way: string, side: 'left' | 'right' | 'none') => {
      const r = readingOf(way, side);
      return r?.off === 'picture' ? r.key : null;
    };
    expect([key('working elbow', 'left'), key('other elbow', 'left')]).toEqual(['left elbow', 'right elbow']);
    expect([key('working elbow out', 'right'), key('other elbow out', 'none')]).toEqual([
      'right elbow out',
      'left elbow out',
    ]);
    expect(key('front knee', 'left')).toBe('front knee');
  });

  it('times have a sign: from the first event to the second', () => {
    expect(readingOf('from when the foot lands to when the hand arrives', 'left')).toEqual({
      off: 'clip',
      from: 'the foot lands',
      to: 'the hand arrives',
    });
    expect(readingOf('share of the way when the foot lands', 'left')).toEqual({
      off: 'clip',
      shareAt: 'the foot lands',
    });
    expect(readingOf(null, 'left')).toBeNull();
    expect(readingOf('by feel', 'left')).toBeNull();
  });
});
