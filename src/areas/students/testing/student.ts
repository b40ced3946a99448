import { idFor } from '../../../kit/testing/ids';
import type { RequirementVerdict, StudentView } from '../../../contracts/views';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const [WHITE, STRAW] = ['White', 'Straw'].map((name) => ({ id: idFor(`rank-${name}`), name, cloth }));

export const need = (name: string, more: Partial<RequirementVerdict> = {}): RequirementVerdict => ({
  id: idFor(`need-${name}`),
  item: { technique: idFor(name) },
  name,
  kind: 'stance',
  condition: 'in air',
  asks: '8 of 10 on two days',
  word: 'short',
  computed: 'short',
  reason: 'Rear heel held in 5 of the last 9 on the left; needs 8 of 10.',
  change: 'Two clean looks of 5 repetitions, each on another day, would settle it.',
  sticks: [{ side: 'left', marks: ['H', 'S'], shown: null, lost: null }],
  override: null,
  chance: null,
  rests: null,
  points: [
    {
      pointId: idFor('heel'),
      name: 'Rear heel',
      side: 'left',
      critical: true,
      held: 5,
      of: 9,
      days: 2,
      needs: '8 of 10',
      stands: false,
      adapted: false,
    },
  ],
  ...more,
});

const slip: StudentView['slips'][number] = {
  pointId: idFor('heel'),
  point: 'Rear heel',
  side: 'left',
  hurts: true,
  held: 5,
  of: 9,
  needs: '8 of 10',
  cue: 'Push the floor away.',
  requirements: ['Front stance'],
};
export const SLIPS = [slip, { ...slip, pointId: idFor('hip'), point: 'Hip square', hurts: false, cue: '' }];

/** A student's page as the server hands it out: of Ilse, for whoever is said. */
export const pageOf = (more: Partial<StudentView> = {}): StudentView => ({
  student: {
    id: idFor('ilse'),
    name: 'Ilse Marrow',
    age: 14,
    born: '2012-03-01',
    leftOn: null,
    version: 1,
    rank: WHITE!,
    since: '2025-06-01',
  },
  next: STRAW!,
  consent: null,
  consentBefore: [],
  invited: [],
  graded: null,
  certificates: [],
  certifiable: null,
  consentSaid: { most: 4, asksGuardian: true, because: '', minor: true },
  injuries: [],
  follows: { title: 'The first', from: '2025-01-01', newest: true },
  answer: 'Steadier work in front stance.',
  requirements: [need('Front stance')],
  gates: [{ id: 'g', word: 'short', has: '6 of 10 hours of class', asks: 'since White' }],
  ranks: [WHITE!, STRAW!],
  decisions: [],
  held: [{ id: 'held-white', rank: WHITE!, since: '2025-06-01', note: '' }],
  adaptations: [],
  looks: [],
  lookCount: 0,
  chance: null,
  focus: {
    ...slip,
    how: '',
    slip: 'Heel lifts',
    hurtsHow: 'the knee twists',
    since: '2026-02-20',
    chosen: false,
    why: 'It can hurt, so it comes first.',
    holds: 'It stays until it holds 8 of 10.',
  },
  praise: 'eyes stay up held 5 of 5 on 3 March.',
  slips: SLIPS,
  pauses: [],
  stops: [],
  practice: { minutes: 0, repetitions: 0, strikes: 0, entries: 0, painInJoint: false, list: [] },
  room: { width: null, depth: null, stature: null, mass: null },
  partners: [],
  classmates: [],
  missed: [],
  feltAsked: [],
  faded: [],
  gradingDay: null,
  access: { email: null },
  reader: 'teacher',
  may: { decide: true, look: true, log: false },
  today: '2026-03-05',
  ...more,
});
export const forStudent = (more: Partial<StudentView> = {}): StudentView =>
  pageOf({ reader: 'student', may: { decide: false, look: false, log: true }, ...more });
