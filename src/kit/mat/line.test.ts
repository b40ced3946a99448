import { beforeEach, describe, expect, it, vi } from 'vitest';
import {
  freshLine,
  isTonight,
  keepLine,
  lastOrder,
  lineUp,
  nameParts,
  readLine,
  taughtTonight,
  type KitItem,
  type KitStudent,
} from './line';

const kept = new Map<string, string>();
beforeEach(() => {
  kept.clear();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
  });
});

const person = (id: string, rankId: string) => ({ id, name: id, rankId }) as KitStudent;
const kit = {
  ranks: ['white', 'straw'].map((id) => ({
    id,
    name: id,
    cloth: { colour: '#FFFFFF', second: null, stripe: null, bars: 0 },
  })),
  students: [person('Ilse', 'white'), person('Anselm', 'straw'), person('Bram', 'white'), person('Zofia', 'straw')],
};
const day = '2026-03-05';
const names = (more: Partial<ReturnType<typeof freshLine>>) =>
  lineUp(kit, { ...freshLine(day), present: ['Ilse', 'Anselm', 'Bram'], ...more }).map((s) => s.id);

describe('the line', () => {
  it('stands by belt, then by name, and can be flipped', () => {
    expect(names({})).toEqual(['Anselm', 'Bram', 'Ilse']);
    expect(names({ flipped: true })).toEqual(['Ilse', 'Bram', 'Anselm']);
  });

  it('stands as set by hand; whoever is not named stands behind', () => {
    expect(names({ order: ['Ilse', 'Anselm'] })).toEqual(['Ilse', 'Anselm', 'Bram']);
    expect(names({ order: ['Bram', 'gone'], present: ['Zofia', 'Bram', 'Anselm'] })).toEqual([
      'Bram',
      'Anselm',
      'Zofia',
    ]);
  });

  it('is remembered for its day; the order stays for the next time, and so does the hand', () => {
    keepLine({ ...freshLine(day, true), present: ['Ilse'], order: ['Ilse'] });
    expect(readLine(day).present).toEqual(['Ilse']);
    expect(readLine('2026-03-06')).toEqual(freshLine('2026-03-06', true));
    expect(lastOrder([], ['Ilse'])).toEqual(['Ilse']);
  });

  it('stands as in that one of the last classes that knows most of those who are here', () => {
    const [children, grown] = [
      ['Ilse', 'Bram'],
      ['Zofia', 'Anselm', 'Bram'],
    ];
    expect(lastOrder([children, grown], ['Bram', 'Anselm', 'Zofia'])).toEqual(grown);
    expect(lastOrder([children, grown], ['Bram'])).toEqual(children);
    expect(lastOrder([children, grown], ['Noor'])).toBeNull();
    kept.set('stavewright-order', 'not json');
    expect(lastOrder([], ['Bram'])).toBeNull();
  });

  it('shows what the evening is about: single items before groups, and everything where nothing is said', () => {
    expect(isTonight({ plan: null, items: [] }, 't:1', 'Basics')).toBe(true);
    expect(isTonight({ plan: ['Forms'], items: [] }, 't:1', 'Basics')).toBe(false);
    expect(isTonight({ plan: ['Forms'], items: ['t:1'] }, 't:1', 'Basics')).toBe(true);
    expect(isTonight({ plan: null, items: ['t:1'] }, 't:2', 'Basics')).toBe(false);
  });

  it('has taught what was planned and what was looked at, by sweep or by card', () => {
    const item = (key: string) => {
      const [kind, id = ''] = key.split(':');
      return {
        key,
        technique: kind === 't' ? { id } : null,
        sequence: kind === 's' ? { id } : null,
        part: null,
      } as KitItem;
    };
    const items = ['t:kick', 't:punch', 's:first', 's:second'].map(item);
    expect(taughtTonight(items, { items: ['s:first'], done: ['t:kick heel left', 'Ilse t:punch'] })).toEqual([
      { technique: 'kick' },
      { technique: 'punch' },
      { sequence: 'first', part: null },
    ]);
  });

  it('begins anew where what was kept cannot be read, and reads what an older version kept', () => {
    kept.set('stavewright-line', '{');
    expect(readLine(day)).toEqual(freshLine(day));
    kept.set('stavewright-line', JSON.stringify({ day, present: ['Ilse'] }));
    expect(readLine(day)).toMatchObject({ present: ['Ilse'], done: [], late: {}, plan: null, items: [] });
  });

  it('parts a name', () => {
    expect(nameParts('Ilse Marrow')).toEqual(['Ilse', 'Marrow']);
    expect(nameParts('Ilse')).toEqual(['Ilse', '']);
  });
});
