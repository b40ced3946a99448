import * as v from 'valibot';
import { CALL_MODES, PLAIN_CALL, type BlockCall } from '../core';
import { whole } from './fields';

const seconds = v.pipe(
  v.number(),
  v.minValue(0.4, 'A count takes 0.4 s or more.'),
  v.maxValue(10, 'A count takes 10 s at most.'),
);

/** How a form is called in a block of a class. */
export const blockCallShape = v.object({
  mode: v.picklist(CALL_MODES),
  sides: v.picklist(['written', 'mirrored', 'both']),
  secondsPerCount: seconds,
  rounds: whole(1, 50, 'The number of rounds'),
  times: whole(1, 200, 'How often a count is repeated'),
});

/** The caller’s page as a block asks for it; from there one comes back to the class. */
export const callerPath = (sequenceId: string, call: BlockCall | null): string =>
  `/sequences/${sequenceId}/call?${new URLSearchParams([
    ['for', 'class'],
    ...Object.entries(call ?? {}).map(([k, x]): [string, string] => [k, String(x)]),
  ]).toString()}`;

/** Whether the caller was opened from a class. */
export const isForClass = (search: string): boolean => new URLSearchParams(search).get('for') === 'class';

/** How the address of the caller’s page asks for a form; null: it says nothing, or nothing that can be called. */
export function callOfAddress(search: string): BlockCall | null {
  const said = new URLSearchParams(search);
  if (!said.has('mode')) return null;
  const number = (name: 'secondsPerCount' | 'rounds' | 'times') => Number(said.get(name) ?? PLAIN_CALL[name]);
  const read = v.safeParse(blockCallShape, {
    mode: said.get('mode'),
    sides: said.get('sides') ?? PLAIN_CALL.sides,
    secondsPerCount: number('secondsPerCount'),
    rounds: number('rounds'),
    times: number('times'),
  });
  return read.success ? read.output : null;
}
