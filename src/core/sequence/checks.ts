import { footprint, hallCapacity, type Room } from '../floor/room';
import { crossesMiddle, stanceGeometry, traceFloor, type Body, type Trace } from '../floor/trace';
import { fold } from '../units/fold';
import { ZONES } from '../units/zone';
import { capital, inWords, listInWords, plural } from '../words';
import { isAdvancing, type Action, type BodySide, type Sequence, type Step } from './move';
import { printLine } from './notation/print';
import { familyOf, NO_WORDS, type Vocabulary } from './notation/vocabulary';
import { loopReport } from './operations/loops';
import { postContacts } from './post';
import { kindInWords, tally } from './tally';

export const CHECKS = [
  'closing',
  'sides',
  'heights',
  'families',
  'cut',
  'line turn',
  'feet',
  'stride',
  'stance shift',
  'unknown',
  'retired',
  'rank',
  'answer',
  'leg met by arm',
  'ceiling',
  'level',
  'breath',
  'loop',
  'post',
  'hall',
] as const;
export type CheckName = (typeof CHECKS)[number];

/** What a check found: which counts (1-based, none for the whole), why, and the words under which it can be waived. */
export interface Finding {
  check: CheckName;
  ok: boolean;
  counts: number[];
  text: string;
  /** Stays the same while the counts it speaks of stay as they are. */
  key: string;
}

export interface CheckContext {
  vocabulary: Vocabulary;
  body: Body;
  /** Place of the rank the sequence is for, lowest 0, and the names of all ranks. */
  rank: number | null;
  ranks: readonly string[];
  /** How far from the mark a form may end, in metres. */
  closingAllowed: number;
  hall: { name: string; room: Room; people: number } | null;
  /** Whether a condition goes farther than a ceiling; unknown names are never farther. */
  beyond: (condition: string, ceiling: string) => boolean;
}

export const PLAIN_CONTEXT: CheckContext = {
  vocabulary: NO_WORDS,
  body: { stature: 1.7 },
  rank: null,
  ranks: [],
  closingAllowed: 0.3,
  hall: null,
  beyond: () => false,
};

/** Longest distance between the feet, and longest way of a foot in one step, in statures: common practice, no source. */
const LONGEST_STANCE = 0.85;
const LONGEST_STRIDE = 1.35;
/** Rise or fall of the centre that is seen, in statures: common practice, no source. */
const SEEN_FALL = 0.05;

const metres = (n: number) => n.toFixed(2);
const countsSaid = (c: readonly number[]) => `${plural(c.length, 'Count')} ${listInWords(c.map(String))}`;
const compass = (east: number, north: number) => {
  const names = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];
  return names[Math.round(((Math.atan2(east, north) * 180) / Math.PI + 360) / 45) % 8]!;
};

/**
 * Looks through a sequence for what an instructor would find on the mat. What was looked at and found well is told too,
 * so that one sees what was checked. Checks that do not apply to the kind of sequence are left out.
 */
export function checkSequence(seq: Sequence, context: CheckContext = PLAIN_CONTEXT): Finding[] {
  if (seq.moves.length === 0) return [];
  const trace = traceFloor(seq, context.body);
  const out: Finding[] = [];
  const lines = seq.moves.map((m) => printLine({ ...m, remark: '' }));
  const found = (check: CheckName, ok: boolean, counts: number[], text: string) => {
    const anchor =
      counts.length === 0 ? text.replace(/[\d.]+/g, '#') : counts.map((c) => lines[c - 1] ?? '').join(' / ');
    out.push({ check, ok, counts, text, key: ok ? check : `${check}: ${anchor}` });
  };
  closing(seq, trace, context, found);
  balance(seq, found);
  steps(seq, trace, context, found);
  words(seq, context, found);
  partners(seq, found);
  breath(seq, found);
  if (seq.about.loop) {
    const loop = loopReport(seq);
    for (const u of loop.untrained)
      found(
        'loop',
        false,
        [],
        `Locked to one side: lane ${u.lane} never works with the ${u.side}. Add a count with “switch”.`,
      );
    if (loop.untrained.length === 0) found('loop', true, [], 'Both sides are trained as the loop goes on.');
  }
  const crossed = postContacts(seq).filter((c) => c.crossed);
  for (const c of crossed)
    found(
      'post',
      true,
      [c.count],
      `Count ${c.count}: the ${c.limb} arm crosses to the post’s ${c.part}: a recovery position.`,
    );
  if (context.hall) {
    const capacity = hallCapacity(context.hall.room, footprint(trace), 'together').people;
    const fits = capacity >= context.hall.people;
    found(
      'hall',
      fits,
      [],
      fits
        ? `All ${context.hall.people} fit ${context.hall.name} together.`
        : `${capital(inWords(capacity, 20))} ${capacity === 1 ? 'fits' : 'fit'} ${context.hall.name} together; ${inWords(context.hall.people, 20)} come.`,
    );
  }
  return out;
}

type Found = (check: CheckName, ok: boolean, counts: number[], text: string) => void;

function closing(seq: Sequence, trace: Trace, context: CheckContext, found: Found) {
  if (seq.about.kind !== 'form' || seq.about.lineWork || seq.about.loop) return;
  const { distance, east, north, degrees } = trace.closing;
  const far = distance > context.closingAllowed + 1e-9;
  if (far)
    found(
      'closing',
      false,
      [],
      `It ends ${metres(distance)} m ${compass(east, north)} of the mark; ${metres(context.closingAllowed)} is allowed.`,
    );
  if (degrees !== 0)
    found('closing', false, [], `It ends facing ${Math.abs(degrees)}° ${degrees < 0 ? 'left' : 'right'} of the start.`);
  if (!far && degrees === 0)
    found('closing', true, [], `It closes: ${metres(distance)} m from the mark, facing as at the start.`);
}

function balance(seq: Sequence, found: Found) {
  if (seq.about.kind === 'partner drill') return;
  const t = tally(seq);
  let level = true;
  for (const kind of ['strike', 'block', 'kick', 'weapon cut'] as const) {
    const cells = t.cells.filter((c) => c.kind === kind);
    const [l, r] = [cells.reduce((s, c) => s + c.left, 0), cells.reduce((s, c) => s + c.right, 0)];
    const n = l + r;
    if (n >= 3 && Math.max(l, r) / n > 2 / 3 - 1e-9 && Math.abs(l - r) >= 2) {
      level = false;
      const more = l > r ? 'left' : 'right';
      found(
        'sides',
        false,
        [],
        `${capital(kindInWords(kind, 2))} lean ${more}: ${inWords(Math.max(l, r), 20)} of ${inWords(n, 20)}.`,
      );
    }
  }
  if (level && t.cells.length > 0) found('sides', true, [], 'Left and right are in balance.');
  if (seq.about.kind !== 'form') return;
  const actions = seq.moves.flatMap((m) => m.step.actions);
  const missing = ZONES.filter((z) => !actions.some((a) => (a.zone ?? 'middle') === z));
  if (actions.length >= 8) {
    if (missing.length > 0) found('heights', false, [], `Nothing is done at the ${missing.join(' and the ')} height.`);
    else found('heights', true, [], 'All three heights are trained.');
    const families = new Set(actions.map(familyOf));
    if (!families.has('weapon') && !families.has('foot'))
      found('families', false, [], 'No leg technique: only the hands are trained.');
  }
}

function steps(seq: Sequence, trace: Trace, context: CheckContext, found: Found) {
  const stature = context.body.stature;
  let before = trace.start;
  let feetFine = true;
  const crossed: number[] = [];
  for (const [i, at] of trace.at.entries()) {
    const { step } = seq.moves[i]!;
    const n = i + 1;
    const foot = step.foot;
    const wordOf = (s: BodySide) => `the ${s} foot`;
    const support: BodySide | null = before.lifted === 'left' ? 'right' : before.lifted === 'right' ? 'left' : null;
    const kicks = step.actions.filter((a) => a.kind === 'kick').map((a) => a.side);
    const mover = foot && foot.way !== 'jump' ? foot.side : null;
    if (support && (mover === support || kicks.includes(support)) && step.weight?.start == null) {
      feetFine = false;
      found(
        'feet',
        false,
        [n],
        `Count ${n} moves ${wordOf(support)}, which carries all the weight since count ${n - 1}: set the other down first.`,
      );
    } else if (
      mover &&
      foot!.way !== 'slide' &&
      ((mover === 'left' && at.weightStart === 100) || (mover === 'right' && at.weightStart === 0))
    ) {
      feetFine = false;
      found('feet', false, [n], `Count ${n} moves ${wordOf(mover)}, which carries all the weight.`);
    }
    const gap = Math.hypot(at.left.x - at.right.x, at.left.y - at.right.y);
    if (gap > LONGEST_STANCE * stature) {
      feetFine = false;
      found(
        'stride',
        false,
        [n],
        `Count ${n} sets the feet ${metres(gap)} m apart; a body of ${metres(stature)} m cannot.`,
      );
    }
    if (mover && foot!.way !== 'jump') {
      const way = Math.hypot(at[mover].x - before[mover].x, at[mover].y - before[mover].y);
      if (way > LONGEST_STRIDE * stature) {
        feetFine = false;
        found('stride', false, [n], `Count ${n} carries ${wordOf(mover)} over ${metres(way)} m in one step.`);
      }
    }
    // Between back and front stance the centre crosses the middle between the feet, or nothing was gained (F 14, common practice, no source).
    const lead = (a: typeof at, share: number) => (a.lead === 'left' ? share : a.lead === 'right' ? 100 - share : 50);
    const [g0, g1] = [before.stance, at.stance].map((s) => (s ? stanceGeometry(s, context.body) : null));
    if (
      g0 &&
      g1 &&
      !foot &&
      !step.turn &&
      g0.length > 0 &&
      g1.length > 0 &&
      (g0.leadWeight - 50) * (g1.leadWeight - 50) < 0 &&
      fold(before.stance!) !== fold(at.stance!)
    ) {
      if (!crossesMiddle(at) || lead(at, at.weightEnd) === 50) {
        found(
          'stance shift',
          false,
          [n],
          `Count ${n}: the centre does not cross the middle from ${before.stance!} to ${at.stance!}.`,
        );
      } else crossed.push(n);
    }
    if (seq.about.level) {
      const fall = at.sink - before.sink;
      if (step.level || (i > 0 && Math.abs(fall) > SEEN_FALL && before.stance !== null))
        found(
          'level',
          false,
          [n],
          `Count ${n} ${(step.level ?? (fall > 0 ? 'sink' : 'rise')) === 'sink' ? 'sinks' : 'rises'} where the head stays level.`,
        );
    }
    const cut = step.actions.find((a) => a.kind === 'weapon cut' && (a.side === 'left' || a.side === 'right'));
    if (cut && foot && foot.way === 'step' && foot.side !== cut.side && Math.abs(foot.toward) < 90)
      found(
        'cut',
        false,
        [n],
        `Count ${n}: the cut starts on the ${cut.side} and the ${foot.side} foot steps: that leg stands in the path.`,
      );
    if (seq.about.lineWork && step.turn && Math.abs(step.turn.degrees) >= 90) {
      const strikes = step.actions.some((a) => a.kind === 'strike' || a.kind === 'kick');
      const guards = step.actions.some((a) => a.kind === 'block');
      const wasPunching = seq.moves
        .slice(0, i)
        .some((m) => m.step.actions.some((a) => a.kind === 'strike') && isAdvancing(m.step));
      if (wasPunching && strikes && !guards)
        found('line turn', false, [n], `Count ${n} turns into a strike; line work of punches turns into a low block.`);
    }
    before = at;
  }
  if (crossed.length > 0)
    found('stance shift', true, crossed, `${countsSaid(crossed)}: the centre crosses the middle between the feet.`);
  if (feetFine) found('feet', true, [], 'Every foot that moves is free to move.');
}

function words(seq: Sequence, context: CheckContext, found: Found) {
  const { vocabulary } = context;
  const { rank } = seq.about;
  if (rank !== null && context.ranks.length > 0 && !context.ranks.some((r) => fold(r) === fold(rank)))
    found('rank', false, [], `There is no rank called ${rank}.`);
  if (vocabulary.words.length === 0) return;
  const unknown = new Map<string, { name: string; counts: number[]; stance: boolean }>();
  const retired = new Map<string, { name: string; counts: number[] }>();
  const above = new Map<string, { name: string; rank: string; counts: number[] }>();
  const ceilings = new Map<string, { text: string; counts: number[] }>();
  const add = <T extends { counts: number[] }>(
    map: Map<string, T>,
    key: string,
    make: Omit<T, 'counts'>,
    n: number,
  ) => {
    const known = map.get(key);
    if (!known) map.set(key, { ...make, counts: [n] } as T);
    else if (!known.counts.includes(n)) known.counts.push(n);
  };
  const partnered = seq.about.kind === 'partner drill' || seq.moves.some((m) => m.partner !== null);
  for (const [i, m] of seq.moves.entries()) {
    const n = i + 1;
    const all: Step[] = [
      m.step,
      ...(m.partner ? [m.partner] : []),
      ...m.variants.map((v) => v.step),
      ...m.branches.flatMap((b) => b.steps),
    ];
    for (const s of all) {
      const names = [
        ...s.actions.map((a) => ({ name: a.name, stance: false })),
        ...(s.stance ? [{ name: s.stance, stance: true }] : []),
      ];
      for (const { name, stance } of names) {
        const word = vocabulary.find(name);
        const key = fold(name);
        if (!word) {
          if (!stance || !stanceGeometry(name, context.body)) add(unknown, key, { name, stance }, n);
          continue;
        }
        if (word.retired) add(retired, key, { name }, n);
        if (context.rank !== null && word.rank !== null && word.rank > context.rank)
          add(above, key, { name, rank: context.ranks[word.rank] ?? '' }, n);
        const c = word.ceiling;
        if (!c) continue;
        if (partnered && c.kind === 'equipment only')
          add(ceilings, key, { text: `${capital(name)} is for equipment only, never with a partner` }, n);
        else if (c.condition && seq.about.condition && context.beyond(seq.about.condition, c.condition))
          add(
            ceilings,
            key,
            { text: `${capital(name)} goes no farther than ${c.condition}; this is ${seq.about.condition}` },
            n,
          );
      }
    }
  }
  for (const u of unknown.values()) {
    const near = vocabulary.near(u.name, (w) => (w.kind === 'stance') === u.stance);
    found(
      'unknown',
      false,
      u.counts,
      `${countsSaid(u.counts)}: “${u.name}” is not in the library${near.length > 0 ? `; near it: ${near.join(', ')}` : ''}.`,
    );
  }
  if (unknown.size === 0) found('unknown', true, [], 'Every technique is in the library.');
  for (const r of retired.values()) found('retired', false, r.counts, `${countsSaid(r.counts)}: ${r.name} is retired.`);
  for (const a of above.values())
    found(
      'rank',
      false,
      a.counts,
      `${countsSaid(a.counts)}: ${a.name} belongs to ${a.rank}, above ${context.ranks[context.rank!] ?? ''}.`,
    );
  if (context.rank !== null && above.size === 0)
    found('rank', true, [], `No step, stance or technique above ${context.ranks[context.rank] ?? 'its rank'}.`);
  for (const c of ceilings.values()) found('ceiling', false, c.counts, `${countsSaid(c.counts)}: ${c.text}.`);
}

/** Whether a defence can meet an attack, or why not (F 9, F 11; common practice, no source). */
export function cannotMeet(attack: Action, defence: Step): string | null {
  const zone = attack.zone ?? 'middle';
  const block = defence.actions.find((a) => a.kind === 'block');
  const away = defence.foot !== null && Math.abs(defence.foot.toward) >= 30;
  if (attack.kind === 'kick') {
    if (block && !away) return 'an arm does not stop a leg: go back and lead it past';
    return null;
  }
  if (!block) return null;
  const at = block.zone ?? 'middle';
  if (at !== zone) return `a block at the ${at} height does not meet an attack at the ${zone}`;
  // Face to face, the attacker's right comes to the defender's left. An outer block starts at the centre and moves out.
  const comes = attack.side === 'left' ? 'right' : attack.side === 'right' ? 'left' : null;
  if (comes && /\bouter\b/i.test(block.name) && block.side !== 'none' && block.side !== 'both' && block.side !== comes)
    return `an outer block with the ${block.side} moves away from an attack with the ${attack.side}`;
  return null;
}

function partners(seq: Sequence, found: Found) {
  let attacks = 0;
  let met = true;
  for (const [i, m] of seq.moves.entries()) {
    if (!m.partner) continue;
    const attack = m.step.actions.find((a) => a.kind === 'strike' || a.kind === 'kick' || a.kind === 'weapon cut');
    if (!attack) continue;
    attacks++;
    const why = cannotMeet(attack, m.partner);
    if (!why) continue;
    met = false;
    found(attack.kind === 'kick' ? 'leg met by arm' : 'answer', false, [i + 1], `Count ${i + 1}: ${why}.`);
  }
  if (attacks > 0 && met) found('answer', true, [], 'Every answer reaches its attack.');
}

function breath(seq: Sequence, found: Found) {
  const strikes = seq.moves.flatMap((m, i) =>
    m.step.actions.some((a) => a.kind === 'strike' || a.kind === 'kick') ? [{ n: i + 1, breath: m.step.breath }] : [],
  );
  if (strikes.length === 0 || !seq.moves.some((m) => m.step.breath !== null)) return;
  const inward = strikes.filter((s) => s.breath === 'in').map((s) => s.n);
  if (!strikes.some((s) => s.breath === 'out'))
    found(
      'breath',
      false,
      strikes.map((s) => s.n),
      'The breath never goes out on a strike.',
    );
  else if (inward.length > 0) found('breath', false, inward, `${countsSaid(inward)}: the breath goes in on a strike.`);
  else found('breath', true, [], 'The breath goes out on the strikes.');
}
