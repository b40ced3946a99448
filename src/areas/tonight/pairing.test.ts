import { describe, expect, it } from 'vitest';
import { EMPTY_BLOCK, type Block } from '../../core';
import { HEEL, kitOf, student, technique } from '../../kit/mat/testing/kit';
import { calledKey, pairingAround, pairingPeople, roundsToCome } from './pairing';

const block = (more: Partial<Block> = {}): Block => ({
  ...EMPTY_BLOCK,
  id: 'b',
  name: 'Touch game',
  kind: 'partner',
  pairs: { kind: 'contact', rung: 2, answers: false, rounds: 3 },
  ...more,
});
const kick = technique([HEEL]);
const KEY = `t:${kick.id}`;

describe('those on the line, as pairing sees them', () => {
  it('rest where the block’s thing rests whole, or where words name the work; a pause of something else does not', () => {
    const kit = kitOf({ techniques: [kick] });
    const rest = { what: 'right knee: no kicks', until: null };
    const rests = student(1, 'Emre', { rests: { [KEY]: { ...rest, points: null } } });
    const partly = student(2, 'Noor', { rests: { [KEY]: { ...rest, points: [HEEL.id] } } });
    const contact = student(3, 'Mei', { resting: [{ what: 'no contact work', until: null, pause: false }] });
    const paused = student(4, 'Kofi', { resting: [{ what: 'no contact work', until: null, pause: true }] });
    const withKick = block({ items: [{ item: { technique: kick.id }, conditionId: null }] });
    const of = (b: Block, s: typeof rests) => pairingPeople(kit, b, [s])[0]!.rests;
    expect([of(withKick, rests), of(withKick, partly)]).toEqual([true, false]);
    expect([of(block(), rests), of(block(), contact), of(block(), paused)]).toEqual([false, true, false]);
  });

  it('have the answers of what their belt asked, or of what they hold of the next', () => {
    const kit = kitOf();
    const [white, straw] = kit.ranks.map((r) => r.id);
    const asked = {
      rankId: straw!,
      itemKey: KEY,
      techniqueId: kick.id,
      sequenceId: null,
      part: null,
      conditionId: '',
      purpose: null,
      repetitions: 5,
      name: 'Roundhouse kick',
      group: 'Partner' as const,
    };
    const with1 = kitOf({
      asked: [asked],
      requirements: [{ id: 'r', itemKey: KEY, conditionId: '', seconds: 40 }],
    });
    const worth = { r: 0, word: 'met' as const, reason: '', freshUntil: null, settles: 0, hurts: false, points: [] };
    const answers = (s: ReturnType<typeof student>) => pairingPeople(with1, block(), [s])[0]!.answers;
    expect(answers(student(1, 'new', { rankId: white! }))).toBe(false);
    expect(answers(student(2, 'held', { rankId: white!, worths: [worth] }))).toBe(true);
    expect(answers(student(3, 'worn', { rankId: straw! }))).toBe(true);
  });
});

describe('rounds that are to come', () => {
  const people = ['Ann', 'Ben', 'Cay', 'Dov'].map((n, i) => student(i, n));
  const kit = kitOf({ students: people });

  it('are as many as were not called, and nobody meets whom they met', () => {
    const [a, b, c, d] = people.map((p) => p.id);
    const called = {
      [calledKey('b', 1)]: [
        { id: '1', a: a!, b: b!, c: null, rung: 1, first: a! },
        { id: '2', a: c!, b: d!, c: null, rung: 1, first: c! },
      ],
    };
    const rounds = roundsToCome(kit, block(), people, called, []);
    expect(rounds).toHaveLength(2);
    const met = rounds.flatMap((r) => r.pairs.map((p) => [p.a, p.b].sort().join(' ')));
    expect(new Set(met).size).toBe(4);
    expect(met).not.toContain([a, b].sort().join(' '));
    expect(roundsToCome(kit, block({ pairs: null }), people, {}, [])).toEqual([]);
  });

  it('know what was said and what was in the last weeks', () => {
    const [a, b] = people.map((p) => p.id);
    const around = pairingAround(
      kitOf({
        pairing: {
          apart: [[b!, a!]],
          wishes: [],
          recent: [{ a: a!, b: b!, times: 2, last: '2026-02-26' }],
          odd: { [a!]: 1 },
          first: {},
        },
      }),
      {},
      [],
    );
    const key = [a!, b!].sort().join(' ');
    expect(around.apart.has(key)).toBe(true);
    expect(around.recent.get(key)).toEqual({ times: 2, last: '2026-02-26' });
    expect(around.odd.get(a!)).toBe(1);
  });
});
