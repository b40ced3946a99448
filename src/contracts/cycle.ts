import * as v from 'valibot';
import { BLOCK_KINDS, CYCLE_ENDS, HEAVINESS, RUNGS, WORK_KINDS } from '../core';
import { date, id, line, name, timeOfDay, version, whole } from './fields';
import { itemShape } from './item';

const words = (most: number, what: string) =>
  v.pipe(v.string(), v.trim(), v.maxLength(most, `${what} has at most ${most} letters.`));

const classMinutes = whole(5, 600, 'The length of a class in minutes');
const weekday = whole(0, 6, 'A weekday');

export const cycleClassShape = v.object({
  id,
  day: date,
  starts: timeOfDay,
  minutes: classMinutes,
  hallId: v.nullable(id),
  off: v.nullable(line),
  guest: v.nullable(v.object({ name, minutes: whole(0, 600, 'A guest’s time in minutes') })),
  frame: v.nullable(whole(0, 300, 'Opening and close in minutes')),
});

export const cycleRowShape = v.pipe(
  v.object({
    id,
    name,
    items: v.pipe(
      v.array(v.object({ item: itemShape, conditionId: v.nullable(id) })),
      v.maxLength(12, 'A row has at most twelve things in it.'),
    ),
    minutes: whole(0, 6000, 'What a row needs in minutes'),
    least: whole(5, 300, 'The shortest stretch in minutes'),
    most: whole(5, 300, 'The longest stretch in minutes'),
    gap: whole(1, 60, 'A gap in classes'),
    from: v.nullable(date),
    notOn: v.pipe(v.array(weekday), v.maxLength(7)),
    fresh: v.boolean(),
    kind: v.picklist(BLOCK_KINDS),
    pairs: v.nullable(
      v.object({
        kind: v.picklist(WORK_KINDS),
        rung: whole(0, RUNGS.length, 'The rung of contact'),
        answers: v.boolean(),
        rounds: whole(1, 20, 'How often partners change'),
      }),
    ),
    how: words(300, 'How it is done'),
    things: words(200, 'What is taken out'),
    caution: words(400, 'What to mind'),
    heaviness: v.picklist(HEAVINESS),
    group: v.nullable(whole(0, 5, 'A group')),
    opens: v.pipe(
      v.array(v.object({ on: id, minutes: whole(0, 6000, 'What opens it in minutes') })),
      v.maxLength(20, 'A row hangs on at most twenty others.'),
    ),
  }),
  v.forward(
    v.check((r) => r.most >= r.least, 'The longest stretch is no shorter than the shortest.'),
    ['most'],
  ),
);

const hadShape = v.object({ row: id, class: id, minutes: whole(0, 600, 'Minutes of a row in a class') });
const cellShape = v.object({ ...hadShape.entries, pinned: v.boolean() });
const MOST_CELLS = 10_000;
const cells = v.pipe(v.array(cellShape), v.maxLength(MOST_CELLS, 'No plan has so many cells.'));

export const cycleShape = v.pipe(
  v.object({
    name,
    end: v.picklist(CYCLE_ENDS),
    from: date,
    day: date,
    ranks: v.pipe(v.array(id), v.maxLength(60)),
    groups: v.pipe(
      v.array(name),
      v.minLength(1, 'Somebody is taught.'),
      v.maxLength(6, 'At most six groups work at a time.'),
    ),
    weekly: v.pipe(
      v.array(v.object({ weekday, starts: timeOfDay, minutes: classMinutes, hallId: v.nullable(id) })),
      v.maxLength(30, 'A week has at most thirty classes.'),
    ),
    classes: v.pipe(
      v.array(cycleClassShape),
      v.maxLength(250, 'A cycle has at most 250 classes.'),
      v.check((list) => new Set(list.map((c) => c.id)).size === list.length, 'A class stands twice in these weeks.'),
    ),
    rows: v.pipe(
      v.array(cycleRowShape),
      v.maxLength(150, 'A cycle has at most 150 rows.'),
      v.check((list) => new Set(list.map((r) => r.id)).size === list.length, 'A row stands twice in this plan.'),
    ),
    cells,
    righted: v.pipe(v.array(hadShape), v.maxLength(MOST_CELLS, 'No plan has so many cells.')),
    rules: v.object({
      frame: whole(0, 300, 'Opening and close in minutes'),
      newThings: whole(0, 20, 'New things in a class'),
      growing: v.pipe(v.array(whole(1, 60, 'A gap in classes')), v.maxLength(12)),
      review: whole(1, 60, 'The classes before the day'),
      load: v.pipe(v.number(), v.minValue(1, 'The load is at least 1.'), v.maxValue(3, 'The load is at most 3.')),
    }),
    before: v.nullable(v.object({ why: line, cells })),
    result: v.nullable(
      v.object({
        short: whole(0, 100_000, 'Minutes short'),
        shortAtLeast: v.nullable(whole(0, 100_000, 'Minutes short')),
        apart: whole(0, 100_000, 'Times apart'),
        apartAtLeast: v.nullable(whole(0, 100_000, 'Times apart')),
        stopped: v.boolean(),
      }),
    ),
  }),
  v.forward(
    v.check((c) => c.day > c.from, 'The day comes after the first class.'),
    ['day'],
  ),
  v.forward(
    v.check((c) => c.classes.every((x) => x.day <= c.day), 'A class comes after the day it is all for.'),
    ['classes'],
  ),
);

export const cycleInput = v.object({ id, cycle: cycleShape, version });

/** Of the secret in an address of the calendar only the SHA-256 comes here, in hex; nobody can read it back. */
export const calendarHash = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'This is no address of a calendar.'));

export const calendarOpen = v.object({ id, hash: calendarHash, name });
