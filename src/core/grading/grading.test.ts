import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beltHangsOn, decideByRule, type AskedItem } from './decide';
import { BELT_RESULTS, SHEET_WORDS, USUAL_RULE, sameRule, wordOfMark, type GradingRule, type SheetWord } from './rule';
import { asksOf, oneWord, talliesOf, weakestPoint, wordOf, type SheetLine } from './sheet';

/** A rule by whose shares words are easily reckoned by hand. */
const RULE: GradingRule = { ...USUAL_RULE, stands: 0.8, criticalStands: 0.9, nearly: 0.6, mayFallShort: 0 };
const usual = (hangsOn: (p: string) => boolean, rule = RULE) => ({
  hangsOn,
  asks: (p: string) => (hangsOn(p) ? rule.criticalStands : rule.stands),
});
const asked = (...names: string[]): AskedItem[] =>
  names.map((item) => ({ item, critical: item.endsWith('!'), ...usual((p) => p === 'guard') }));
const said = (item: string, examiner: string, word: SheetWord | null, marks: SheetLine['marks'] = []): SheetLine => ({
  item,
  examiner,
  word,
  marks,
});
const all = (words: Record<string, SheetWord>) =>
  Object.entries(words).map(([item, word]) => said(item, 'Maren', word));
const decide = (words: Record<string, SheetWord>) =>
  decideByRule(USUAL_RULE, asked(...Object.keys(words)), all(words)).outcome;

describe('the word for an item', () => {
  const marks = (pointId: string, reps: string) => [{ pointId, side: 'left' as const, reps }];
  it.each([
    ['HHHHS', 'heel', 'stands'],
    ['HHHSS', 'heel', 'nearly'],
    ['HHSSS', 'heel', 'not yet'],
    // A critical point is held to more.
    ['HHHHS', 'guard', 'nearly'],
    ['HHHHH', 'guard', 'stands'],
    // What was not seen is no slip.
    ['HHUUU', 'guard', 'stands'],
    ['UUUUU', 'heel', null],
  ])('%s of a %s point is %s', (reps, point, word) =>
    expect(
      wordOf(
        RULE,
        said('kick', 'Maren', null, marks(point, reps)),
        usual((p) => p === 'guard'),
      ),
    ).toBe(word),
  );

  it('is decided by the weakest point over both sides, unless the examiner says another', () => {
    const two = [...marks('heel', 'HHHHH'), { pointId: 'heel', side: 'right' as const, reps: 'HHHSS' }];
    expect(talliesOf(two).get('heel')).toEqual({ held: 8, seen: 10 });
    const line = said('kick', 'Maren', null, [...two, ...marks('knee', 'HSSSS')]);
    expect(
      wordOf(
        RULE,
        line,
        usual(() => false),
      ),
    ).toBe('not yet');
    expect(
      wordOf(
        RULE,
        { ...line, word: 'stands' },
        usual(() => false),
      ),
    ).toBe('stands');
  });

  it('each side stands by itself, and of the others some may fall short, of those it hangs on none', () => {
    const reps = (pointId: string, left: string, right: string): SheetLine['marks'] => [
      { pointId, side: 'left', reps: left },
      { pointId, side: 'right', reps: right },
    ];
    const line = (...marks: SheetLine['marks'][]) => said('kick', 'Maren', null, marks.flat());
    // By the usual rule three of five hold; nine of ten over both sides do not help a side that shows two.
    const by = usual((p) => p === 'guard', USUAL_RULE);
    const good = ['heel', 'knee', 'hip'].map((p) => reps(p, 'HHHHH', 'HHHHS'));
    expect(wordOf(USUAL_RULE, line(...good, reps('back', 'HHHHH', 'HHSSS')), by)).toBe('stands');
    expect(wordOf(USUAL_RULE, line(...good.slice(1), reps('back', 'HHHHH', 'HHSSS')), by)).toBe('nearly');
    expect(wordOf(USUAL_RULE, line(...good, reps('guard', 'HHHHH', 'HHHSS')), by)).toBe('nearly');
  });

  it('what was adapted is asked as adapted, and a waived point decides nothing', () => {
    const line = said('kick', 'Maren', null, [...marks('heel', 'HHHSS'), ...marks('knee', 'SSSSS')]);
    const asks = (of: Record<string, number | null>) => ({ asks: (p: string) => of[p] ?? null, hangsOn: () => false });
    expect(wordOf(RULE, line, asks({ heel: 0.8, knee: 0.8 }))).toBe('not yet');
    expect(wordOf(RULE, line, asks({ heel: 0.8, knee: null }))).toBe('nearly');
    expect(wordOf(RULE, line, asks({ heel: 0.5, knee: null }))).toBe('stands');
    // By hand: nearly from 0.6 of 0.8, so from 0.3 where 0.4 is asked.
    const third = said('kick', 'Maren', null, marks('heel', 'HSS'));
    expect(wordOf(RULE, third, asks({ heel: 0.4 }))).toBe('nearly');
  });

  it('what is asked of a point follows its being critical and what was adapted', () => {
    const points = [
      { id: 'heel', critical: false },
      { id: 'guard', critical: true },
    ];
    const adapted = new Map([
      ['heel', { waived: true }],
      ['guard', { waived: false, share: 0.3 }],
    ]);
    const [plain, own] = [asksOf(RULE, points), asksOf(RULE, points, adapted)];
    expect([plain.asks('heel'), plain.asks('guard'), plain.hangsOn('guard')]).toEqual([0.8, 0.9, true]);
    expect([own.asks('heel'), own.asks('guard'), own.hangsOn('guard')]).toEqual([null, 0.3, true]);
  });

  it('to work on is what can hurt, then what slipped most over all sheets, then what stands lower', () => {
    const points = ['heel', 'knee', 'guard'].map((id) => ({ id, hurts: id === 'guard' }));
    const sheet = (of: Record<string, string>) => ({
      marks: Object.entries(of).map(([pointId, reps]) => ({ pointId, side: 'left' as const, reps })),
    });
    const two = [sheet({ heel: 'SSHHH', knee: 'SSHHH', guard: 'HHHHH' }), sheet({ heel: 'SHHHH', knee: 'SSHHH' })];
    expect(weakestPoint(two, points)).toEqual({ pointId: 'knee', side: 'left' });
    expect(weakestPoint([two[0]!], points)).toEqual({ pointId: 'heel', side: 'left' });
    expect(weakestPoint([...two, sheet({ guard: 'HHHHS' })], points)).toMatchObject({ pointId: 'guard' });
    expect(weakestPoint([sheet({ heel: 'HHUUU', gone: 'SSSSS' })], points)).toBeNull();
  });

  it('a mark out of a number stands for a word, a word goes before it, and without a scale it says nothing', () => {
    const tens: GradingRule = { ...RULE, scale: { outOf: 10, stands: 7, nearly: 5 } };
    const given = (mark: number, word: SheetWord | null = null) => ({ ...said('kick', 'Maren', word), mark });
    const by = usual(() => false);
    expect([10, 7, 6.5, 5, 4.5, 0].map((m) => wordOf(tens, given(m), by))).toEqual([
      'stands',
      'stands',
      'nearly',
      'nearly',
      'not yet',
      'not yet',
    ]);
    expect(wordOf(tens, given(3, 'stands'), by)).toBe('stands');
    expect(wordOf(RULE, given(9), by)).toBeNull();
    // Whatever held and slipped beneath it stays evidence; the mark decides.
    expect(wordOf(tens, { ...given(8), marks: marks('heel', 'SSSSS') }, by)).toBe('stands');
  });

  it('of several is the middle one, the lower of two, or the lowest', () => {
    expect(oneWord(['stands', 'not yet', 'stands'], 'the middle')).toBe('stands');
    expect(oneWord(['stands', 'nearly'], 'the middle')).toBe('nearly');
    expect(oneWord(['stands', 'nearly', 'stands'], 'the lowest')).toBe('nearly');
    expect(oneWord([], 'the middle')).toBeNull();
  });
});

describe('the usual rule', () => {
  it.each([
    ['all stand', { a: 'stands', b: 'stands' }, 'the belt'],
    ['one nearly', { a: 'nearly', b: 'stands' }, 'the belt, with a note'],
    ['two nearly', { a: 'nearly', b: 'nearly', c: 'stands' }, 'part again'],
    ['one not yet', { a: 'not yet', b: 'stands' }, 'part again'],
    ['one of each', { a: 'not yet', b: 'nearly', c: 'stands' }, 'held over'],
    ['three nearly', { a: 'nearly', b: 'nearly', c: 'nearly' }, 'held over'],
    ['a critical one nearly', { 'a!': 'nearly', b: 'stands' }, 'part again'],
    ['a critical one not yet', { 'a!': 'not yet', b: 'stands' }, 'held over'],
  ] as [string, Record<string, SheetWord>, string][])('%s', (_, words, outcome) => expect(decide(words)).toBe(outcome));

  it('cannot say where nobody saw something, or nothing is asked', () => {
    expect(decideByRule(USUAL_RULE, asked('a', 'b'), all({ a: 'stands' })).outcome).toBeNull();
    expect(decideByRule(USUAL_RULE, [], []).outcome).toBeNull();
  });

  it('of a critical item the lowest word of all counts, and where they differ it is said', () => {
    const lines = (item: string) => [
      said(item, 'Odile', 'nearly'),
      said(item, 'Maren', 'stands'),
      said(item, 'Idris', 'stands'),
    ];
    const d = decideByRule(USUAL_RULE, asked('a', 'b!'), [...lines('a'), ...lines('b!')]);
    expect(d.items.map((i) => [i.word, i.split])).toEqual([
      ['stands', true],
      ['nearly', true],
    ]);
    expect([d.outcome, d.failed]).toEqual(['part again', ['b!']]);
    expect(d.items[0]!.words.map((w) => w.examiner)).toEqual(['Idris', 'Maren', 'Odile']);
  });
});

it('rules are the same only where they decide alike, marks too', () => {
  const tens: GradingRule = { ...USUAL_RULE, scale: { outOf: 10, stands: 7, nearly: 5 } };
  expect(sameRule(tens, { ...tens, scale: { ...tens.scale! } })).toBe(true);
  expect(sameRule(tens, USUAL_RULE)).toBe(false);
  expect(sameRule(tens, { ...tens, scale: { outOf: 10, stands: 8, nearly: 5 } })).toBe(false);
});

describe('what a belt hangs on', () => {
  const lines = (item: string, ...words: SheetWord[]) =>
    words.map((w, i) => said(item, ['Maren', 'Idris', 'Odile'][i]!, w));
  it('is an item of which the examiners differ and by whose word the outcome changes', () => {
    const all = [...lines('a', 'stands', 'nearly', 'stands'), ...lines('b', 'stands', 'stands', 'stands')];
    // One nearly is a note, none is the belt.
    expect(beltHangsOn(USUAL_RULE, asked('a', 'b'), all)).toEqual(['a']);
    // Whatever is said of one more, three that are not yet hold it over.
    const lost = ['c', 'd', 'e'].flatMap((i) => lines(i, 'not yet', 'not yet', 'not yet'));
    expect(beltHangsOn(USUAL_RULE, asked('a', 'b', 'c', 'd', 'e'), [...all, ...lost])).toEqual([]);
  });
});

const word = fc.constantFrom(...SHEET_WORDS);
const NAMES = ['a', 'b!', 'c', 'd', 'e!'];
const sheets = fc
  .array(fc.record({ item: fc.constantFrom(...NAMES), examiner: fc.constantFrom('Maren', 'Idris', 'Odile'), word }), {
    minLength: 1,
    maxLength: 15,
  })
  // One line an examiner and item.
  .map((l) => [...new Map(l.map((x) => [`${x.item} ${x.examiner}`, x])).values()])
  .map((l) => l.map((x) => said(x.item, x.examiner, x.word)));
const rule: fc.Arbitrary<GradingRule> = fc
  .record({
    words: fc.constantFrom('the middle', 'the lowest'),
    critical: fc.constantFrom('the middle', 'the lowest'),
    laths: fc.array(
      fc.record({
        outcome: fc.constantFrom('the belt', 'the belt, with a note', 'part again'),
        short: fc.integer({ min: 0, max: 5 }),
        notYet: fc.integer({ min: 0, max: 5 }),
      }),
      { maxLength: 5 },
    ),
  })
  .map((r) => ({ ...USUAL_RULE, ...r }));

describe('laws of every rule', () => {
  it('sheets in any order give one result', () => {
    fc.assert(
      fc.property(rule, sheets, fc.nat(), (r, lines, turn) => {
        const at = turn % lines.length;
        const mixed = [...lines.slice(at), ...lines.slice(0, at)].reverse();
        expect(decideByRule(r, asked(...NAMES), mixed)).toEqual(decideByRule(r, asked(...NAMES), lines));
      }),
    );
  });

  it('a better word never makes the outcome worse', () => {
    fc.assert(
      fc.property(rule, sheets, fc.nat(), (r, lines, at) => {
        const i = at % lines.length;
        const better = SHEET_WORDS[Math.max(0, SHEET_WORDS.indexOf(lines[i]!.word!) - 1)]!;
        const names = [...new Set(lines.map((l) => l.item))];
        const [before, after] = [lines, lines.map((l, k) => (k === i ? { ...l, word: better } : l))].map(
          (l) => decideByRule(r, asked(...names), l).outcome!,
        );
        expect(BELT_RESULTS.indexOf(after!)).toBeLessThanOrEqual(BELT_RESULTS.indexOf(before!));
      }),
    );
  });

  it('a higher mark never makes a word worse', () => {
    const scale = fc
      .record({
        outOf: fc.integer({ min: 2, max: 100 }),
        a: fc.double({ min: 0, max: 1, noNaN: true }),
        b: fc.double({ min: 0, max: 1, noNaN: true }),
      })
      .map(({ outOf, a, b }) => ({ outOf, stands: outOf * Math.max(a, b), nearly: outOf * Math.min(a, b) }));
    fc.assert(
      fc.property(
        scale,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (s, x, y) => {
          const [low, high] = [Math.min(x, y), Math.max(x, y)].map((m) =>
            SHEET_WORDS.indexOf(wordOfMark(s, m * s.outOf)),
          );
          expect(high).toBeLessThanOrEqual(low!);
        },
      ),
    );
  });

  it('a repetition that held instead of slipping never makes a word worse', () => {
    const reps = fc.stringMatching(/^[HSU]{5}$/);
    fc.assert(
      fc.property(reps, fc.nat(4), fc.boolean(), (text, i, critical) => {
        const line = (t: string) => said('a', 'Maren', null, [{ pointId: 'p', side: 'left', reps: t }]);
        fc.pre(text[i] === 'S');
        const [was, now] = [text, `${text.slice(0, i)}H${text.slice(i + 1)}`].map((t) =>
          wordOf(
            RULE,
            line(t),
            usual(() => critical),
          )!,
        );
        expect(SHEET_WORDS.indexOf(now!)).toBeLessThanOrEqual(SHEET_WORDS.indexOf(was!));
      }),
    );
  });
});
