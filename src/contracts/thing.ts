import * as v from 'valibot';
import { FACES, THING_SERVES, THING_SHAPES } from '../core';
import { date, id, line, name, version, whole } from './fields';

export const pieceShape = v.object({
  id,
  wrong: line,
  checked: v.nullable(date),
  checkBy: v.nullable(date),
  lent: v.nullable(v.object({ to: name, until: v.nullable(date) })),
});

/** A place in a hall, in metres from a wall. */
const metres = v.pipe(
  v.number('How many metres?'),
  v.finite('How many metres?'),
  v.minValue(0, 'Metres from the wall: none is less than none.'),
  v.maxValue(200, 'No hall is that large.'),
);

export const thingShape = v.object({
  name,
  about: line,
  shape: v.picklist(THING_SHAPES),
  place: line,
  hallId: v.nullable(id),
  serves: v.nullable(v.picklist(THING_SERVES)),
  fromAge: v.nullable(whole(0, 99, 'The age')),
  fromRankId: v.nullable(id),
  alone: v.boolean(),
  people: whole(1, 30, 'How many use one at a time'),
  every: v.nullable(whole(1, 3650, 'The number of days')),
  how: v.pipe(
    v.array(v.object({ by: name, what: line })),
    v.maxLength(8, 'A thing is looked over in at most eight steps.'),
  ),
  stands: v.pipe(
    v.array(v.object({ x: metres, y: metres, faces: v.picklist(FACES) })),
    v.maxLength(40, 'More than forty places of a kind are none.'),
  ),
  pieces: v.pipe(
    v.array(pieceShape),
    v.maxLength(300, 'More than 300 of a kind cannot be kept track of one by one.'),
    v.check((list) => new Set(list.map((p) => p.id)).size === list.length, 'A piece stands twice in this list.'),
  ),
});

export const thingInput = v.object({ id, thing: thingShape, version });
