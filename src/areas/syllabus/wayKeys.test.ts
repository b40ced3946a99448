import { describe, expect, it } from 'vitest';
import { applyEdits, STEADY, type Edit, type Syllabus } from '../../core';
import { asks, editing, library, RANKS, syllabus, thread } from '../../core/syllabus/testing/builders';
import type { Place } from './WeaveRow';
import { movedTo, requirementAt, strokeAt, type Way } from './wayKeys';

const start = syllabus({
  threads: [
    thread('kick', { introduced: 'white', until: 'amber' }),
    thread('fall'),
    thread('form', { item: { sequence: 'form', part: null } }),
  ],
  requirements: [asks('kick', 'straw'), asks('fall', 'straw')],
});
const way = (s: Syllabus = start): Way => ({
  syllabus: s,
  ranks: RANKS,
  factsOf: library(s, { 's:form': { group: 'Forms' } }),
  nameOf: (id) => id,
  newAt: (p) => ({ ...asks(p.threadId, RANKS[p.at]!.id), standard: STEADY }),
});
const at = (threadId: string, rank: string): Place => ({ threadId, at: RANKS.findIndex((r) => r.id === rank) });
const press = (
  key: string,
  p: Place,
  more: Partial<Record<'altKey' | 'ctrlKey' | 'metaKey', boolean>> = {},
  may = true,
) => strokeAt(way(), p, { key, altKey: false, ctrlKey: false, metaKey: false, ...more }, may);
/** The way after a stroke, as the draft would have it. */
function after(stroke: ReturnType<typeof strokeAt>): Syllabus {
  if (stroke?.does !== 'change') throw new Error(`This key changes nothing: ${JSON.stringify(stroke)}`);
  const made = applyEdits(start, stroke.edits as Edit[], editing);
  if (!made.ok) throw new Error(made.error);
  return made.value;
}
const threadIn = (s: Syllabus, id: string) => s.threads.find((t) => t.id === id)!;
const alt = { altKey: true };

describe('the way by keys', () => {
  it('a test, a beginning and an end go to the next belt, and the hand goes with them', () => {
    const test = press('ArrowRight', at('kick', 'straw'), alt);
    expect(after(test).requirements.find((r) => r.threadId === 'kick')!.rankId).toBe('amber');
    expect(test).toMatchObject({ goes: at('kick', 'amber'), says: 'kick tested for Amber' });
    const eye = press('ArrowRight', at('kick', 'white'), alt);
    expect(threadIn(after(eye), 'kick').introduced).toBe('straw');
    const end = press('ArrowRight', at('kick', 'amber'), alt);
    // The end at the last belt is no end.
    expect(threadIn(after(end), 'kick').until).toBeNull();
    expect(threadIn(after(press('ArrowLeft', at('kick', 'amber'), alt)), 'kick').until).toBe('straw');
  });

  it('nothing goes over the edge, and nothing that is not there', () => {
    expect(press('ArrowLeft', at('kick', 'white'), alt)).toBeNull();
    expect(press('ArrowRight', at('fall', 'fern'), alt)).toBeNull();
    expect(press('ArrowRight', at('fall', 'amber'), alt)).toBeNull();
    expect(press('i', { threadId: 'gone', at: 1 })).toBeNull();
  });

  it('i, t and e set where it begins, is tested and ends', () => {
    expect(threadIn(after(press('I', at('fall', 'amber'))), 'fall').introduced).toBe('amber');
    expect(threadIn(after(press('e', at('fall', 'amber'))), 'fall').until).toBe('amber');
    const asked = after(press('t', at('fall', 'amber')));
    expect(asked.requirements.filter((r) => r.threadId === 'fall').map((r) => r.rankId)).toEqual(['straw', 'amber']);
    expect(press('t', at('fall', 'straw'))).toBeNull();
  });

  it('Delete takes the test away, and where there is none the beginning', () => {
    expect(after(press('Delete', at('kick', 'straw'))).requirements.map((r) => r.threadId)).toEqual(['fall']);
    expect(threadIn(after(press('Backspace', at('kick', 'white'))), 'kick').introduced).toBeNull();
    expect(press('Delete', at('kick', 'fern'))).toBeNull();
  });

  it('up and down within its own group', () => {
    // Groups stand apart on the screen; within one the order counts.
    const basics = (s: Syllabus) => s.threads.map((t) => t.id).filter((id) => id !== 'form');
    expect(basics(after(press('ArrowDown', at('kick', 'white'), alt)))).toEqual(['fall', 'kick']);
    expect(basics(after(press('ArrowUp', at('fall', 'white'), alt)))).toEqual(['fall', 'kick']);
    expect(press('ArrowUp', at('kick', 'white'), alt)).toBeNull();
    expect(press('ArrowDown', at('fall', 'white'), alt)).toBeNull();
    // The only form stays where it is.
    expect(press('ArrowUp', at('form', 'white'), alt)).toBeNull();
  });

  it('opens for everybody, undoes by the usual keys, and leaves the browser its own', () => {
    expect(press('Enter', at('kick', 'white'), {}, false)).toEqual({ does: 'open' });
    expect(press(' ', at('kick', 'white'))).toEqual({ does: 'open' });
    for (const mod of ['ctrlKey', 'metaKey'] as const)
      expect(press('Z', at('kick', 'white'), { [mod]: true })).toEqual({ does: 'undo' });
    for (const [key, mod] of [
      ['t', 'ctrlKey'],
      ['i', 'metaKey'],
      ['e', 'altKey'],
      ['x', 'altKey'],
    ] as const)
      expect(press(key, at('fall', 'amber'), { [mod]: true })).toBeNull();
  });

  it('whoever may only look changes nothing', () => {
    for (const key of ['i', 't', 'e', 'Delete']) expect(press(key, at('kick', 'straw'), {}, false)).toBeNull();
    expect(press('ArrowRight', at('kick', 'straw'), alt, false)).toBeNull();
    expect(press('z', at('kick', 'straw'), { ctrlKey: true }, false)).toBeNull();
  });
});

describe('the way by hand', () => {
  it('a dragged test takes along everything asked at that belt', () => {
    const twice = {
      ...start,
      requirements: [...start.requirements, { ...asks('kick', 'straw'), id: 'again', conditionId: 'still target' }],
    };
    const moved = movedTo(way(twice), 'kick', 'test 1', 3)!;
    expect(moved.edits).toHaveLength(2);
    expect(moved.edits.every((e) => e.op === 'requirement.put' && e.requirement.rankId === 'fern')).toBe(true);
    expect(requirementAt(way(twice), at('kick', 'straw'))!.id).toBe('kick for straw');
  });
  it('nowhere is no place', () => {
    expect(movedTo(way(), 'kick', 'eye', 9)).toBeNull();
    expect(movedTo(way(), 'gone', 'eye', 1)).toBeNull();
  });
});
