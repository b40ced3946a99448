// What Causeway Hall asks: an invented syllabus over the library of its hall.
import type { Cloth } from '../../contracts/rank';
import { STEADY, type GateKind, type Standard } from '../../core';

const plain = (colour: string): Cloth => ({ colour, second: null, stripe: null, bars: 0 });

/** Belts from the lowest up. */
export const DEMO_RANKS: readonly { name: string; cloth: Cloth }[] = [
  { name: 'White', cloth: plain('#F7F3E8') },
  { name: 'Straw', cloth: plain('#E6D08A') },
  { name: 'Amber', cloth: plain('#D38F33') },
  { name: 'Fern', cloth: plain('#5B8A52') },
  { name: 'Lake', cloth: plain('#4479A0') },
  { name: 'Umber', cloth: { ...plain('#7A5237'), stripe: '#2A2725' } },
  { name: 'Black', cloth: plain('#2A2725') },
];

const SHOWN: Standard = { ...STEADY, share: 0.6, criticalShare: 0.7, mayFallShort: 0.5, freshDays: 90 };
const GROWING: Standard = { ...STEADY, share: 0.7, criticalShare: 0.8, mayFallShort: 0.4, freshDays: 75 };
const STRONG: Standard = { ...STEADY, repetitions: 12, days: 3, share: 0.85, criticalShare: 0.9 };

export const DEMO_ASKS: Record<
  string,
  { standard: Standard; items: readonly [string, string][]; gates: readonly [GateKind, number][] }
> = {
  Straw: {
    standard: SHOWN,
    items: [
      ['Fist', 'natural stance'],
      ['Standing punch', 'natural stance'],
      ['Front stance', 'in air'],
      ['Low block', 'in air'],
      ['Knee lift', 'in air'],
      ['Back fall', 'in air'],
    ],
    gates: [
      ['time in rank', 3],
      ['hours', 30],
      ['age', 6],
    ],
  },
  Amber: {
    standard: GROWING,
    items: [
      ['Front stance', 'in air'],
      ['Stepping punch', 'in air'],
      ['Low block', 'in air'],
      ['Rising block', 'in air'],
      ['Front kick', 'in air'],
      ['Guard stance', 'in air'],
      ['Side fall', 'in air'],
    ],
    gates: [
      ['time in rank', 4],
      ['hours', 40],
    ],
  },
  Fern: {
    standard: STEADY,
    items: [
      ['Stepping punch', 'in air'],
      ['Reverse punch', 'still target'],
      ['Inner block', 'in air'],
      ['Front kick', 'still target'],
      ['Shift from back to front stance', 'in air'],
      ['Swing turn', 'in air'],
      ['Cover', 'set partner'],
      ['Forward roll', 'in air'],
    ],
    gates: [
      ['time in rank', 6],
      ['hours', 72],
      ['age', 12],
    ],
  },
  Lake: {
    standard: STEADY,
    items: [
      ['Roundhouse kick', 'still target'],
      ['Back stance', 'in air'],
      ['Outer block', 'in air'],
      ['Lead punch', 'still target'],
      ['Elbow strike', 'in air'],
      ['Palm check', 'set partner'],
      ['Staff grip', 'in air'],
      ['Staff downward cut', 'in air'],
    ],
    gates: [
      ['time in rank', 8],
      ['hours', 90],
      ['age', 14],
    ],
  },
  Umber: {
    standard: STEADY,
    items: [
      ['Side kick', 'still target'],
      ['Cat stance', 'in air'],
      ['Cat-stance kick', 'still target'],
      ['Clawing hand', 'in air'],
      ['Backfist', 'still target'],
      ['Staff diagonal cut', 'in air'],
      ['Staff thrust', 'in air'],
      ['Roundhouse kick', 'moving holder'],
    ],
    gates: [
      ['time in rank', 12],
      ['hours', 120],
      ['age', 16],
    ],
  },
  Black: {
    standard: STRONG,
    items: [
      ['Back kick', 'still target'],
      ['Side kick', 'moving holder'],
      ['Reverse punch', 'moving holder'],
      ['Cover', 'attacker set, defender free'],
      ['Palm check', 'both free'],
      ['Staff sweep', 'in air'],
      ['Staff diagonal cut', 'set partner'],
      ['Cross turn', 'in air'],
    ],
    gates: [
      ['time in rank', 24],
      ['classes', 200],
      ['age', 18],
    ],
  },
};

export interface DemoPerson {
  name: string;
  rank: string;
  age: number;
  /** How much of it is one's own: steady, 0…1. */
  talent: number;
  /** Share of the classes they come to. */
  comes: number;
  /** How heavily a habit weighs against the others' 1. */
  habits?: number;
}
/** Ilse is on the way to her belt: what slips with her mends within months. */
export const DEMO_STUDENTS: readonly DemoPerson[] = [
  { name: 'Anselm Grey', rank: 'Umber', age: 58, talent: 0.7, comes: 0.75 },
  { name: 'Beatrix Oyelaran', rank: 'Umber', age: 41, talent: 0.8, comes: 0.8 },
  { name: 'Mei Tolland', rank: 'Lake', age: 33, talent: 0.75, comes: 0.8 },
  { name: 'Rafael Quill', rank: 'Lake', age: 27, talent: 0.55, comes: 0.55 },
  { name: 'Siân Moorhouse', rank: 'Lake', age: 66, talent: 0.5, comes: 0.7 },
  { name: 'Noor Saltby', rank: 'Fern', age: 22, talent: 0.65, comes: 0.8 },
  { name: 'Emre Holloway', rank: 'Fern', age: 19, talent: 0.45, comes: 0.6 },
  { name: 'Łucja Sedge', rank: 'Fern', age: 29, talent: 0.8, comes: 0.85 },
  { name: 'Dilip Wharram', rank: 'Fern', age: 61, talent: 0.5, comes: 0.85 },
  { name: 'Greta Holm', rank: 'Fern', age: 16, talent: 0.6, comes: 0.7 },
  { name: 'Ilse Marrow', rank: 'Amber', age: 14, talent: 0.62, comes: 0.9, habits: 0.5 },
  { name: 'Tomasz Rill', rank: 'Amber', age: 15, talent: 0.85, comes: 0.9 },
  { name: 'Kofi Adlam', rank: 'Amber', age: 17, talent: 0.78, comes: 0.85 },
  { name: 'Aiko Dunmore', rank: 'Amber', age: 36, talent: 0.97, comes: 0.98 },
  { name: 'Farid Weir', rank: 'Amber', age: 44, talent: 0.45, comes: 0.6 },
  { name: 'Nell Okafor', rank: 'Amber', age: 12, talent: 0.9, comes: 0.95 },
  { name: 'Zofia Lark', rank: 'Amber', age: 23, talent: 0.8, comes: 0.5 },
  { name: 'Hugo Tarn', rank: 'Amber', age: 13, talent: 0.4, comes: 0.7 },
  { name: 'Priya Sallow', rank: 'Amber', age: 31, talent: 0.92, comes: 0.95 },
  { name: 'Yuna Brack', rank: 'Straw', age: 11, talent: 0.6, comes: 0.8 },
  { name: 'Bram Oakes', rank: 'Straw', age: 12, talent: 0.7, comes: 0.85 },
  { name: 'Mateo Birch', rank: 'Straw', age: 10, talent: 0.5, comes: 0.6 },
  { name: 'Leila Strand', rank: 'Straw', age: 48, talent: 0.75, comes: 0.9 },
  { name: 'Perla Quist', rank: 'Straw', age: 9, talent: 0.45, comes: 0.75 },
  { name: 'Owen Acheson', rank: 'Straw', age: 53, talent: 0.65, comes: 0.8 },
  { name: 'Ines Calder', rank: 'Straw', age: 20, talent: 0.9, comes: 0.95 },
  { name: '森 Hana Sluiter', rank: 'Straw', age: 26, talent: 0.7, comes: 0.7 },
  { name: 'Teo Marsh', rank: 'White', age: 8, talent: 0.5, comes: 0.75 },
  { name: 'Ruben Ashby', rank: 'White', age: 9, talent: 0.6, comes: 0.85 },
  { name: 'Yasmin Orre', rank: 'White', age: 24, talent: 0.75, comes: 0.8 },
  { name: 'Jun Hartley', rank: 'White', age: 7, talent: 0.4, comes: 0.6 },
  { name: 'Sefa Lindqvist', rank: 'White', age: 39, talent: 0.6, comes: 0.9 },
  { name: 'Maximiliana Fennimore-Achterberg', rank: 'White', age: 35, talent: 0.7, comes: 0.65 },
  { name: 'Bastian Reeve', rank: 'White', age: 50, talent: 0.55, comes: 0.7 },
];
