import { describe, expect, it } from 'vitest';
import { THING_COLUMNS, type Thing } from '../../core';
import { printThings, readThings, thingsThatStay } from './taking';

const RANKS = [
  { id: 'w', name: 'White' },
  { id: 'a', name: 'Amber' },
];
const staff: Thing & { id: string; version: number } = {
  id: '1',
  version: 1,
  name: 'Long staff',
  about: '1.80 m, “ash”',
  shape: 'staff',
  place: '=rack; by the door',
  hallId: null,
  serves: 'staff',
  fromAge: 12,
  fromRankId: 'a',
  alone: false,
  people: 1,
  every: 90,
  how: [],
  stands: [],
  pieces: [{ id: 'p', wrong: '', checked: null, checkBy: null, lent: null }],
};

describe('the store as a list', () => {
  it('comes in again as it went out, and no spreadsheet runs a cell of it', () => {
    const text = printThings(
      [staff, { ...staff, name: 'Bag', serves: null, fromAge: null, fromRankId: null, every: null }],
      RANKS,
    );
    expect(text).not.toMatch(/(^|,)=/m);
    const { lines } = readThings(text, RANKS, new Set());
    const { hallId: _h, how: _w, pieces: _p, stands: _s, id: _i, version: _v, ...said } = staff;
    expect(lines.map((l) => l.takes)).toEqual([
      { ...said, count: 1 },
      { ...said, name: 'Bag', serves: null, fromAge: null, fromRankId: null, every: null, count: 1 },
    ]);
  });

  it('says of each line what is amiss, what is there already and what stands twice; those stay', () => {
    const text = [
      'how many,name,from belt,serves',
      '4,Kick shield,amber belt,target',
      'many,Post,,striking post',
      '2,Mat,Purple,carpets',
      '1,Kick shield,,',
      '9,Long staff,,',
      '3,,,',
    ].join('\n');
    const { lines } = readThings(text, RANKS, new Set(['long staff']));
    expect(lines.map((l) => [l.at, l.takes?.count ?? null, l.isHere ?? false])).toEqual([
      [2, 4, false],
      [3, null, false],
      [4, null, false],
      [5, null, false],
      [6, null, true],
      [7, null, false],
    ]);
    expect(lines[0]!.takes).toMatchObject({ fromRankId: 'a', serves: 'target', people: 1, alone: true, every: null });
    expect(lines[1]!.said).toBe('“many” is no how many: a whole number from 0 to 300.');
    expect(lines[2]!.said).toMatch(/^“Purple” is no belt of the school, or several\. “carpets” is none of: /);
    expect(lines[3]!.said).toBe('It stands twice in this list.');
    expect(lines[5]!.said).toBe('It has no name.');
    const left = thingsThatStay(text, lines, new Set([lines[0]!]));
    expect(left.split('\r\n')[0]).toBe('how many,name,from belt,serves');
    expect(left).not.toContain('Long staff');
    expect(left.split('\r\n')).toHaveLength(5);
  });

  it('without a first line that names the columns they stand as they go out; nothing is nothing', () => {
    const [line] = readThings('Mat,1 × 1 m,mat,loft,mats,1,,,yes,180,36', RANKS, new Set()).lines;
    expect(line!.takes).toMatchObject({ name: 'Mat', shape: 'mat', serves: 'mats', every: 180, count: 36 });
    expect(readThings('', RANKS, new Set()).lines).toEqual([]);
    expect(readThings(THING_COLUMNS.join(','), RANKS, new Set()).lines).toEqual([]);
  });
});
