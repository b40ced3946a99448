import { storedBundle, type Bundle } from '../contracts/stored/bundle';
import { withoutPrerequisites } from '../contracts/techniqueFile';
import { FIRST_LIMITS, makeVocabulary, readSequence, STARTING_ORDERS, STEADY, TEMPLATES, type Standard } from '../core';
import { detailOf } from './demo/details';
import { DEMO_TECHNIQUES } from './demo/library';
import { FIRST_CONDITIONS } from './openSchool';

const NAMES = [
  'Fist',
  'Natural stance',
  'Front stance',
  'Guard stance',
  'Standing punch',
  'Stepping punch',
  'Low block',
  'Rising block',
  'Front kick',
  'Knee lift',
  'Back fall',
  'Side fall',
];
const BELTS = [
  ['First belt', '#F7F3E8'],
  ['Second belt', '#E6D08A'],
  ['Third belt', '#5B8A52'],
] as const;
const SHOWN = TEMPLATES[0]!.standard;

/** A line of the way: item, where it is introduced, and its tests. */
const WAY: readonly [
  name: string,
  introduced: number,
  tests: readonly (readonly [belt: number, condition: string])[],
][] = [
  ['Fist', 0, [[1, 'natural stance']]],
  ['Standing punch', 0, [[1, 'natural stance']]],
  [
    'Front stance',
    0,
    [
      [1, 'in air'],
      [2, 'in air'],
    ],
  ],
  [
    'Low block',
    0,
    [
      [1, 'in air'],
      [2, 'in air'],
    ],
  ],
  ['Back fall', 0, [[1, 'in air']]],
  ['Stepping punch', 1, [[2, 'in air']]],
  ['Rising block', 1, [[2, 'in air']]],
  ['Front kick', 1, [[2, 'in air']]],
  ['Guard stance', 1, [[2, 'in air']]],
  ['Side fall', 1, [[2, 'in air']]],
];

/** A small neutral school to begin from: twelve basics, one short line, three belts. To be changed, not to be followed. */
export function starterBundle(): Bundle {
  const techniques = DEMO_TECHNIQUES.filter((t) => NAMES.includes(t.name)).map((t): Bundle['techniques'][number] => {
    const known = (n: string | null) => (n !== null && NAMES.includes(n) ? n : null);
    const { terms, ...detail } = withoutPrerequisites(
      detailOf(
        t.name,
        () => undefined,
        () => undefined,
      ),
    );
    void terms;
    const range = (r: readonly [number, number] | null) => (r ? { lo: r[0], hi: r[1] } : null);
    return {
      name: t.name,
      kind: t.kind,
      summary: t.summary,
      sided: t.sided,
      stance: known(t.stance),
      step: known(t.step),
      before: [],
      points: t.points.map((p) => ({
        ...p,
        accepted: range(p.accepted),
        wanted: range(p.wanted),
        slips: p.slips.map((s) => ({ ...s })),
      })),
      detail: { ...detail, terms: [] },
    };
  });
  const vocabulary = makeVocabulary(
    techniques.map((t) => ({
      id: t.name,
      name: t.name,
      kind: t.kind,
      zone: t.detail.zone,
      terms: [],
      retired: false,
      geometry: null,
      rank: null,
      ceiling: null,
    })),
  );
  const line = 'There and back';
  const text =
    'kind: form\nstep L, front stance, low block L, out\nstep R, front stance, stepping punch R, out\nstep L, front stance, stepping punch L, out\nturn R 180, R foot, front stance, low block R, out\nstep L, front stance, stepping punch L, out\nstep R, front stance, stepping punch R, shout\nturn R 180, R foot, front stance, low block R, out';
  const read = readSequence(text, vocabulary).sequence;
  const body = { ...read, about: { ...read.about, title: line } };
  const name = (belt: number) => BELTS[belt]![0];
  const asks = (belt: number): Standard => (belt === 1 ? SHOWN : STEADY);
  const requirement = (item: Bundle['techniques'][number]['name'] | null, belt: number, condition: string) => ({
    item: item === null ? { sequence: line, part: null } : { technique: item },
    rank: name(belt),
    condition,
    purpose: null,
    stage: null,
    rung: null,
    critical: false,
    standard: asks(belt),
  });
  return {
    format: 'stavewright-school',
    version: storedBundle.version,
    name: 'A small start',
    ranks: BELTS.map(([n, colour]) => ({ name: n, cloth: { colour, second: null, stripe: null, bars: 0 } })),
    conditions: FIRST_CONDITIONS.map((c) => ({ ...c })),
    techniques,
    sequences: [{ title: line, body, from: null, recipe: null, departures: [] }] as unknown as Bundle['sequences'],
    syllabus: {
      items: [
        ...WAY.map(([technique, introduced]) => ({
          item: { technique },
          introduced: name(introduced),
          until: null,
          informal: false,
          needs: [],
        })),
        {
          item: { sequence: line, part: null },
          introduced: name(1),
          until: null,
          informal: false,
          needs: ['Front stance', 'Low block', 'Stepping punch'].map((technique) => ({ technique })),
        },
      ],
      requirements: [
        ...WAY.flatMap(([technique, , tests]) =>
          tests.map(([belt, condition]) => requirement(technique, belt, condition)),
        ),
        requirement(null, 2, 'in air'),
      ],
      gates: [
        { rank: name(1), kind: 'time in rank', amount: 3 },
        { rank: name(2), kind: 'time in rank', amount: 4 },
        { rank: name(2), kind: 'no open injury', amount: 1 },
      ],
      order: STARTING_ORDERS[0]!.steps.map(([easier, harder]) => ({ easier, harder })),
      standards: [],
      promotions: {},
      limits: { ...FIRST_LIMITS, owns: null },
    },
  };
}
