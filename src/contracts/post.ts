import * as v from 'valibot';
import { FIXINGS } from '../core';
import { date, id, name, version, whole } from './fields';

const within = (lo: number, hi: number, what: string, unit: string) =>
  v.pipe(
    v.number(`${what} is a number.`),
    v.minValue(lo, `${what} is at least ${lo} ${unit}.`),
    v.maxValue(hi, `${what} is at most ${hi} ${unit}.`),
  );

export const postShape = v.pipe(
  v.object({
    title: name,
    studentId: v.nullable(id),
    stature: within(80, 230, 'The stature', 'cm'),
    plexus: v.nullable(within(50, 170, 'The plexus', 'cm')),
    second: within(0.2, 1, 'The second board', 'of the first'),
    breadth: within(40, 300, 'The breadth', 'mm'),
    thickness: within(8, 120, 'The thickness', 'mm'),
    thin: within(4, 120, 'The thickness on top', 'mm'),
    fixing: v.picklist(FIXINGS),
    base: v.nullable(
      v.object({
        front: within(0, 600, 'The bracket in front', 'mm'),
        rear: within(0, 600, 'The bracket behind', 'mm'),
      }),
    ),
    wood: v.object({
      name,
      modulus: within(2e9, 40e9, 'The stiffness of the timber', 'pascal'),
      strength: within(10e6, 400e6, 'The strength of the timber', 'pascal'),
    }),
    force: whole(50, 1000, 'The push'),
    pulls: v.pipe(
      v.array(
        v.object({
          day: date,
          newton: within(20, 1000, 'The pull', 'N'),
          millimetres: within(1, 500, 'The way it moved', 'mm'),
        }),
      ),
      v.maxLength(50, 'Fifty pull tests are enough.'),
    ),
  }),
  v.check((p) => p.thin <= p.thickness, 'A board is not thicker on top than at the floor.'),
);

export const postInput = v.object({ id, post: postShape, version });
