import * as v from 'valibot';
import { BLOWS, FEELING, LADDERS, LOAD_JOINTS, SIDES, SKIN, SWELLING, type Blow, type LoadRule } from '../core';
import { date, id, line, name, reason, whole } from './fields';

/** What a limb says after work that hardens. */
export const limbSaid = v.object({
  skin: v.picklist(SKIN),
  swelling: v.picklist(SWELLING),
  joints: v.picklist(LOAD_JOINTS),
  feeling: v.picklist(FEELING),
});

export const PLACES = ['hall', 'home'] as const;

/** What was done on a day, limb by limb, and what each says; nothing done and something said is an entry as well. */
export const loadInput = v.object({
  studentId: id,
  day: date,
  place: v.picklist(PLACES),
  done: v.pipe(
    v.array(
      v.object({
        id,
        blow: v.picklist(Object.keys(BLOWS) as [Blow, ...Blow[]]),
        side: v.picklist(SIDES),
        surface: line,
        count: whole(0, 1000, 'The number'),
        said: v.nullable(limbSaid),
      }),
    ),
    v.minLength(1, 'Nothing was said.'),
    v.maxLength(12, 'That is more than one day has.'),
    v.check((list) => list.some((d) => d.count > 0 || d.said !== null), 'Nothing was done, and nothing said.'),
  ),
});

/** The head's word: a stop is over, or single heavy blows may be. */
export const loadAllowInput = v.object({
  id,
  studentId: id,
  ladder: v.picklist(LADDERS),
  side: v.picklist(SIDES),
  what: v.picklist(['lifted', 'single']),
  reason,
});

/** The guardian's word on work that hardens; who said so on paper. */
export const loadAgreeInput = v.object({ id, studentId: id, agreed: v.boolean(), guardian: line });

const surface = v.pipe(
  v.object({
    name,
    begin: whole(1, 100, 'The first number'),
    step: whole(1, 20, 'A step'),
    fineDays: whole(1, 14, 'The number of days'),
    most: whole(1, 200, 'The last number'),
  }),
  v.check((s) => s.most >= s.begin, 'The last number is not below the first.'),
);
const surfaces = v.pipe(
  v.array(surface),
  v.minLength(1, 'A ladder has a surface.'),
  v.maxLength(6, 'A ladder has at most six surfaces.'),
);

/** The school's numbers for work that hardens; none of them can take the caution away. */
export const loadRuleShape: v.GenericSchema<unknown, LoadRule> = v.object({
  fromAge: v.pipe(whole(14, 99, 'The age'), v.minValue(14, 'Before fourteen nobody strikes what is hard.')),
  ladders: v.object({ hand: surfaces, foot: surfaces, shin: surfaces, 'press-ups': surfaces }),
  snapFrom: whole(10, 200, 'The number'),
  snapAfter: whole(1, 30, 'The number of days'),
  fineDaysFromSnap: whole(1, 14, 'The number of days'),
  perWeek: whole(1, 6, 'The days of a week'),
  openDays: v.pipe(whole(7, 60, 'The number of days'), v.minValue(7, 'Open skin rests at least seven days.')),
  swellingDays: whole(1, 30, 'The number of days'),
  pauseDays: whole(7, 180, 'The number of days'),
  singleAfterMonths: whole(12, 120, 'The number of months'),
});
export const loadRuleInput = v.object({ rule: loadRuleShape });
