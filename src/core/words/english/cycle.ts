import type { Help } from '../../cycle/helps';
import type { Cycle, CycleClass, CycleEnd } from '../../cycle/model';
import type { CycleStage } from '../../cycle/planCycle';
import type { PinTrouble } from '../../cycle/problem';
import type { PlainDate } from '../../units';
import { dayInWords, weekdayInWords } from './day';
import { countOf, listInWords } from './speak';

export const CYCLE_END_WORDS: Readonly<Record<CycleEnd, string>> = {
  grading: 'grading',
  midterm: 'midterm',
  'end of term': 'end of term',
};

const STAGES: Readonly<Record<CycleStage, string>> = {
  'a first whole plan': 'A first whole plan stands; it is made better.',
  'how many minutes fit': 'How many minutes can fit at all?',
  'closer together': 'Bringing closer together what lies too far apart.',
  'how good it can be': 'How much better could any plan be?',
  'few changes': 'The same with fewer changes.',
  done: '',
};
export const cycleStageInWords = (stage: CycleStage): string => STAGES[stage];

/** Whether everything fits, and what became of the class that was lost last. */
export function cycleAnswerInWords(
  cycle: Cycle,
  {
    short,
    spare,
    lost: last,
    today,
  }: {
    short: number;
    spare: number;
    /** Its minutes, and how many of them found another place. */
    lost: (Pick<CycleClass, 'day' | 'off'> & { lost: number; found: number }) | null;
    today: PlainDate;
  },
): string {
  if (cycle.rows.length === 0) return 'Nothing is to be worked at yet.';
  if (!cycle.result) return 'It is not planned yet.';
  const answer =
    short === 0
      ? `Yes: everything fits${spare > 0 ? `, and ${countOf(spare, 'minute')} are free` : ''}.`
      : `Not quite: ${countOf(short, 'minute')} are short.`;
  if (!last || last.lost === 0) return answer;
  const was = `${weekdayInWords(last.day)} ${dayInWords(last.day, today)} was lost${last.off ? ` (${last.off})` : ''}`;
  return `${answer} ${was}; of its ${countOf(last.lost, 'minute')} ${last.found === 0 ? 'none' : last.found} found another place.`;
}

/** How far the plan is from what can be, in one line; `short`: what is missing now, in minutes. */
export function provenInWords(cycle: Cycle, short: number): string {
  const r = cycle.result;
  if (!r) return '';
  const stopped = r.stopped ? 'It was stopped early.' : '';
  const minutes =
    r.shortAtLeast === null || r.short !== short
      ? 'It has changed since it was planned; planned again, more may fit.'
      : short > r.shortAtLeast
        ? `At best ${countOf(short - r.shortAtLeast, 'minute')} more could fit.`
        : short > 0
          ? 'Proven: no plan for these classes is less short.'
          : '';
  const apart =
    r.apartAtLeast !== null && r.short === short && r.apart > r.apartAtLeast
      ? `At best ${r.apart - r.apartAtLeast} fewer stretches would be too long.`
      : '';
  return [stopped, minutes, apart].filter((t) => t !== '').join(' ');
}

/** What might help, and by what. */
export function helpInWords(
  h: Help,
  rowName: (id: string) => string,
  today: PlainDate,
): { says: string; more: string } {
  const on = (day: PlainDate) => `${weekdayInWords(day)} ${dayInWords(day, today)}`;
  switch (h.kind) {
    case 'open':
      return { says: `Open on ${on(h.day)}`, more: `one class more; now: ${h.why}` };
    case 'one more':
      return { says: `A class on ${on(h.day)}`, more: `${countOf(h.minutes, 'minute')}` };
    case 'longer':
      return {
        says: `${countOf(h.by, 'minute')} more on ${countOf(h.days.length, weekdayInWords(h.days[0]!))}`,
        more: listInWords(h.days.map((d) => dayInWords(d, today))),
      };
    case 'shorter frame':
      return { says: 'Shorter opening and close', more: `${countOf(h.by, 'minute')} a class` };
    case 'later':
      return { says: `${rowName(h.row)} after the day`, more: 'left out of these weeks' };
    case 'fewer':
      return { says: `${rowName(h.row)} asked for ${h.to} min`, more: `not ${h.from}` };
    case 'all fewer':
      return { says: 'A little less of everything', more: `${Math.round(h.share * 100)} % of what is left to do` };
  }
}

const PIN: Readonly<Record<PinTrouble['why'], string>> = {
  off: 'there is no class',
  weekday: 'it does not come on that weekday',
  'too early': 'it is not to come so early',
  'before what opens it': 'what has to be there before is not',
  'too much': 'more is pinned than the class has',
  'not a length': 'it is no multiple of five minutes',
};

/** A pin that stands against something else. */
export const pinTroubleInWords = (t: PinTrouble, rowName: string, day: string): string =>
  `${rowName} is pinned on ${day}, but ${PIN[t.why]}.`;
