import { beyondCeiling } from '../../technique/ceiling';
import { RUNG_GEAR } from '../../syllabus/standard';
import { capital } from '../../words/speak';
import { atTheHead } from '../atTheHead';
import { atHeld } from '../held';
import { rungIn, sparesTheHead } from '../rung';
import { countsSaid, type Check } from './finding';
import { namesIn, stepsIn } from './named';

/** No technique goes farther than its ceiling, from the school's list or by a condition that is not to be passed. */
export const ceiling: Check = ({ seq, context, found }) => {
  const partnered = seq.about.kind === 'partner drill' || seq.moves.some((m) => m.partner !== null);
  const { condition, contact } = seq.about;
  const rung = rungIn(contact);
  for (const { name, word, counts } of namesIn(seq, context.vocabulary)) {
    const c = word?.ceiling;
    if (!c) continue;
    const uses = counts
      .flatMap((n) => stepsIn(seq.moves[n - 1]!).flatMap((s) => s.actions))
      .filter((a) => a.name === name);
    const held = uses.length > 0 && uses.every(atHeld);
    const pads = seq.about.kind === 'equipment set' || held;
    const said =
      (c.kind &&
        beyondCeiling(c.kind, {
          partner: partnered && !pads,
          equipment: pads,
          contact: contact !== null && !sparesTheHead(contact),
          gloved: rung === null ? /\bglove/i.test(contact ?? '') : RUNG_GEAR[rung] !== 'none',
        })) ??
      (c.condition && condition && context.beyond(condition, c.condition)
        ? `goes no farther than ${c.condition}; this is ${condition}`
        : null);
    if (said) found('ceiling', false, counts, `${countsSaid(counts)}: ${capital(name)} ${said}.`);
  }
};

/** Work at a partner's head is never left without a word on how hard it lands. */
export const headContact: Check = ({ seq, found }) => {
  const { contact, kind } = seq.about;
  if (kind !== 'partner drill' || rungIn(contact) !== null || sparesTheHead(contact)) return;
  const counts = seq.moves.flatMap((m, i) =>
    stepsIn(m).some((s) =>
      s.actions.some(
        // What answers a pad or a call that the other shows lands on that.
        (a) => atTheHead(a) && !atHeld(a) && !(s === m.step ? m.partner : m.step)?.cue,
      ),
    )
      ? [i + 1]
      : [],
  );
  if (counts.length > 0)
    found(
      'head contact',
      false,
      counts,
      `${countsSaid(counts)}: work at the head, and ${contact === null ? 'no contact is named' : `“${contact}” names no rung of contact`}; the instructor says how hard, and both agree.`,
    );
};
