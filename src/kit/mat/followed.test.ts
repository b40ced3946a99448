import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { followed } from './followed';
import { freshLine, standing, type Line } from './line';

const CLASS = 'c';
const line = (more: Partial<Line> = {}): Line => ({ ...freshLine('2026-05-05'), classId: CLASS, ...more });
const here = (...ids: string[]) => ids.map((id) => ({ id, came: null, went: null }));

describe('what other devices noted of the class', () => {
  it('adds whom they know with their times, keeps whom only this device knows, and is the same line where nothing is new', () => {
    const now = line({ present: ['a', 'own'] });
    const next = followed(now, CLASS, new Set(['a']), [
      { id: 'a', came: null, went: 19 * 60 },
      { id: 'b', came: 18 * 60 + 50, went: null },
    ]);
    expect(next).toMatchObject({ present: ['a', 'own', 'b'], late: { b: '18:50' }, left: { a: '19:00' } });
    expect(followed(next, CLASS, new Set(['a', 'b']), here('a', 'b'))).toBe(next);
    expect(followed(next, 'another', null, here('x'))).toBe(next);
    expect(followed(next, CLASS, new Set(['a', 'b']), [])).toBe(next);
  });

  it('joins a class that another device opened', () => {
    expect(followed(line({ classId: null, openedAt: 'x' }), CLASS, null, here('a'))).toMatchObject({
      classId: CLASS,
      openedAt: null,
      present: ['a'],
    });
  });

  it('whom they took off goes, and is here again once somebody brings them back', () => {
    const gone = followed(line({ present: ['a', 'b'] }), CLASS, new Set(['a', 'b']), here('a'));
    expect(gone).toMatchObject({ present: ['a'], gone: ['b'] });
    expect(followed(gone, CLASS, new Set(['a']), here('a', 'b'))).toMatchObject({ present: ['a', 'b'], gone: [] });
  });

  it('whom this device took off stays off until others, who knew that, bring them back', () => {
    const now = line({ present: ['a', 'b'] });
    const off = { ...now, ...standing(now, ['a']) };
    // The class did not hear of it yet, or was never asked.
    expect(followed(off, CLASS, new Set(['a', 'b']), here('a', 'b'))).toBe(off);
    expect(followed(off, CLASS, null, here('a', 'b'))).toBe(off);
    expect(followed(off, CLASS, new Set(['a']), here('a', 'b'))).toMatchObject({ present: ['a', 'b'], gone: [] });
  });

  it('two devices that hear of each other’s taps have the same people, whoever taps whom', () => {
    const aTap = fc.record({ device: fc.constantFrom(0, 1), id: fc.constantFrom('a', 'b', 'c', 'd') });
    fc.assert(
      fc.property(fc.array(aTap, { maxLength: 24 }), (taps) => {
        // The class as the server keeps it: each record adds whom it names and takes off who is gone.
        let server = ['teacher', 'a'];
        const lines = [line({ present: server }), line({ present: server })];
        const before = [new Set(server), new Set(server)];
        const ask = (d: number) => {
          lines[d] = followed(lines[d]!, CLASS, before[d]!, here(...server));
          before[d] = new Set(server);
        };
        for (const { device, id } of taps) {
          const now = lines[device]!;
          const was = now.present.includes(id);
          const present = was ? now.present.filter((x) => x !== id) : [...now.present, id];
          const next = { ...now, ...standing(now, present) };
          lines[device] = next;
          server = [...new Set([...server, ...next.present])].filter((x) => !next.gone.includes(x));
          [0, 1].forEach(ask);
          expect(server.includes(id)).toBe(!was);
          for (const l of lines) expect([...l.present].sort()).toEqual([...server].sort());
        }
      }),
    );
  });
});
