import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { storeHelpInWords, storeInWords, statesInWords } from '../words/english/store';
import { EMPTY_BLOCK } from '../tonight/plan';
import {
  checkedOn,
  countStates,
  enoughFor,
  lentTo,
  mayUse,
  nextCheck,
  ofNumber,
  onTheShelf,
  ownedNow,
  pieceState,
  shortBy,
  slotsFor,
  soundFor,
  storeHelps,
  takenOut,
  THING_SERVES,
  toMend,
  type Piece,
  type Thing,
  type ThingNeed,
  type ThingUser,
} from '.';

const TODAY = '2026-03-12';
const shelf = (list: readonly ({ id: string } & Thing)[]) => list.map((t) => onTheShelf(t, TODAY));
const piece = (id: string, more: Partial<Piece> = {}): Piece => ({
  id,
  wrong: '',
  checked: null,
  checkBy: '2026-04-01',
  lent: null,
  ...more,
});
const thing = (pieces: Piece[], more: Partial<Thing> = {}): Thing => ({
  name: 'Long staff',
  about: '',
  shape: 'staff',
  place: 'rack',
  hallId: null,
  serves: 'staff',
  fromAge: null,
  fromRankId: null,
  alone: true,
  people: 1,
  every: 90,
  how: [],
  stands: [],
  pieces,
  ...more,
});
const staffs = thing([
  piece('a'),
  piece('b'),
  piece('c', { checkBy: '2026-03-01' }),
  piece('d', { wrong: 'cracked' }),
  piece('e', { lent: { to: 'Dilip', until: '2026-03-20' } }),
]);
const need = (more: Partial<ThingNeed> = {}): ThingNeed => ({
  blockId: 'x',
  block: 'Staff',
  at: 1180,
  serves: 'staff',
  fromRank: 0,
  ...more,
});
const user = (age: number | null, rank = 0): ThingUser => ({ rank, age });
const rankOf = (id: string) => Number(id);

describe('a piece', () => {
  it('counts only while it is sound, in its place and looked over in time', () => {
    expect(staffs.pieces.map((p) => pieceState(p, TODAY))).toEqual(['sound', 'sound', 'due', 'to mend', 'lent']);
    // On the day itself there is still time; the day after it is due.
    expect(pieceState(piece('a', { checkBy: TODAY }), TODAY)).toBe('sound');
    expect(pieceState(piece('a', { checkBy: '2026-03-11' }), TODAY)).toBe('due');
    expect(pieceState(piece('a', { checkBy: null }), TODAY)).toBe('sound');
    // What is wrong goes before who has it.
    expect(pieceState(piece('a', { wrong: 'bent', lent: { to: 'Mei', until: null } }), TODAY)).toBe('to mend');
  });

  it('looked over is sound again and due after as many days as the school said', () => {
    const ids = new Set(['c', 'd']);
    const after = checkedOn(staffs, ids, TODAY);
    expect(countStates(after, TODAY)).toEqual({ sound: 4, due: 0, 'to mend': 0, lent: 1 });
    expect(after.pieces[2]).toMatchObject({ checked: TODAY, checkBy: '2026-06-10' });
    expect(checkedOn({ ...staffs, every: null }, ids, TODAY).pieces[2]!.checkBy).toBeNull();
    expect(nextCheck(staffs)).toBe('2026-03-01');
    expect(nextCheck(after)).toBe('2026-04-01');
    // What is lent or to mend is not asked for.
    expect(nextCheck(thing([piece('a', { wrong: 'bent' })]))).toBeNull();
  });

  it('set to mend, lent and brought back', () => {
    expect(countStates(toMend(staffs, new Set(['a']), 'splinter'), TODAY)['to mend']).toBe(2);
    const lent = lentTo(staffs, new Set(['a']), { to: 'Greta', until: null });
    expect(countStates(lent, TODAY).lent).toBe(2);
    expect(lentTo(lent, new Set(['a']), null)).toEqual(staffs);
  });

  it('of another number: new ones are due at once, those to mend go first', () => {
    let n = 0;
    const more = ofNumber(staffs, 7, TODAY, () => `new ${(n += 1)}`);
    expect(more.pieces.slice(5).map((p) => pieceState(p, TODAY))).toEqual(['due', 'due']);
    expect(ofNumber(staffs, 4, TODAY, () => '').pieces.map((p) => p.id)).toEqual(['a', 'b', 'c', 'e']);
    expect(ofNumber(staffs, 0, TODAY, () => '').pieces).toEqual([]);
    expect(ofNumber({ ...staffs, every: null }, 6, TODAY, () => 'x').pieces.at(-1)!.checkBy).toBeNull();
  });
});

describe('what tonight takes', () => {
  it('comes from the blocks: items, gloves from the rung on, pads where one holds', () => {
    const block = (id: string, more: object) => ({ ...EMPTY_BLOCK, id, name: id, at: 1110, ...more });
    const item = { item: { technique: 't' }, conditionId: null };
    const pairs = { answers: false, rounds: 3 };
    expect(
      takenOut(
        [
          block('one', { items: [item, item] }),
          block('two', { pairs: { ...pairs, kind: 'contact', rung: 2 } }),
          block('three', { pairs: { ...pairs, kind: 'contact', rung: 3 } }),
          block('four', { pairs: { ...pairs, kind: 'holding', rung: 0 } }),
        ],
        () => [
          { serves: 'staff', fromRank: 3 },
          { serves: 'staff', fromRank: 2 },
        ],
        3,
      ).map((n) => `${n.blockId} ${n.serves} ${n.fromRank}`),
    ).toEqual(['one staff 2', 'three gloves 0', 'four pads 0']);
  });

  it('is met by who may use it, and what is missing is said with what would help', () => {
    const things = [{ id: 'long', ...staffs, fromAge: 12, fromRankId: '2' }];
    const people = [user(30, 2), user(12, 3), user(40, 2), user(11, 4), user(null, 4), user(30, 1)];
    const [at] = enoughFor(shelf(things), [need()], people, rankOf);
    expect(at).toMatchObject({ people: 3, wanted: 3, there: 2 });
    expect(shortBy(at!)).toBe(1);
    // Who wears a lower belt than works at it does something else.
    expect(enoughFor(shelf(things), [need({ fromRank: 3 })], people, rankOf)[0]).toMatchObject({
      people: 1,
      wanted: 1,
    });
    expect(storeInWords([at!], () => 'Long staff')).toBe('Long staff, one short at 19:40.');
    expect(storeHelps(staffs, at!, TODAY).map((h) => storeHelpInWords(h, TODAY))).toEqual([
      'Look over the one that is due, since 1 March.',
      'Dilip has one until 20 March: ask for it.',
      'Mend 1 piece, then look it over.',
      'Share: 2 people take turns at one.',
    ]);
    expect(statesInWords(staffs, TODAY)).toBe('2 sound, 1 due, 1 cracked, 1 lent');
  });

  it('who finds none of one kind takes one of another; a shield serves holder and kicker', () => {
    const things = [
      { id: 'long', ...thing([piece('a')]), fromAge: 12 },
      { id: 'short', ...thing([piece('b'), piece('c')]) },
    ];
    const at = enoughFor(shelf(things), [need()], [user(30), user(31), user(8)], rankOf);
    expect(at.map((n) => [n.thingId, n.people, shortBy(n)])).toEqual([
      ['long', 1, 0],
      ['short', 2, 0],
    ]);
    const shields = [{ id: 's', ...thing([piece('a')], { people: 2, serves: 'target' }) }];
    const [shield] = enoughFor(shelf(shields), [need({ serves: 'target' })], [user(9), user(9), user(9)], rankOf);
    expect(shield).toMatchObject({ people: 3, wanted: 2, there: 1 });
  });

  it('a post takes nobody who may not strike today, and turns at it are equal', () => {
    const post = [{ id: 'p', ...thing([piece('a'), piece('b')], { serves: 'striking post' }) }];
    const at = (...people: ThingUser[]) => enoughFor(shelf(post), [need({ serves: 'striking post' })], people, rankOf);
    expect(at(user(30), { ...user(31), strikes: false }, user(40))).toMatchObject([{ people: 2, wanted: 2, there: 2 }]);
    expect(at({ ...user(31), strikes: false })).toEqual([]);
    expect(slotsFor(['a', 'b', 'c'], 2, 15)).toEqual([
      { id: 'a', from: 0, minutes: 7.5, piece: 0 },
      { id: 'b', from: 0, minutes: 7.5, piece: 1 },
      { id: 'c', from: 7.5, minutes: 7.5, piece: 0 },
    ]);
    expect(slotsFor(['a', 'b', 'c', 'd'], 1, 3).map((s) => s.id)).toEqual(['a', 'b', 'c']);
    expect(slotsFor(['a'], 0, 10)).toEqual([]);
  });

  it('laws: nobody too young or below the belt is counted, nothing unsound is there, a piece made sound never makes it shorter, and nobody goes without while it could be handed round', () => {
    const aPiece = fc.record({
      wrong: fc.constantFrom('', '', 'bent'),
      lent: fc.constantFrom(null, null, { to: 'x', until: null }),
      checkBy: fc.constantFrom(null, '2026-03-01', '2026-04-01'),
    });
    const aThing = fc.record({
      pieces: fc.array(aPiece, { maxLength: 6 }),
      serves: fc.constantFrom(...THING_SERVES),
      fromAge: fc.option(fc.integer({ min: 5, max: 18 }), { nil: null }),
      fromRankId: fc.option(fc.constantFrom('0', '1', '2'), { nil: null }),
      people: fc.integer({ min: 1, max: 3 }),
    });
    const aUser = fc.record({
      age: fc.option(fc.integer({ min: 5, max: 70 }), { nil: null }),
      rank: fc.integer({ min: 0, max: 3 }),
    });
    fc.assert(
      fc.property(fc.array(aThing, { maxLength: 4 }), fc.array(aUser, { maxLength: 12 }), (said, people) => {
        const things = said.map((t, i) => ({
          id: `t${i}`,
          ...thing(
            t.pieces.map((p, k) => piece(`${i} ${k}`, p)),
            { ...t, pieces: undefined as never },
          ),
          pieces: t.pieces.map((p, k) => piece(`${i} ${k}`, p)),
        }));
        const users = people;
        const needs = THING_SERVES.map((serves) => need({ serves }));
        const at = enoughFor(shelf(things), needs, users, rankOf);
        const total = (rows: typeof at) => rows.reduce((n, r) => n + shortBy(r), 0);
        for (const n of at) {
          const t = things.find((x) => x.id === n.thingId)!;
          const may = users.filter(
            (u) =>
              (t.fromAge === null || (u.age ?? -1) >= t.fromAge) &&
              (t.fromRankId === null || u.rank >= rankOf(t.fromRankId)),
          );
          expect(n.people).toBeLessThanOrEqual(may.length);
          expect(n.there).toBeLessThanOrEqual(countStates(t, TODAY).sound);
          expect(n.there).toBeLessThanOrEqual(n.wanted);
        }
        const mended = things.map((t, i) => (i === 0 ? { ...t, pieces: t.pieces.map((p) => piece(p.id)) } : t));
        expect(total(enoughFor(shelf(mended), needs, users, rankOf))).toBeLessThanOrEqual(total(at));
        const without = (ts: typeof things, rows: typeof at) =>
          rows.reduce((n, r) => {
            const t = ts.find((x) => x.id === r.thingId)!;
            return n + Math.max(0, r.people - countStates(t, TODAY).sound * t.people);
          }, 0);
        const more = things.map((t, i) => (i === 0 ? { ...t, pieces: [...t.pieces, piece('new')] } : t));
        const none = without(things, at);
        expect(without(more, enoughFor(shelf(more), needs, users, rankOf))).toBeLessThanOrEqual(none);
        // Every set of people against the room of all that anybody of it may use (Hall 1935): the greatest lack is what
        // no handing round could end.
        const lack = THING_SERVES.reduce((sum, serves) => {
          const of = things.filter((t) => t.serves === serves);
          const may = users.map((u) => of.filter((t) => mayUse(t, u, rankOf)));
          let most = 0;
          for (let set = 0; set < 1 << of.length; set += 1) {
            const chosen = of.filter((_, i) => set & (1 << i));
            const inside = may.filter((ts) => ts.length > 0 && ts.every((t) => chosen.includes(t))).length;
            most = Math.max(most, inside - chosen.reduce((n, t) => n + countStates(t, TODAY).sound * t.people, 0));
          }
          return sum + most;
        }, 0);
        expect(none).toBe(lack);
      }),
      { numRuns: 300 },
    );
  });
});

describe('what the hall owns as it is', () => {
  it('is what was written down while the store is empty', () => {
    expect(ownedNow(['pads'], [], TODAY)).toEqual(['pads']);
    expect(ownedNow(null, [], TODAY)).toBeNull();
  });
  it('has gear only while one of it is sound, whatever was written down', () => {
    const pads = thing([piece('a', { wrong: 'soft' })], { name: 'Hand pad', serves: 'pads' });
    expect(ownedNow(['pads', 'training post'], [staffs, pads], TODAY)).toEqual([
      'training post',
      'staff',
      'long staff',
    ]);
    expect(soundFor([staffs, pads, thing([piece('z')])], TODAY)).toEqual(
      new Map([
        ['staff', 3],
        ['pads', 0],
      ]),
    );
  });
});
