import { describe, expect, it } from 'vitest';
import { beltsMeant, withoutBelt } from './beltName';
import { checkRollLines, readRollCells } from './rollLines';

const ranks = (...names: string[]) => names.map((name) => ({ id: name, name }));
const meant = (typed: string, ...names: string[]) => beltsMeant(typed, ranks(...names)).map((r) => r.name);

describe('a belt as people type it', () => {
  it.each([
    ['First belt', 'First belt'],
    ['first', 'First belt'],
    ['Straw belt', 'Straw'],
    ['ceinture noire', 'Noire'],
    ['Gelbgurt', 'Gelb'],
    ['schwarzer Gürtel', 'Schwarzer'],
    ['czarny pas', 'Czarny'],
    ['黒帯', '黒'],
    ['검은띠', '검은 띠'],
    ['belt', 'Belt'],
  ])('%s means %s', (typed, name) => expect(meant(typed, 'White', name, 'Umber')).toEqual([name]));

  it('the very name wins over one that only differs by the word, and two that do are asked about', () => {
    expect(meant('Black belt', 'Black', 'Black belt')).toEqual(['Black belt']);
    expect(meant('black obi', 'Black', 'Black belt')).toEqual(['Black', 'Black belt']);
    expect(withoutBelt('belt')).toBe('belt');
  });

  it('a roll with such belts is taken, as the small start names them', () => {
    const context = { ranks: ranks('First belt', 'Second belt'), onTheRoll: [], today: '2026-03-05' };
    const rows = checkRollLines(
      readRollCells([
        ['Ilse Marrow', 'First belt'],
        ['Bram Oakes', 'second'],
      ]),
      context,
    );
    expect(rows.map((r) => r.takes && r.student.rankId)).toEqual(['First belt', 'Second belt']);
    const two = checkRollLines(readRollCells([['Ilse Marrow', 'black']]), {
      ...context,
      ranks: ranks('Black belt', 'Black obi'),
    });
    expect(two[0]).toMatchObject({
      takes: false,
      amiss: [{ field: 'rank', says: '“black” can mean Black belt or Black obi. Write it as the school does.' }],
    });
  });
});
