import { fold } from '../../units/fold';
import { isEmptyStep, SEQUENCE_KINDS, type About, type Action, type Move, type Sequence, type Step } from '../move';
import {
  directionWords,
  KIND_NOTES,
  PART_WORDS,
  PATH_WORDS,
  SIDE_WORDS,
  sideLetter,
  STANCE_SHORT,
  ZONE_MODIFIERS,
} from './lexicon';
import { printOnly } from './only';
import { kindInName, NO_WORDS, zoneInName, type Vocabulary } from './vocabulary';

/** Heights as they are written in a line. */
export const ZONE_PRINTED = { upper: 'high', middle: 'mid', lower: 'low' } as const;
const KIND_PRINTED = Object.fromEntries(
  Object.entries(KIND_NOTES)
    .reverse()
    .map(([word, kind]) => [kind, word]),
);

/** Quotes a name that would be read as something else. */
function quotedName(name: string): string {
  const words = name.split(/\s+/);
  const last = fold(words.at(-1) ?? '');
  const first = fold(words[0] ?? '');
  const plain =
    words.join(' ') === name &&
    name !== '' &&
    !/[,;|+#"()，、｜]/.test(name) &&
    !/^[=~?>!\d-]/.test(name) &&
    !name.includes(':') &&
    !PART_WORDS.has(first) &&
    !(first in ZONE_MODIFIERS && words.length === 1) &&
    !words.slice(1).some((w) => fold(w) === 'at' || fold(w) === 'foot') &&
    !(last in SIDE_WORDS) &&
    !(words.length > 1 && (last in ZONE_MODIFIERS || PATH_WORDS.includes(last))) &&
    last !== 'stance' &&
    !STANCE_SHORT.includes(fold(name)) &&
    name === name.trim();
  return plain ? name : `"${name}"`;
}

export function printAction(a: Action, vocabulary: Vocabulary = NO_WORDS): string {
  const parts = [quotedName(a.name)];
  if (kindInName(a.name, vocabulary) !== a.kind) parts.push(`(${KIND_PRINTED[a.kind]!})`);
  if (a.side !== 'none') parts.push(a.side === 'both' ? 'both' : sideLetter(a.side));
  if (a.zone !== zoneInName(a.name, vocabulary)) parts.push(a.zone === null ? 'anywhere' : ZONE_PRINTED[a.zone]);
  if (a.path) parts.push(a.path);
  if (a.target) parts.push(`at ${quotedWords(a.target)}`);
  return parts.join(' ');
}

/** Free words inside a part: quoted if they hold a sign of the notation. */
const quotedWords = (text: string): string =>
  /[,;|+#"()，、｜]/.test(text) || text !== text.split(/\s+/).join(' ') ? `"${text}"` : text;

export function printStance(stance: string, lead: Step['lead'], vocabulary: Vocabulary = NO_WORDS): string {
  const folded = fold(stance);
  const words = folded.split(' ');
  const known =
    (words.length > 1 && words.at(-1) === 'stance' && !/[,;|+#"()，、｜]/.test(stance) && words[0] !== 'stand') ||
    vocabulary.find(stance)?.kind === 'stance';
  const side = lead ? ` ${sideLetter(lead)}` : '';
  const sideLast = (words.at(-1) ?? '') in SIDE_WORDS;
  return known ? `${stance}${side}` : `stand ${sideLast ? `"${stance}"` : quotedWords(stance)}${side}`;
}

/** One count of one performer in the words of the notation. */
export function printStep(s: Step, vocabulary: Vocabulary = NO_WORDS): string {
  const parts: string[] = [];
  const crossing = s.turn?.by === 'cross' && s.foot?.way === 'step' && s.foot.toward === 0;
  if (s.turn) {
    const way = s.turn.by === 'pivot' ? ' in place' : s.turn.by === 'cross' && !crossing ? ' across' : '';
    parts.push(`turn ${s.turn.degrees < 0 ? 'L' : 'R'} ${Math.abs(s.turn.degrees)}${way}`);
  }
  if (s.foot) {
    const { side, way, toward } = s.foot;
    const letter = sideLetter(side);
    if (crossing) parts.push(`${letter} foot across`);
    else if (s.turn && way === 'step' && toward === 0) parts.push(`${letter} foot`);
    else parts.push([way, letter, directionWords(toward)].filter(Boolean).join(' '));
  }
  if (s.stance) parts.push(printStance(s.stance, s.lead, vocabulary));
  if (s.actions.length > 0) parts.push(s.actions.map((a) => printAction(a, vocabulary)).join(' + '));
  if (s.free) parts.push('free');
  if (s.cue) parts.push(`cue ${quotedWords(s.cue)}`);
  if (s.weight) {
    const both = (left: number) => `${left}/${100 - left}`;
    parts.push(`weight ${s.weight.start === null ? '' : `${both(s.weight.start)} > `}${both(s.weight.end)}`);
  }
  if (s.level) parts.push(s.level);
  for (const way of s.powers) parts.push(`power ${way}`);
  if (s.tempo) parts.push(s.tempo);
  if (s.breath) parts.push(s.breath);
  if (s.shout) parts.push('shout');
  return parts.join(', ') || '-';
}

/** The line of a count: both lanes, the switching, the remark. */
export function printLine(move: Move, vocabulary: Vocabulary = NO_WORDS): string {
  let a = printStep(move.step, vocabulary);
  if (move.swaps) a = isEmptyStep(move.step) ? 'switch' : `${a}, switch`;
  const b = move.partner === null ? '' : ` | ${printStep(move.partner, vocabulary)}`;
  return `${a}${b}${move.remark ? ` # ${move.remark}` : ''}`;
}

/** All lines of a move: its comments and headings, its count, its variants and branches. */
export function printMove(move: Move, vocabulary: Vocabulary = NO_WORDS): string[] {
  return [
    ...move.begins.map((b) => `=${b.sectioning === 1 ? '' : b.sectioning} ${b.name}`),
    ...move.notes.map((n) => `# ${n}`.trimEnd()),
    printLine(move, vocabulary),
    ...move.points.map((p) => `!${p.between ? '>' : ''}${p.felt ? ' (felt)' : ''}${printOnly(p.only)} ${p.name}`),
    ...move.variants.map(
      (x) => `~${x.graded ? '*' : ''} ${x.school}${printOnly(x.only)}: ${printStep(x.step, vocabulary)}`,
    ),
    ...move.branches.flatMap((b) => [`? ${b.when}`, ...b.steps.map((s) => `> ${printStep(s, vocabulary)}`)]),
  ];
}

function printAbout(a: About): string[] {
  const lines: string[] = [];
  if (a.title) lines.push(`title: ${a.title}`);
  if (a.kind !== SEQUENCE_KINDS[0]) lines.push(`kind: ${a.kind}`);
  if (a.rank) lines.push(`rank: ${a.rank}`);
  for (const s of a.sectionings) lines.push(`sections ${s.sectioning}: ${s.name}`);
  if (a.level) lines.push('level: yes');
  if (a.lineWork) lines.push('line work: yes');
  if (a.loop) lines.push('loop: yes');
  if (a.apart) lines.push('orders: apart');
  if (a.condition) lines.push(`condition: ${a.condition}`);
  if (a.contact) lines.push(`contact: ${a.contact}`);
  if (a.players !== null) lines.push(`players: ${a.players}`);
  if (a.seconds !== null) lines.push(`round: ${a.seconds} s`);
  for (const n of a.names) lines.push(`also: ${n.school}: ${n.name}`);
  for (const who of a.lineage) lines.push(`handed on by: ${who}`);
  return lines;
}

/** The text of a sequence, such that reading it gives the sequence again. */
export function printSequence(sequence: Sequence, vocabulary: Vocabulary = NO_WORDS): string {
  const about = printAbout(sequence.about);
  const lines = [
    ...about,
    ...(about.length > 0 && sequence.moves.length > 0 ? [''] : []),
    ...sequence.moves.flatMap((m, i) => {
      const printed = printMove(m, vocabulary);
      return m.begins.length > 0 && i > 0 ? ['', ...printed] : printed;
    }),
    ...sequence.closing.map((c) => `# ${c}`.trimEnd()),
  ];
  return lines.length > 0 ? lines.join('\n') + '\n' : '';
}
