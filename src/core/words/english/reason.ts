import type { Reader } from '../../evidence';
import type { PointVerdict, Verdict } from '../../evidence/verdict';
import { fromDayNumber, type PlainDate } from '../../units/plainDate';
import { dayInWords } from './day';
import { capital, countOf, inWords, onSide } from './speak';

// Only part of a look may fit the window, so that counts can be fractions: in words what is whole, never more than was held.
const figure = (n: number) => String(Math.floor(n + 1e-9));

function minimum(v: PointVerdict, repetitions: number): number {
  return Math.ceil(v.share * repetitions - 1e-9);
}

/** What is wrong at one point on one side, as a sentence with its numbers. */
function pointReason(v: PointVerdict, verdict: Verdict, asked: ReasonContext): string {
  const { repetitions, days, freshDays } = asked.standard;
  const { held, of, available } = v.window;
  const name = capital(v.point.name);
  switch (v.failing) {
    case 'share': {
      const last = of === 1 ? 'the one repetition seen' : `the last ${figure(of)}`;
      return `${name} held in ${figure(held)} of ${last}${onSide(v.side)}; needs ${minimum(v, repetitions)} of ${repetitions}.`;
    }
    case 'side':
      return `${name} has not been watched${onSide(v.side)} yet; needs ${repetitions} repetitions there.`;
    case 'count':
      return available === 0
        ? `${name} has not been watched yet; needs ${repetitions} repetitions.`
        : `${name} held ${figure(held)} of ${figure(of)}${onSide(v.side)}, but only ${figure(available)} of ${repetitions} repetitions have been watched.`;
    case 'days': {
      const span = v.window.days === 1 ? 'one day' : `${inWords(v.window.days, 12)} days`;
      return `${name} held ${figure(held)} of ${figure(of)}${onSide(v.side)}, but on ${span}; needs ${inWords(days, 12)} days.`;
    }
    case 'date': {
      const last = v.window.newest === null ? '' : dayInWords(fromDayNumber(v.window.newest), asked.today);
      const all = verdict.points.filter((p) => p.failing === 'date').length > 1;
      return `Held well, but ${all ? '' : `${v.point.name} was `}last seen ${last}; needs a look within ${freshDays} days.`;
    }
    case null:
      return thinnest(v, verdict, asked.reader ?? 'teacher');
  }
}

/** For what is met: the thinnest point on each side, and over how many days. */
function thinnest(worst: PointVerdict, verdict: Verdict, reader: Reader): string {
  const bySide = verdict.points.filter((p) => p.point.id === worst.point.id);
  const days = Math.min(...bySide.map((p) => p.window.days));
  const over = days === 1 ? 'on one day' : `over ${inWords(days, 12)} days`;
  const shares = bySide
    .map((p) => `${figure(p.window.held)} of ${figure(p.window.of)}${p.side === 'none' ? '' : ` ${p.side}`}`)
    .join(', ');
  const clean = verdict.points.every((p) => p.window.held >= p.window.of - 1e-9);
  if (clean) return `No slip in ${shares}, ${over}.`;
  return `${reader === 'teacher' ? 'Thinnest' : 'Least sure'}: ${worst.point.name}, ${shares}, ${over}.`;
}

export interface ReasonContext {
  standard: { repetitions: number; days: number; freshDays: number };
  today: PlainDate;
  /** How the condition asked for is called, for what has only been seen in an easier one. */
  conditionName: string;
  seenElsewhere?: boolean;
  /** For whom it is said; left out: for those who teach. */
  reader?: Reader;
}

/** The reason for a verdict in one sentence with its numbers, naming the point that decides. */
export function reasonInWords(verdict: Verdict, asked: ReasonContext): string {
  if (verdict.worst === null)
    return verdict.word === 'met' ? 'Every point is waived for this student.' : 'It has no points to look at yet.';
  if (verdict.word === 'unseen')
    return asked.seenElsewhere
      ? `Nobody has watched it yet as asked: ${asked.conditionName}.`
      : 'Nobody has watched it yet.';
  const first = pointReason(verdict.worst, verdict, asked);
  const { side } = verdict.worst;
  const otherStands =
    side !== 'none' &&
    verdict.word !== 'met' &&
    verdict.points.some((p) => p.side !== side) &&
    verdict.points.every((p) => p.side === side || p.looksNeeded === 0);
  return otherStands ? `${first} ${side === 'left' ? 'Right' : 'Left'} is met.` : first;
}

/** What would change a verdict, in words. */
export function changeInWords(verdict: Verdict, repetitions: number): string {
  const n = verdict.looksNeeded;
  if (verdict.worst === null || n === 0) return '';
  if (verdict.word === 'stale') return 'One clean look makes it met again.';
  const size = countOf(repetitions, 'repetition');
  if (n === 1) return `One clean look of ${size} would settle it.`;
  return `${capital(inWords(n, 12))} clean looks of ${size}, each on another day, would settle it.`;
}
