import * as v from 'valibot';
import { BLOCK_KINDS, LEAST, RUNGS, WORK_KINDS } from '../core';
import { blockCallShape } from './blockCall';
import { date, id, name, timeOfDay, version, whole } from './fields';
import { itemShape } from './item';

const words = (most: number, what: string) =>
  v.pipe(v.string(), v.trim(), v.maxLength(most, `${what} has at most ${most} letters.`));

export const blockShape = v.object({
  id,
  name,
  kind: v.picklist(BLOCK_KINDS),
  minutes: whole(LEAST, 300, 'The length of a block in minutes'),
  items: v.pipe(
    v.array(
      v.object({ item: itemShape, conditionId: v.nullable(id), call: v.optional(v.nullable(blockCallShape), null) }),
    ),
    v.maxLength(20, 'A block has at most twenty things in it.'),
  ),
  how: words(600, 'How it is done'),
  who: words(300, 'Who does what'),
  things: words(200, 'What is taken out'),
  caution: words(400, 'What to mind'),
  pairs: v.nullable(
    v.object({
      kind: v.picklist(WORK_KINDS),
      rung: whole(0, RUNGS.length, 'The rung of contact'),
      answers: v.boolean(),
      rounds: whole(1, 20, 'How often partners change'),
    }),
  ),
  pinned: v.boolean(),
});

export const classPlanShape = v.object({
  starts: timeOfDay,
  minutes: whole(5, 600, 'The length of a class in minutes'),
  blocks: v.pipe(
    v.array(blockShape),
    v.maxLength(30, 'A class has at most thirty blocks.'),
    v.check((list) => new Set(list.map((b) => b.id)).size === list.length, 'A block stands twice in this plan.'),
  ),
});

/** Milliseconds since 1970, from a device’s clock that was set by the server’s. */
const moment = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(8_640_000_000_000_000));

export const runShape = v.object({
  began: moment,
  endsBy: moment,
  block: v.nullable(id),
  since: moment,
  waited: moment,
  stoppedAt: v.nullable(moment),
  minutes: v.pipe(
    v.record(id, whole(0, 600, 'The length of a block in minutes')),
    v.check((r) => Object.keys(r).length <= 60, 'A class has at most thirty blocks.'),
  ),
  spent: v.pipe(v.array(v.object({ block: id, from: moment, to: moment, skipped: v.boolean() })), v.maxLength(60)),
  changes: whole(1, 100_000, 'How often the clock was set'),
});

/** The plan of a class; the class that is held from it has the same id. */
export const classPlanInput = v.object({ id, day: date, hallId: v.nullable(id), plan: classPlanShape, version });

export const classRunInput = v.object({ id, run: runShape });

export const classCloseInput = v.object({ id, note: words(2000, 'A note') });

/** A telephone as people write it: digits, and what is put between them. */
const phone = v.pipe(
  v.string(),
  v.trim(),
  v.maxLength(40, 'A telephone number has at most 40 signs.'),
  v.check(
    (t) => t === '' || (/^[+\d ()/.-]*$/.test(t) && (t.match(/\d/g)?.length ?? 0) >= 5),
    'This is no telephone number.',
  ),
);

/** Somebody who is here and not on the roll; of a minor somebody can be called. */
export const guestInput = v.pipe(
  v.object({ id, classId: id, day: date, name, minor: v.boolean(), phone }),
  v.forward(
    v.check((g) => !g.minor || g.phone !== '', 'Write down whom to call: a guardian’s telephone.'),
    ['phone'],
  ),
);

/** What is noted while a class runs, in which block. */
export const classNoteInput = v.object({
  id,
  classId: id,
  day: date,
  block: name,
  said: v.pipe(
    v.string(),
    v.trim(),
    v.minLength(1, 'Nothing is written yet.'),
    v.maxLength(500, 'A note has at most 500 letters.'),
  ),
});
