// Small builders for tests of judgement: one idea a call, everything else as usual.
import { STEADY, type Requirement, type Standard } from '../../syllabus/standard';
import type { Point } from '../../technique/point';
import { conditionOrder } from '../../units/condition';
import type { Side } from '../../units/side';
import type { Look, Mark } from '../looks';
import { believed, type Expected, type Posterior } from '../posterior';
import type { JudgeContext, Verdict } from '../verdict';
import { changeInWords, reasonInWords, type ReasonContext } from '../../words/english/reason';

export const TODAY = '2026-03-05';

export const point = (id: string, more: Partial<Point> = {}): Point => ({
  id,
  name: id,
  how: '',
  why: '',
  kind: 'seen',
  bodyPart: 'feet',
  critical: false,
  unit: null,
  accepted: null,
  wanted: null,
  measuredBy: null,
  slips: [],
  ...more,
});

/** lying < air < still target < moving holder, and wall beside air: above lying, below nothing else. */
export const order = (() => {
  const made = conditionOrder(
    ['lying', 'air', 'wall', 'still target', 'moving holder'],
    [
      { easier: 'lying', harder: 'air' },
      { easier: 'lying', harder: 'wall' },
      { easier: 'air', harder: 'still target' },
      { easier: 'still target', harder: 'moving holder' },
    ],
  );
  if (!made.ok) throw new Error('a circle in the test order');
  return made.value;
})();

export const requirement = (standard: Partial<Standard> = {}, more: Partial<Requirement> = {}): Requirement => ({
  id: 'r',
  item: { technique: 't' },
  conditionId: 'air',
  purpose: null,
  stage: null,
  rung: null,
  critical: false,
  opens: null,
  standard: { ...STEADY, ...standard },
  ...more,
});

export const context = (points: readonly Point[], more: Partial<JudgeContext> = {}): JudgeContext => ({
  points,
  sided: true,
  order,
  today: TODAY,
  ...more,
});

let made = 0;
/** A look; marks as `{ heel: [4, 5] }` for held of, or `{ turn: [95, 120, 80] }` with `measured`. */
export function look(day: string, side: Side, marks: Record<string, [number, number]>, more: Partial<Look> = {}): Look {
  made += 1;
  const list = Object.entries(marks).map(([pointId, [held, of]]): Mark => ({ pointId, kind: 'seen', held, of }));
  return {
    id: `look-${String(made).padStart(5, '0')}`,
    techniqueId: 't',
    day,
    at: made,
    conditionId: 'air',
    side,
    purpose: null,
    replaces: null,
    marks: list,
    ...more,
  };
}

/** The same look on both sides. */
export const both = (day: string, marks: Record<string, [number, number]>, more: Partial<Look> = {}): Look[] => [
  look(day, 'left', marks, more),
  look(day, 'right', marks, more),
];

/** Why a verdict on something asked in air is as it is, and what would change it, in words. */
export const reasonOf = (v: Verdict, standard: Standard = STEADY, more: Partial<ReasonContext> = {}): string =>
  reasonInWords(v, {
    standard,
    asked: requirement(),
    conditionName: (id) => `at “${id}”`,
    today: TODAY,
    ...more,
  });
export const changeOf = (v: Verdict, standard: Standard = STEADY): string => changeInWords(v, 5, standard.repetitions);

/** Nothing is known of a student beforehand, and nothing moves all of their points together. */
export const NOTHING_EXPECTED: Expected = { x: 0, sd: 2, levelSd: 0, formSd: 0 };
/** A share that is known as well as said, by itself. */
export const belief = (share: number, sd = 1e-4, more: Partial<Posterior> = {}): Posterior =>
  believed({ x: Math.log(share / (1 - share)), sd, pull: 0, levelSd: 0, formSd: 0, looks: 20, ...more });
