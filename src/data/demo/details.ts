// What the techniques of Causeway Hall are besides their points. Measured ranges, self-checks and where schools differ:
// common practice, no source. Names in other languages are plain words of those languages.
import { NO_DETAIL, type TechniqueDetail, type Term } from '../../contracts/stored/technique';
import type { Zone } from '../../core';

type Some = Partial<Omit<TechniqueDetail, 'prerequisites' | 'variants'>> & {
  after?: readonly string[];
  variants?: readonly (readonly [name: string, schools: string, why: string, graded?: boolean, point?: string])[];
};
const term = (lang: string, text: string, said = '', meaning = ''): Term => ({ lang, text, said, meaning });
const at = (zone: Zone, surface: string, target: string): Some => ({ zone, surface, target });

const KICK_COUNTS = ['lift', 'turn', 'out', 'in', 'down'];

export const DEMO_DETAILS: Readonly<Record<string, Some>> = {
  'Natural stance': {
    terms: [term('ja', '自然立ち', 'shizen-dachi', 'natural standing')],
    geometry: { length: 0, width: 1, leadTurn: 0, rearTurn: 0, leadWeight: 50, sink: 0 },
  },
  'Guard stance': {
    terms: [term('en', 'beginner’s guard'), term('pl', 'pozycja gardy')],
    geometry: { length: 0.9, width: 0.7, leadTurn: 15, rearTurn: 30, leadWeight: 50, sink: 0.02 },
    selfChecks: [
      {
        arrange: 'Jump and land, then half a step, feet to one o’clock.',
        pass: 'Width and angle are there without looking.',
        names: [{ outcome: 'one foot lands turned straight ahead', slip: 'Feet straight ahead' }],
      },
    ],
  },
  'Front stance': {
    terms: [
      term('ja', '前屈立ち', 'zenkutsu-dachi', 'standing bent to the front'),
      term('ko', '앞굽이', 'ap gubi'),
      term('pl', 'pozycja frontalna'),
    ],
    after: ['Natural stance'],
    geometry: { length: 2, width: 0.8, leadTurn: 0, rearTurn: 28, leadWeight: 60, sink: 0.07 },
    variants: [
      [
        'Rear heel pressed down through the punch',
        'Causeway Hall, Sluice Hall',
        'line work and post: the push goes from the floor',
        true,
        'Rear heel down',
      ],
      [
        'Rear heel lifted on the ball as the hip turns',
        'Reed House',
        'free fighting: the hip turns farther',
        false,
        'Rear heel down',
      ],
      [
        'Weight stressed on the rear leg',
        'Reed House',
        'the end of the punch is the middle of its way',
        false,
        'Weight forward of the middle',
      ],
    ],
  },
  'Back stance': {
    terms: [
      term('ja', '後屈立ち', 'kōkutsu-dachi', 'standing bent to the rear'),
      term('zh-Hant', '後弓步', 'hòu gōng bù'),
    ],
    after: ['Front stance'],
    geometry: { length: 1.75, width: 0, leadTurn: 0, rearTurn: 75, leadWeight: 30, sink: 0.08 },
  },
  'Cat stance': {
    terms: [term('ja', '猫足立ち', 'neko-ashi-dachi', 'standing on cat’s feet'), term('pl', 'pozycja kota')],
    after: ['Back stance'],
    geometry: { length: 0.8, width: 0.1, leadTurn: 0, rearTurn: 30, leadWeight: 10, sink: 0.1 },
    selfChecks: [
      {
        arrange:
          'Heels together, toes 30° out; one foot straight ahead of its heel as far as it goes; half a squat. Lift the front foot.',
        pass: 'It lifts without any shift of weight.',
        names: [
          { outcome: 'the trunk sways back first', slip: 'Sways back before lifting' },
          { outcome: 'the knee wobbles', slip: 'Knee wobbles inward' },
        ],
      },
    ],
  },
  'Straddle stance': {
    terms: [term('ja', '騎馬立ち', 'kiba-dachi', 'standing as on a horse')],
    geometry: { length: 0, width: 2, leadTurn: 0, rearTurn: 0, leadWeight: 50, sink: 0.12 },
  },
  'Swing turn': {
    variants: [
      ['Leg swings round first, block and stance lock together', 'Causeway Hall', 'form style', true],
      ['Hip after the stance', 'Reed House', 'power comes last', false],
    ],
  },
  'Cross turn': { variants: [['Step across, then pivot', 'Sluice Hall', 'kinder to old knees', true]] },
  Fist: {
    terms: [term('ja', '拳', 'ken', 'fist'), term('ko', '주먹', 'jumeok', 'fist')],
    sideRule: 'right and left alike',
    selfChecks: [
      {
        arrange: 'Lay the staff along forearm and knuckles.',
        pass: 'It touches from the elbow to the first two knuckles. The right wrist feels bent to the beginner and looks straight.',
        names: [{ outcome: 'light between wrist and staff', slip: 'Wrist bends' }],
      },
    ],
  },
  'Standing punch': {
    ...at('middle', 'first two knuckles', 'solar plexus of one’s own height'),
    terms: [term('ja', '突き', 'tsuki', 'thrust'), term('yue-Hant', '直拳', 'zik6 kyun4', 'straight fist')],
    counts: ['load', 'out', 'turn', 'back'],
    joined: [3, 1],
    after: ['Fist', 'Natural stance'],
  },
  'Stepping punch': {
    ...at('middle', 'first two knuckles', 'solar plexus'),
    terms: [
      term('ja', '追い突き', 'oi-zuki', 'pursuing thrust'),
      term('ko', '나아가 지르기', 'naaga jireugi'),
      term('pl', 'cios z krokiem'),
    ],
    after: ['Standing punch', 'Front stance', 'Step forward'],
    counts: ['step', 'load', 'out', 'back'],
    joined: [2, 2],
    sideRule: 'the hand of the foot that steps',
    variants: [
      ['No tell: the shoulder is never drawn back', 'Causeway Hall', 'who draws back is seen', true, 'Shoulders low'],
      ['Shoulder drawn back as a load', 'Sluice Hall', 'basic line work only', false, 'Shoulders low'],
    ],
  },
  'Reverse punch': {
    ...at('middle', 'first two knuckles', 'solar plexus'),
    terms: [term('ja', '逆突き', 'gyaku-zuki', 'opposite thrust'), term('pl', 'cios odwrotny')],
    sideRule: 'the hand of the rear foot',
    after: ['Standing punch', 'Front stance'],
    variants: [
      ['Hips square at the end', 'Causeway Hall', 'balance for the next count', true],
      ['Hips past square', 'Reed House', 'reach', false],
    ],
  },
  'Lead punch': {
    ...at('middle', 'first two knuckles', 'lip under the nose, or solar plexus'),
    sideRule: 'the hand of the forward foot',
    after: ['Guard stance'],
  },
  Backfist: {
    ...at('upper', 'back of the first two knuckles', 'temple'),
    ceiling: {
      condition: 'set partner',
      kind: 'stops short',
      contact: 'a hand’s length',
      targets: 'guard or pad, never the face',
      age: 16,
    },
  },
  'Elbow strike': {
    ...at('middle', 'point of the elbow', 'pad, or the air at a distance'),
    terms: [term('ja', '肘打ち', 'hiji-uchi', 'elbow hit')],
    ceiling: { condition: 'moving holder', kind: 'equipment only', contact: '', targets: 'pads and post', age: 14 },
  },
  'Palm check': { ...at('middle', 'palm', 'the partner’s forearm or shoulder'), after: ['Guard stance'] },
  'Low block': {
    ...at('lower', 'outer edge of the forearm', 'a blow below the belt'),
    terms: [
      term('ja', '下段払い', 'gedan-barai', 'lower sweep'),
      term('ko', '아래막기', 'arae makgi'),
      term('pl', 'blok dolny'),
    ],
    counts: ['load', 'across', 'down'],
    joined: [2, 1],
    variants: [
      ['By a small circle of the elbow', 'Causeway Hall', 'the arm clears itself', true],
      ['A straight drop', 'Reed House', 'shorter', false],
    ],
  },
  'Inner block': {
    ...at('middle', 'inner edge of the forearm', 'a straight blow to the middle'),
    terms: [term('ja', '内受け', 'uchi-uke')],
    sideRule: 'from the same-side ear to the far shoulder line',
  },
  'Outer block': {
    ...at('middle', 'outer edge of the forearm', 'a straight blow to the middle'),
    terms: [term('ja', '外受け', 'soto-uke'), term('pl', 'blok zewnętrzny')],
    variants: [
      ['Loads at the opposite hip', 'Causeway Hall', 'longest way', true],
      ['Loads up like the low block', 'Sluice Hall', 'one load for all blocks', false],
    ],
  },
  'Rising block': {
    ...at('upper', 'outer edge of the forearm', 'a blow to the head'),
    terms: [term('ja', '上げ受け', 'age-uke', 'rising reception'), term('ko', '올려막기', 'ollyeo makgi')],
  },
  'Front kick': {
    ...at('middle', 'ball of the foot', 'belt'),
    terms: [
      term('ja', '前蹴り', 'mae-geri', 'front kick'),
      term('ko', '앞차기', 'ap chagi', 'front kick'),
      term('pl', 'kopnięcie proste'),
    ],
    after: ['Knee lift', 'Front stance'],
    counts: ['lift', 'out', 'in', 'down'],
    joined: [2, 2],
    variants: [
      ['Standing foot stays anchored', 'Causeway Hall', 'balance', true],
      ['Standing foot slides up', 'Reed House', 'reach', false],
    ],
  },
  'Roundhouse kick': {
    ...at('middle', 'instep', 'own ribs’ height'),
    terms: [
      term('ko', '돌려차기', 'dollyeo chagi', 'turning kick'),
      term('ja', '回し蹴り', 'mawashi-geri', 'turning kick'),
      term('pl', 'kopnięcie okrężne'),
      term('de', 'Halbkreistritt'),
    ],
    after: ['Front kick'],
    counts: KICK_COUNTS,
    joined: [3, 2],
    variants: [
      ['High fold, clear shape', 'Causeway Hall', 'to learn it by', true],
      ['Low fold, hidden', 'Reed House', 'for study', false],
      [
        'Whole foot turns',
        'Sluice Hall',
        'as the floor is rough there; the ball spares the knee',
        false,
        'Base foot turns on the ball',
      ],
    ],
  },
  'Side kick': {
    ...at('middle', 'heel', 'belt'),
    terms: [term('ja', '横蹴り', 'yoko-geri'), term('ko', '옆차기', 'yeop chagi')],
    after: ['Roundhouse kick'],
    counts: ['lift', 'turn', 'out', 'return', 'lower'],
    joined: [3, 2],
    selfChecks: [
      {
        arrange:
          'Partners shoulder to shoulder, facing opposite ways, on one line. Kick across in front of the partner.',
        pass: 'Nothing is touched and nobody leaves the line.',
        names: [
          { outcome: 'the partner’s back is touched', slip: 'it became a roundhouse' },
          { outcome: 'the partner’s front is touched', slip: 'Knee drops before the kick' },
        ],
      },
      {
        arrange: 'Fingertips at the wall, an arm’s length off; four counts along it.',
        pass: 'The heel runs along the wall.',
        names: [{ outcome: 'the foot meets the wall', slip: 'it became a roundhouse' }],
      },
    ],
  },
  'Back kick': {
    ...at('middle', 'heel', 'belt'),
    after: ['Side kick'],
    ceiling: { condition: 'moving holder', kind: null, contact: '', targets: 'shield', age: null },
  },
  'Pulling hand': {
    selfChecks: [
      {
        arrange: 'Fingertips of the forward hand to the middle of the other palm, arms straight ahead.',
        pass: 'They meet: the shoulders are off square by half a palm at most.',
        names: [{ outcome: 'one hand is longer', slip: 'shoulders turned' }],
      },
    ],
  },
  'Staff downward cut': {
    ...at('upper', 'front third of the staff', 'crown'),
    sideRule: 'step with the foot on the side where the cut starts',
    ceiling: {
      condition: 'set partner',
      kind: 'stops short',
      contact: 'a hand’s length',
      targets: 'the air above the head',
      age: 12,
    },
  },
  'Staff diagonal cut': {
    ...at('upper', 'front third of the staff', 'collarbone'),
    sideRule: 'step with the foot on the side where the cut starts',
  },
  'Staff thrust': at('middle', 'tip', 'solar plexus'),
  'Staff sweep': at('lower', 'front third of the staff', 'shin guard'),
};

/** The stored detail of a demo technique; `idOf` finds techniques, `pointOf` its points, by name. */
export function detailOf(
  name: string,
  idOf: (name: string) => string | undefined,
  pointOf: (name: string) => string | undefined,
): TechniqueDetail {
  const { after = [], variants = [], ...rest } = DEMO_DETAILS[name] ?? {};
  return {
    ...NO_DETAIL,
    ...rest,
    prerequisites: after.flatMap((n) => idOf(n) ?? []),
    variants: variants.map(([variant, schools, why, graded = false, point]) => ({
      name: variant,
      schools,
      why,
      graded,
      pointId: point === undefined ? null : (pointOf(point) ?? null),
    })),
  };
}
