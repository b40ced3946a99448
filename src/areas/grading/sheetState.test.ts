import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ExamineItem } from '../../contracts/views';
import { BLANK, firstOpen, marked, onward, openOf, repsOf, valueAt, restHeld, type Cursor } from './sheetState';
import { examinePoint } from './testing/sheet';

const points = ['heel', 'knee', 'guard'].map((id) => examinePoint(id, { id }));
const item: ExamineItem = {
  requirementId: 'r',
  name: 'Front kick',
  condition: 'in air',
  asks: '',
  sided: true,
  rests: null,
  form: false,
  repetitions: 5,
  critical: false,
  points,
  line: null,
};

describe('a sheet as it is written', () => {
  it('marks one repetition after the other, from the ground up', () => {
    let [w, at] = [BLANK, { point: 0, rep: 0 } as Cursor | null];
    for (const m of 'HSHHHH') {
      w = marked(w, points, 'left', at!, m as 'H');
      at = onward(w, points, 'left', at!, 5);
    }
    expect([repsOf(w, 'heel', 'left'), repsOf(w, 'knee', 'left'), repsOf(w, 'heel', 'right')]).toEqual([
      'HSHHH',
      'H',
      '',
    ]);
    expect(at).toEqual({ point: 1, rep: 1 });
  });

  it('the rest held fills what is open and nothing else', () => {
    const w = restHeld(marked(BLANK, points, 'left', { point: 2, rep: 1 }, 'S'), points, 'left', 5);
    // What was passed over was not seen.
    expect([repsOf(w, 'guard', 'left'), repsOf(w, 'heel', 'left')]).toEqual(['USHHH', 'HHHHH']);
    expect(openOf(w, item)).toEqual({ marks: 15, word: false });
    expect(onward(w, points, 'left', { point: 2, rep: 4 }, 5)).toBeNull();
    expect(firstOpen(w, points, 'right', 5)).toEqual({ point: 0, rep: 0 });
  });

  it('a mark put right stays where it is; a form without points needs a word', () => {
    const w = restHeld(BLANK, points, 'left', 5);
    expect(repsOf(marked(w, points, 'left', { point: 0, rep: 2 }, 'S'), 'heel', 'left')).toBe('HHSHH');
    expect(openOf(BLANK, { ...item, points: [] })).toEqual({ marks: 0, word: true });
  });

  it('a measure stays with its repetition, and goes when that is marked by eye', () => {
    let w = marked(BLANK, points, 'left', { point: 0, rep: 1 }, 'H', 120);
    w = marked(w, points, 'left', { point: 0, rep: 2 }, 'S', 80);
    expect(w.marks).toEqual([{ pointId: 'heel', side: 'left', reps: 'UHS', values: [null, 120, 80] }]);
    expect([valueAt(w, 'heel', 'left', 1), valueAt(w, 'heel', 'right', 1)]).toEqual([120, null]);
    w = restHeld(w, points.slice(0, 1), 'left', 5);
    expect(w.marks[0]).toEqual({ pointId: 'heel', side: 'left', reps: 'UHSHH', values: [null, 120, 80, null, null] });
    w = marked(w, points, 'left', { point: 0, rep: 1 }, 'H');
    w = marked(w, points, 'left', { point: 0, rep: 2 }, 'U');
    expect(w.marks[0]).toEqual({ pointId: 'heel', side: 'left', reps: 'UHUHH' });
  });

  it('whatever is pressed: never more repetitions than asked, and every letter is a mark', () => {
    const press = fc.record({
      point: fc.nat(2),
      rep: fc.nat(4),
      mark: fc.constantFrom('H', 'S', 'U', 'rest'),
      side: fc.constantFrom('left', 'right'),
    });
    fc.assert(
      fc.property(fc.array(press), (all) => {
        const w = all.reduce(
          (now, p) =>
            p.mark === 'rest'
              ? restHeld(now, points, p.side as 'left', 5)
              : marked(now, points, p.side as 'left', p, p.mark as 'H'),
          BLANK,
        );
        for (const m of w.marks) expect(m.reps).toMatch(/^[HSU]{1,5}$/);
        expect(new Set(w.marks.map((m) => `${m.pointId} ${m.side}`)).size).toBe(w.marks.length);
      }),
    );
  });
});
