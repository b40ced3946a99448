import type { FocusShown, LookKitView, SlipShown } from '../../../contracts/views';
import { ALONE } from '../../../core';
import type { KitPoint, KitSequence, KitStudent, KitTechnique } from '../line';

// What the mat takes along, in small: one technique a side with a seen, a measured, a counted and a felt point.
const uuid = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };

export const ME = uuid(1);
export const CONDITION = uuid(2);
const RANKS = [
  { id: uuid(3), name: 'White', cloth },
  { id: uuid(4), name: 'Straw', cloth },
];

export const point = (n: number, name: string, more: Partial<KitPoint> = {}): KitPoint => ({
  id: uuid(100 + n),
  name,
  kind: 'seen',
  how: `how ${name}`,
  from: null,
  bodyPart: 'feet',
  critical: false,
  unit: null,
  accepted: null,
  wanted: null,
  measuredBy: null,
  slips: [],
  ...more,
});

export const HEEL = point(1, 'Heel down', {
  slips: [{ id: uuid(90), looksLike: 'Heel lifts', cause: '', cue: 'Push the floor', hurts: 'nobody', hurtsHow: '' }],
});
export const BASE = point(2, 'Base foot turned', {
  kind: 'measured',
  unit: '°',
  accepted: { lo: 90, hi: 180 },
  wanted: { lo: 120, hi: 150 },
});
export const SPOT = point(3, 'On the spot', { kind: 'counted' });
export const FELT = point(4, 'Moved me', { kind: 'felt' });

export const technique = (points: KitPoint[], more: Partial<KitTechnique> = {}): KitTechnique => ({
  id: uuid(50),
  name: 'Roundhouse kick',
  kind: 'kick',
  sided: true,
  points,
  ...more,
});

export const slipOf = (p: KitPoint, more: Partial<SlipShown> = {}): SlipShown => ({
  pointId: p.id,
  point: p.name,
  side: 'left',
  hurts: false,
  held: 5,
  of: 9,
  needs: '8 of 10',
  cue: p.slips[0]?.cue ?? '',
  requirements: ['Roundhouse kick'],
  ...more,
});
export const focusOn = (p: KitPoint, more: Partial<FocusShown> = {}): FocusShown => ({
  ...slipOf(p),
  how: p.how,
  slip: '',
  hurtsHow: '',
  since: null,
  chosen: false,
  why: 'Lowest on the body.',
  holds: 'It holds at 8 of 10.',
  ...more,
});

export const student = (n: number, name: string, more: Partial<KitStudent> = {}): KitStudent => ({
  id: uuid(200 + n),
  name,
  rankId: RANKS[0]!.id,
  age: 30,
  lastHere: '2026-03-03',
  waived: [],
  adapted: {},
  follows: '',
  worths: [],
  focus: null,
  slips: [],
  praise: 'Came to all classes.',
  resting: [],
  rests: {},
  rung: 2,
  minor: false,
  ...more,
});

export const kitOf = (more: Partial<LookKitView> = {}): LookKitView => ({
  today: '2026-03-05',
  timeZone: 'UTC',
  usualMinutes: 90,
  me: { personId: ME, name: 'Maren Holt' },
  ranks: RANKS,
  conditions: [{ id: CONDITION, name: 'in air', ...ALONE }],
  beyond: { '': { [CONDITION]: [CONDITION] } },
  students: [],
  classes: [],
  stood: [],
  techniques: [],
  sequences: [],
  asked: [],
  requirements: [],
  points: {},
  gradingDay: null,
  ...more,
});

export const sequence = (body: KitSequence['body'], more: Partial<KitSequence> = {}): KitSequence => ({
  id: uuid(60),
  title: body.about.title,
  kind: 'form',
  body,
  points: [],
  at: body.moves.map(() => []),
  ...more,
});
