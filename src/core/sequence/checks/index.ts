import { traceFloor } from '../../floor/trace';
import type { Sequence } from '../move';
import { printLine } from '../notation/print';
import { answer } from './answer';
import { breath } from './breath';
import { ceiling, headContact } from './ceiling';
import { closing } from './closing';
import { condition } from './condition';
import { cut } from './cut';
import { drift } from './drift';
import { feet } from './feet';
import { firstFoot } from './firstFoot';
import { PLAIN_CONTEXT, type Check, type CheckContext, type Finding } from './finding';
import { hall } from './hall';
import { families, heights } from './heights';
import { leadSaid } from './leadSaid';
import { level } from './level';
import { limb } from './limb';
import { lineTurn } from './lineTurn';
import { loop } from './loop';
import { post } from './post';
import { rank } from './rank';
import { retired } from './retired';
import { sides } from './sides';
import { stanceShift } from './stanceShift';
import { stride } from './stride';
import { unknown } from './unknown';

export { cannotMeet } from './answer';
export { CHECKS, PLAIN_CONTEXT, type CheckContext, type CheckName, type Finding } from './finding';

/** In the order in which they are told. */
const ALL: readonly Check[] = [
  closing,
  sides,
  heights,
  families,
  feet,
  firstFoot,
  leadSaid,
  drift,
  stride,
  limb,
  stanceShift,
  level,
  cut,
  lineTurn,
  rank,
  unknown,
  retired,
  condition,
  ceiling,
  headContact,
  answer,
  breath,
  loop,
  post,
  hall,
];

/**
 * Looks through a sequence for what an instructor would find on the mat. What was looked at and found well is told too,
 * so that one sees what was checked. Checks that do not apply to the kind of sequence are left out.
 */
export function checkSequence(seq: Sequence, context: CheckContext = PLAIN_CONTEXT): Finding[] {
  if (seq.moves.length === 0) return [];
  const trace = traceFloor(seq, context.body);
  const out: Finding[] = [];
  const lines = seq.moves.map((m) => printLine({ ...m, remark: '' }));
  for (const check of ALL)
    check({
      seq,
      trace,
      context,
      found: (name, ok, counts, text) => {
        const anchor =
          counts.length === 0 ? text.replace(/[\d.]+/g, '#') : counts.map((c) => lines[c - 1] ?? '').join(' / ');
        out.push({ check: name, ok, counts, text, key: ok ? name : `${name}: ${anchor}` });
      },
    });
  return out;
}
