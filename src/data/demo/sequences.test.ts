import { describe, expect, it } from 'vitest';
import {
  checkSequence,
  derive,
  findDepartures,
  parseSequence,
  PLAIN_CONTEXT,
  printSequence,
  readSequence,
  sectionings,
  tally,
  type Sequence,
} from '../../core';
import { DEMO_DERIVED, DEMO_VOCABULARY, DEMO_WRITTEN, recipeOf } from './hall';

/** All sequences of the hall, made as the demo makes them. */
const made = (() => {
  const all = new Map<string, Sequence>();
  for (const { title, text } of DEMO_WRITTEN) all.set(title, readSequence(text, DEMO_VOCABULARY).sequence);
  for (const s of DEMO_DERIVED) {
    const child = derive(
      all.get(s.from)!,
      recipeOf(s, (t) => t),
      { find: (t) => all.get(t), vocabulary: DEMO_VOCABULARY },
    );
    if (!child.ok) throw new Error(`${s.title}: ${child.error}`);
    const text = s.edits.reduce(
      (t, [was, becomes]) => {
        expect(t, s.title).toContain(was);
        return t.replace(was, becomes);
      },
      printSequence(child.value, DEMO_VOCABULARY),
    );
    all.set(s.title, readSequence(text, DEMO_VOCABULARY).sequence);
  }
  return all;
})();

describe('the sequences of the hall', () => {
  it.each(DEMO_WRITTEN.map((s) => [s.title, s.text] as const))('%s is read without a question', (_title, text) => {
    expect(readSequence(text, DEMO_VOCABULARY).problems).toEqual([]);
  });

  it.each([...made.keys()])('%s prints and reads without loss', (title) => {
    const seq = made.get(title)!;
    expect(parseSequence(printSequence(seq, DEMO_VOCABULARY), DEMO_VOCABULARY)).toEqual({ ok: true, value: seq });
  });

  it('has the sizes the hall says, and its forms close', () => {
    expect(made.get('First Causeway')!.moves).toHaveLength(22);
    expect(made.get('Ferry Pole')!.moves).toHaveLength(40);
    expect(sectionings(made.get('Ferry Pole')!).map((s) => s.sections.length)).toEqual([4, 3]);
    for (const form of ['First Causeway', 'Second Causeway', 'Sluice', 'Ferry Pole']) {
      const closing = checkSequence(made.get(form)!, { ...PLAIN_CONTEXT, vocabulary: DEMO_VOCABULARY }).filter(
        (f) => f.check === 'closing' || f.check === 'feet' || f.check === 'cut' || f.check === 'stance shift',
      );
      expect(
        closing.filter((f) => !f.ok).map((f) => f.text),
        form,
      ).toEqual([]);
    }
  });

  it('Second Causeway is the first with a kick before each advancing punch, turns unchanged (F 3, common practice, no source)', () => {
    const [first, second] = [made.get('First Causeway')!, made.get('Second Causeway')!];
    expect(tally(second).turns).toEqual(tally(first).turns);
    const kicks = tally(second)
      .cells.filter((c) => c.kind === 'kick')
      .reduce((n, c) => n + c.left + c.right, 0);
    expect(second.moves.length - first.moves.length).toBe(kicks);
    expect(findDepartures(first.moves, second.moves).every((d) => d.was === null)).toBe(true);
  });
});
