import { describe, expect, it } from 'vitest';
import { restAt } from './rests';
import { student } from '../../kit/mat/testing/kit';

const until = '2026-03-20';

describe('whether a point rests for somebody', () => {
  it('by the item, all of it or the points that are named', () => {
    const all = student(1, 'Bram Oakes', { rests: { 't:kick': { what: 'no kicks', until, points: null } } });
    expect(restAt(all, 't:kick', 'air', 'heel')?.what).toBe('no kicks');
    expect(restAt(all, 't:punch', 'air', 'heel')).toBeNull();
    const part = student(1, 'Bram Oakes', { rests: { 't:kick': { what: 'knee', until, points: ['knee'] } } });
    expect(restAt(part, 't:kick', 'air', 'heel')).toBeNull();
    expect(restAt(part, 't:kick', 'air', 'knee')).not.toBeNull();
  });
  it('in one condition only, where it lands on something, and that goes before what rests in part', () => {
    const skin = student(1, 'Bram Oakes', {
      rests: {
        't:punch@target': { what: 'open skin', until, points: null },
        't:punch': { what: 'wrist', until, points: ['wrist'] },
      },
    });
    expect(restAt(skin, 't:punch', 'target', 'hip')?.what).toBe('open skin');
    expect(restAt(skin, 't:punch', 'air', 'hip')).toBeNull();
    expect(restAt(skin, 't:punch', 'air', 'wrist')?.what).toBe('wrist');
  });
});
