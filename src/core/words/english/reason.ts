import type { Reader } from '../../evidence/reader';
import { lostUnder, type Stood } from '../../evidence/shown';
import type { PointVerdict, Verdict } from '../../evidence/verdict';
import { heldNeeded, type Purpose, type Requirement, type Standard } from '../../syllabus/standard';
import { fromDayNumber, type PlainDate } from '../../units/plainDate';
import { dayInWords } from './day';
import { capital, countOf, inWords, listInWords, low, onSide, plural } from './speak';

// Only part of a look may fit the window, so that counts can be fractions: in words what is whole, never more than was held.
const figure = (n: number) => String(Math.floor(n + 1e-9));
const of = (s: Pick<Stood, 'held' | 'of'>) => `${figure(s.held)} of ${figure(s.of)}`;

export interface ReasonContext {
  standard: Pick<Standard, 'repetitions' | 'days' | 'freshDays'>;
  /** What is asked, to say why a look does not count for it. */
  asked: Pick<Requirement, 'conditionId' | 'purpose' | 'stage'>;
  /** How a condition is called. */
  conditionName: (id: string) => string;
  today: PlainDate;
  /** For whom it is said; left out: for those who teach. */
  reader?: Reader;
}

const FOR: Readonly<Record<Purpose, string>> = { show: 'for a showing', study: 'for study' };

/** What was seen and does not count, and why: "5 of 5 in air; still target is asked". */
function asideInWords({ aside }: PointVerdict, { asked, conditionName }: ReasonContext): string | null {
  if (!aside) return null;
  const { entry, because } = aside;
  const held = of(entry);
  switch (because) {
    case 'condition':
      return `${held} ${conditionName(entry.conditionId)}; ${conditionName(asked.conditionId)} is asked`;
    case 'purpose':
      return `${held}${entry.purpose ? ` ${FOR[entry.purpose]}` : ', nobody said what for'}; ${FOR[asked.purpose!]} is asked`;
    case 'stage':
      return `${held} ${entry.stage!}; ${asked.stage!} is asked`;
  }
}

/** What is wrong at one point on one side, as a sentence with its numbers. */
function pointReason(v: PointVerdict, verdict: Verdict, context: ReasonContext): string {
  const { repetitions, days, freshDays } = context.standard;
  const { window } = v;
  const name = capital(v.point.name);
  const needed = `${heldNeeded(v.share, repetitions)} of ${repetitions}`;
  const been = v.point.kind === 'felt' ? 'told' : 'watched';
  const day = (n: number) => dayInWords(fromDayNumber(n), context.today);
  const elsewhere = asideInWords(v, context);
  const asAsked = elsewhere ? ` as asked: ${elsewhere}.` : null;
  switch (v.failing) {
    case 'share': {
      if (v.lost) {
        const { shown, fell } = v.lost;
        const now = of(fell) === of(window) ? '' : `; now ${of(window)}`;
        return `${name} was shown ${day(shown.day)}, ${of(shown)}${onSide(v.side)}, and lost ${day(fell.day)} at ${of(fell)}${now}; needs ${needed} again.`;
      }
      const last = window.of === 1 ? 'the one repetition seen' : `the last ${figure(window.of)}`;
      return `${name} held in ${figure(window.held)} of ${last}${onSide(v.side)}; needs ${needed}.`;
    }
    case 'side':
      return `${name} has not been ${been}${onSide(v.side)} yet${asAsked ?? `; needs ${repetitions} repetitions there.`}`;
    case 'count':
      return window.available === 0
        ? `${name} has not been ${been} yet${asAsked ?? `; needs ${repetitions} repetitions.`}`
        : `${name} held ${of(window)}${onSide(v.side)}, but only ${figure(window.available)} of ${repetitions} repetitions have been ${been}.`;
    case 'days': {
      const span = window.days === 1 ? 'one day' : `${inWords(window.days, 12)} days`;
      return `${name} held ${of(window)}${onSide(v.side)}, but on ${span}; needs ${inWords(days, 12)} days.`;
    }
    case 'date': {
      const last = window.newest === null ? '' : day(window.newest);
      const all = verdict.points.filter((p) => p.failing === 'date').length > 1;
      return `Held well, but ${all ? '' : `${v.point.name} was `}last seen ${last}; needs a look within ${freshDays} days.`;
    }
    case null:
      return thinnest(v, verdict, context);
  }
}

/** Whether it is shown still, though the newest window alone would not show it. */
const isCarried = (p: PointVerdict) => p.shown !== null && p.window.held < p.share * p.window.of - 1e-9;
const lostAt = (p: PointVerdict, repetitions: number) => heldNeeded(lostUnder(p.share, p.point.critical), repetitions);

/** For what is met: the thinnest point on each side, over how many days, and what falls short and may. */
function thinnest(worst: PointVerdict, verdict: Verdict, context: ReasonContext): string {
  const teacher = (context.reader ?? 'teacher') === 'teacher';
  const bySide = verdict.points.filter((p) => p.point.id === worst.point.id && p.looksNeeded === 0);
  const days = Math.min(...bySide.map((p) => p.window.days));
  const over = days === 1 ? 'on one day' : `over ${inWords(days, 12)} days`;
  const shares = bySide.map((p) => `${of(p.window)}${p.side === 'none' ? '' : ` ${p.side}`}`).join(', ');
  const clean = verdict.points.every((p) => p.window.held >= p.window.of - 1e-9 && p.looksNeeded === 0);
  if (clean) return `No slip in ${shares}, ${over}.`;
  const { repetitions } = context.standard;
  const least = isCarried(worst)
    ? `${worst.point.name}${onSide(worst.side)}, shown ${dayInWords(fromDayNumber(worst.shown!.day), context.today)}, ${of(worst.shown!)}; now ${of(worst.window)}, lost under ${lostAt(worst, repetitions)}`
    : `${worst.point.name}, ${shares}, ${over}`;
  const fallen = [...new Set(verdict.fallen.map((p) => low(p.point.name)))];
  const may =
    fallen.length === 0
      ? ''
      : ` ${capital(listInWords(fallen, 3))} ${plural(fallen.length, 'falls', 'fall')} short, as ${inWords(verdict.mayFall, 12)} may.`;
  return `${teacher ? 'Thinnest' : 'Least sure'}: ${least}.${may}`;
}

/** The reason for a verdict in one sentence with its numbers, naming the point that decides. */
export function reasonInWords(verdict: Verdict, context: ReasonContext): string {
  const { worst } = verdict;
  if (worst === null)
    return verdict.word === 'met' ? 'Every point is waived for this student.' : 'It has no points to look at yet.';
  if (verdict.word === 'unseen') {
    const told = verdict.points.every((p) => p.point.kind === 'felt');
    const nobody = `Nobody has ${told ? 'told' : 'watched'} it yet`;
    const elsewhere = verdict.points.map((p) => asideInWords(p, context)).find((x) => x !== null);
    return elsewhere ? `${nobody} as asked: ${elsewhere}.` : `${nobody}.`;
  }
  const first = pointReason(worst, verdict, context);
  const open = new Set(verdict.points.flatMap((p) => (p.looksNeeded > 0 && !p.point.critical ? [p.point.id] : [])));
  const falling =
    verdict.mayFall > 0 && worst.failing === 'share' && !worst.point.critical
      ? ` ${capital(countOf(verdict.mayFall, 'point'))} may fall short; ${inWords(open.size, 12)} ${plural(open.size, 'does', 'do')}.`
      : '';
  const { side } = worst;
  const otherStands =
    side !== 'none' &&
    verdict.word !== 'met' &&
    verdict.points.some((p) => p.side !== side) &&
    verdict.points.every((p) => p.side === side || p.looksNeeded === 0);
  return `${first}${falling}${otherStands ? ` ${side === 'left' ? 'Right' : 'Left'} is met.` : ''}`;
}

/** What would change a verdict, in words; empty where nothing is near. */
export function changeInWords(verdict: Verdict, usual: number, repetitions: number): string {
  const n = verdict.looksNeeded;
  const { worst } = verdict;
  if (worst === null) return '';
  if (n === 0)
    return isCarried(worst)
      ? `It is lost where fewer than ${lostAt(worst, repetitions)} of the last ${repetitions} hold.`
      : '';
  const size = countOf(usual, 'repetition');
  if (verdict.word === 'stale' && n === 1) return 'One clean look makes it met again.';
  const does = worst.lost || verdict.word === 'stale' ? 'would show it again' : 'would settle it';
  if (n === 1) return `One clean look of ${size} ${does}.`;
  return `${capital(inWords(n, 12))} clean looks of ${size}, each on another day, ${does}.`;
}
