import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { upon, type KeptKit } from '../../contracts/kit';
import type { LookKitView } from '../../contracts/views';
import { kitAnswer } from './kitAnswer';

/** A kit in small: what counts is which of its parts differ. */
const kitOf = (names: readonly string[], day: string, praises: readonly number[]) =>
  ({
    today: day,
    conditions: [],
    students: names.map((name, i) => ({ id: name, name, praise: String(praises[i] ?? 0) })),
  }) as unknown as LookKitView;

describe('what a device lacks of the kit', () => {
  it('is everything at first, then only who changed, and nothing where nothing did', () => {
    const school = v7();
    const first = kitAnswer(school, kitOf(['Ilse', 'Bram'], '2026-03-05', [1, 1]), undefined);
    expect([first.since, first.students.length]).toEqual([null, 2]);
    const kept = upon(null, first);
    const next = kitOf(['Ilse', 'Bram'], '2026-03-05', [1, 2]);
    const second = kitAnswer(school, next, first.version);
    expect([second.since, second.students.map((s) => s.id), second.parts]).toEqual([first.version, ['Bram'], {}]);
    expect(upon(kept, second)!.kit).toEqual(next);
    expect(kitAnswer(school, next, second.version)).toMatchObject({ students: [], parts: {} });
  });

  it('is everything for whom the version is not known, and never another school’s', () => {
    const school = v7();
    const { version } = kitAnswer(school, kitOf(['Ilse'], '2026-03-05', []), undefined);
    expect(kitAnswer(v7(), kitOf(['Ilse'], '2026-03-05', []), version).since).toBeNull();
    expect(kitAnswer(school, kitOf(['Ilse'], '2026-03-05', []), 'made up').since).toBeNull();
  });

  it('does not fit a device that has another version, or lacks somebody', () => {
    const school = v7();
    const one = kitAnswer(school, kitOf(['Ilse'], '2026-03-05', []), undefined);
    const two = kitAnswer(school, kitOf(['Ilse', 'Bram'], '2026-03-05', []), one.version);
    expect(upon(null, two)).toBeNull();
    expect(upon({ version: one.version, kit: kitOf([], '2026-03-05', []) }, two)).toBeNull();
  });

  it('law: whatever happens between two visits of several tablets, each has what the school has', () => {
    const happening = fc.record({
      tablet: fc.nat(2),
      names: fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd'), { minLength: 0 }),
      day: fc.constantFrom('2026-03-05', '2026-03-06'),
      praises: fc.array(fc.nat(2), { minLength: 4, maxLength: 4 }),
    });
    fc.assert(
      fc.property(fc.array(happening, { maxLength: 40 }), (list) => {
        const school = v7();
        const tablets: (KeptKit | null)[] = [null, null, null];
        for (const h of list) {
          const now = kitOf(h.names, h.day, h.praises);
          const kept = tablets[h.tablet]!;
          const got = upon(kept, kitAnswer(school, now, kept?.version));
          expect(got?.kit).toEqual(now);
          tablets[h.tablet] = got;
        }
      }),
    );
  });
});
