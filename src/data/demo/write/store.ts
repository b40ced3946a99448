import { v7 } from 'uuid';
import { addDays, type Piece, type PlainDate, type Thing } from '../../../core';
import type { Transaction } from '../../connection';
import { hall, thing } from '../../tables';
import { DEMO_SCHOOL_ID as schoolId, type DemoSchool } from '../generate';
import { USUAL_HALL } from '../hall';

type Said = Omit<Thing, 'hallId' | 'pieces' | 'stands' | 'fromRankId' | 'how' | 'alone' | 'people' | 'every'> &
  Partial<Pick<Thing, 'how' | 'alone' | 'people' | 'every'>> & { fromRank?: string };

const STAFF_CHECK = [
  { by: 'Cloth', what: 'Draw one along it. Where it snags is a splinter: sand or lay aside.' },
  { by: 'Eye', what: 'Sight along it. A bow of more than 1 cm: lay aside.' },
  { by: 'Knock', what: 'Stand it on the floor and knock. Dull is a crack: it is not used.' },
];

/** What Causeway Hall owns: most of it sound, a staff overdue, one cracked, one lent, a post loose in the ground. */
export async function writeStore(tx: Transaction, made: DemoSchool, today: PlainDate) {
  const halls = await tx.select({ id: hall.id, name: hall.name }).from(hall);
  const hallId = halls.find((h) => h.name === USUAL_HALL)?.id ?? null;
  const rank = (name: string | undefined) => made.ranks.find((r) => r.name === name)?.id ?? null;
  const piece = (checked: number, every: number, more: Partial<Piece> = {}): Piece => ({
    id: v7(),
    wrong: '',
    checked: addDays(today, -checked),
    checkBy: addDays(today, every - checked),
    lent: null,
    ...more,
  });
  const some = (n: number, checked: number, every: number) => Array.from({ length: n }, () => piece(checked, every));
  const kind = ({ fromRank, ...said }: Said, pieces: Piece[], stands: Thing['stands'] = []): Thing => ({
    how: [],
    alone: true,
    people: 1,
    every: 90,
    ...said,
    hallId,
    fromRankId: rank(fromRank),
    pieces,
    stands,
  });
  const rack = 'Sluice door, rack';
  const pegs = 'Boat shed, pegs';
  const yard = 'Yard';
  const things = [
    kind(
      {
        name: 'Long staff',
        about: '1.80 m, ash',
        shape: 'staff',
        place: rack,
        serves: 'staff',
        fromAge: 12,
        fromRank: 'Amber',
        how: STAFF_CHECK,
      },
      [
        ...some(4, 41, 90),
        piece(101, 90),
        piece(41, 90, { wrong: 'cracked' }),
        piece(41, 90, { lent: { to: 'Dilip Wharram', until: addDays(today, 9) } }),
      ],
    ),
    kind(
      {
        name: 'Short staff',
        about: '1.20 m, beech',
        shape: 'short staff',
        place: rack,
        serves: null,
        fromAge: 8,
        how: STAFF_CHECK,
      },
      some(6, 20, 90),
    ),
    kind(
      {
        name: 'Hand pad',
        about: 'a pair a holder',
        shape: 'hand pad',
        place: pegs,
        serves: 'pads',
        fromAge: 6,
        people: 1,
      },
      [...some(12, 55, 90), piece(55, 90, { wrong: 'seam open' }), piece(55, 90, { wrong: 'seam open' })],
    ),
    kind(
      {
        name: 'Kick shield',
        about: 'two straps, held side-on',
        shape: 'kick shield',
        place: pegs,
        serves: 'target',
        fromAge: 8,
        people: 2,
      },
      [...some(4, 55, 90), piece(55, 90, { wrong: 'strap torn' })],
      // Where shields are worked from; the second holder goes back towards the benches.
      [
        { x: 4, y: 3, faces: 'back' },
        { x: 9, y: 3, faces: 'back' },
      ],
    ),
    kind(
      {
        name: 'Gloves',
        about: 'pairs, soft',
        shape: 'glove',
        place: pegs,
        serves: 'gloves',
        fromAge: 16,
        fromRank: 'Fern',
      },
      [...some(9, 55, 90), piece(55, 90, { lent: { to: 'Mei Tolland', until: null } })],
    ),
    kind(
      {
        name: 'Foot pads',
        about: 'pairs',
        shape: 'foot pad',
        place: pegs,
        serves: null,
        fromAge: 16,
        fromRank: 'Fern',
      },
      some(8, 55, 90),
    ),
    kind(
      {
        name: 'Mat',
        about: '1 × 1 m, 4 cm',
        shape: 'mat',
        place: 'Loft stairs',
        serves: 'mats',
        fromAge: null,
        every: 180,
      },
      [...some(34, 30, 180), piece(30, 180, { wrong: 'edge split' }), piece(30, 180, { wrong: 'edge split' })],
      [{ x: 4, y: 1.2, faces: 'back' }],
    ),
    kind(
      {
        name: 'First-aid box',
        about: 'by the stairs',
        shape: 'box',
        place: 'Loft stairs',
        serves: null,
        fromAge: null,
        every: 120,
      },
      some(1, 12, 120),
    ),
    kind(
      {
        name: 'Striking post',
        about: 'one person at a time; room behind the elbow',
        shape: 'post',
        place: yard,
        serves: 'striking post',
        fromAge: 16,
        fromRank: 'Amber',
        alone: false,
        how: [
          { by: 'Hand', what: 'Push it at the top. It gives and comes back; it does not rock in the ground.' },
          { by: 'Eye', what: 'Face, tape and boards: worn through or cracked closes it.' },
        ],
      },
      [...some(1, 70, 90), piece(70, 90, { wrong: 'loose in the ground' })],
    ),
    kind(
      {
        name: 'Three-armed post',
        about: 'oak; a half circle of room',
        shape: 'armed post',
        place: yard,
        serves: null,
        fromAge: 16,
        fromRank: 'Umber',
        alone: false,
      },
      some(1, 70, 90),
    ),
  ];
  await tx
    .insert(thing)
    .values(things.map((t, position) => ({ schoolId, id: v7(), position, thing: t, changedBy: made.teachers[0]!.id })));
}
