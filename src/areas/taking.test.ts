import { describe, expect, it } from 'vitest';
import { makeVocabulary } from '../core';
import { whatStays } from '../kit/taking/line';
import { PARTED, readScores } from './sequences/taking';
import { readRoll, rollThatStays } from './students/lists/taking';
import { orderOfTaking, readLibrary } from './techniques/taking';

const takes = <T>(r: { lines: { takes: T | null }[] }) => r.lines.map((l) => l.takes !== null);
const goodOf = <L extends { takes: unknown }>(lines: L[]) => new Set(lines.filter((l) => l.takes !== null));

describe('techniques', () => {
  const text = 'technique: Reed step\nkind: step\npoint: Quiet feet\n  part: feet\n\ntechnique: Odd\nkind: dance';
  it('new ones come, known ones are named, wrong ones stay with their line, of text and of JSON', () => {
    const read = readLibrary(`${text}\n\ntechnique: Sluice block\nkind: block`, new Set(['sluice block']));
    expect(read.lines.map((l) => l.said)).toEqual([
      'new step, 1 point',
      expect.stringMatching(/^stays out: kind: /),
      'is here already and stays as it is',
    ]);
    expect(whatStays(text, read.lines, goodOf(read.lines), '\n\n')).toBe('technique: Odd\nkind: dance');
    const json = JSON.stringify([{ name: 'Reed step', kind: 'step' }, { name: 'Odd' }]);
    const again = readLibrary(json, new Set());
    expect(takes(again)).toEqual([true, false]);
    expect(JSON.parse(whatStays(json, again.lines, goodOf(again.lines), '\n\n'))).toEqual([{ name: 'Odd' }]);
  });

  it('the same name twice is taken once; what others stand on goes first', () => {
    const read = readLibrary('technique: A\nkind: strike\n\ntechnique: a\nkind: stance', new Set());
    expect(takes(read)).toEqual([true, false]);
    expect(
      [{ kind: 'strike' }, { kind: 'turn' }, { kind: 'stance' }]
        .sort((a, b) => orderOfTaking(a as never) - orderOfTaking(b as never))
        .map((t) => t.kind),
    ).toEqual(['stance', 'turn', 'strike']);
  });

  it('JSON that breaks off says so', () => {
    expect(readLibrary('[{', new Set()).lines[0]!.said).toMatch(/breaks off/);
    expect(readLibrary('{"a": 1}', new Set()).lines[0]!.said).toMatch(/no list of techniques/);
  });
});

describe('sequences', () => {
  const vocabulary = makeVocabulary([]);
  const here = [
    { title: 'Sluice', parentId: null },
    { title: 'Second', parentId: 'x' },
  ] as never;
  it('a title that is here is replaced, one that follows a recipe is not, a broken one says where', () => {
    const source = ['title: Sluice', 'title: Second', 'title: New\nturn round', 'count 1', 'title: New'].join(PARTED);
    const { lines } = readScores(source, vocabulary, here);
    expect(lines.map((l) => l.said)).toEqual([
      'replaces the text that is here',
      expect.stringMatching(/follows a recipe/),
      expect.stringMatching(/^stays out: Line 2, place 1: /),
      expect.stringMatching(/^stays out: It has no title/),
      'stays out: This title stands here twice.',
    ]);
    const left = whatStays(source, lines, goodOf(lines), PARTED);
    expect(readScores(left, vocabulary, here).lines.map((l) => l.name)).toEqual(['Second', 'New', 'Sequence 3', 'New']);
  });

  it('JSON says at which place it is wrong', () => {
    expect(readScores('{"sequences": [{}]}', vocabulary, here).lines[0]!.said).toMatch(/^stays out: /);
    expect(readScores('{', vocabulary, here).wrong).toMatch(/breaks off/);
  });
});

describe('the roll', () => {
  const context = { ranks: [{ id: 'w', name: 'White' }], onTheRoll: [], today: '2026-10-01' } as never;
  it('the line that says the columns stays above what is left', () => {
    const source = 'name,belt\r\nThea Brook,White\r\nOle Fenn,Wihte';
    const { lines } = readRoll(source, context);
    expect(takes({ lines })).toEqual([true, false]);
    expect(lines[0]!.said).toMatch(/^new, White since .*counted as a minor/);
    expect(rollThatStays(source, lines, goodOf(lines))).toBe('name,belt\r\nOle Fenn,Wihte');
    expect(rollThatStays(source, lines, new Set(lines))).toBe('');
  });
});
