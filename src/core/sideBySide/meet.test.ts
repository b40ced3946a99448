import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isSame, meet, placeKey, type Choice } from './meet';

const point = (id: string, more: object = {}) => ({ id, name: id, why: '', from: 120, ...more });
const kick = (points: object[], more: object = {}) => ({
  name: 'Front kick',
  summary: 'with the ball of the foot',
  points,
  ...more,
});
const paths = (p: readonly { path: readonly string[] }[]) => p.map((x) => placeKey(x.path));

describe('two saves that began alike', () => {
  it('what only one of them changed stands, and nobody is asked', () => {
    const was = kick([point('ball'), point('knee')]);
    const mine = kick([point('ball', { why: 'spares the toes' }), point('knee')]);
    const theirs = kick([point('ball'), point('knee', { from: 130 })], {
      summary: 'forward, with the ball of the foot',
    });
    const met = meet(was, mine, theirs);
    expect(met.places).toEqual([]);
    expect(met).toMatchObject({ onlyMine: 1, onlyTheirs: 2 });
    expect(met.value).toEqual(
      kick([point('ball', { why: 'spares the toes' }), point('knee', { from: 130 })], {
        summary: 'forward, with the ball of the foot',
      }),
    );
  });

  it('one number stands; of words both can, theirs first; both may add', () => {
    const was = kick([point('ball')]);
    const mine = kick([point('ball', { from: 125, why: 'The hip carries it' }), point('breath')]);
    const theirs = kick([point('ball', { from: 130, why: 'The knee points first' }), point('way back')]);
    const open = meet(was, mine, theirs);
    expect(paths(open.places)).toEqual(['points / ball / why', 'points / ball / from']);
    expect(open.places.map((p) => p.choices.length)).toEqual([3, 2]);
    const chosen = new Map<string, Choice>([
      ['points / ball / why', 'both'],
      ['points / ball / from', 'mine'],
    ]);
    expect(meet(was, mine, theirs, chosen).value).toEqual(
      kick([
        point('ball', { from: 125, why: 'The knee points first. The hip carries it' }),
        point('breath'),
        point('way back'),
      ]),
    );
  });

  it('what one took out and the other changed is always asked; what nobody else touched just goes', () => {
    const was = kick([point('ball'), point('hands'), point('eyes')]);
    const mine = kick([point('ball'), point('hands', { why: 'at the cheek' })]);
    const theirs = kick([point('ball'), point('eyes')]);
    const open = meet(was, mine, theirs);
    expect(open.places).toMatchObject([{ path: ['points', 'hands'], what: 'taken out', chosen: null }]);
    expect(meet(was, mine, theirs, new Map([['points / hands', 'theirs']])).value).toEqual(kick([point('ball')]));
    expect(meet(was, mine, theirs, new Map([['points / hands', 'mine']])).value).toEqual(mine);
  });

  const thing = fc.record({
    name: fc.constantFrom('a', 'b b', 'c'),
    lo: fc.nat(3),
    points: fc.uniqueArray(
      fc.record({ id: fc.constantFrom('p', 'q', 'r', 's'), why: fc.constantFrom('', 'x', 'y z'), n: fc.nat(2) }),
      { selector: (p) => p.id, maxLength: 4 },
    ),
  });
  const all = (choice: Choice, places: readonly { path: readonly string[] }[]) =>
    new Map(places.map((p) => [placeKey(p.path), choice]));

  it('laws: a side that changed nothing lets the other stand; what both did alike is no place', () => {
    fc.assert(
      fc.property(thing, thing, (was, now) => {
        expect(meet(was, now, was)).toMatchObject({ value: now, places: [] });
        expect(meet(was, was, now)).toMatchObject({ value: now, places: [] });
        expect(meet(was, now, now)).toMatchObject({ value: now, places: [], onlyMine: 0, onlyTheirs: 0 });
      }),
    );
  });

  it('laws: the places are the same whoever is called mine, and choosing all of one side gives what it wanted there', () => {
    const byId = (x: { points: { id: string }[] }) => ({
      ...x,
      points: [...x.points].sort((a, b) => (a.id < b.id ? -1 : 1)),
    });
    fc.assert(
      fc.property(thing, thing, thing, (was, mine, theirs) => {
        const met = meet(was, mine, theirs);
        const turned = meet(was, theirs, mine);
        expect(paths(met.places).sort()).toEqual(paths(turned.places).sort());
        expect([met.onlyMine, met.onlyTheirs]).toEqual([turned.onlyTheirs, turned.onlyMine]);
        const asMine = meet(was, mine, theirs, all('mine', met.places)).value;
        const asTheirs = meet(was, theirs, mine, all('theirs', met.places)).value;
        expect(isSame(byId(asMine), byId(asTheirs))).toBe(true);
        // Nothing that somebody added is lost.
        const added = [...mine.points, ...theirs.points].filter((p) => !was.points.some((w) => w.id === p.id));
        for (const p of added) expect(asMine.points.some((x) => x.id === p.id)).toBe(true);
      }),
      { numRuns: 500 },
    );
  });
});
