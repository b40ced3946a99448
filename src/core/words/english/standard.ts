import { type Standard, heldNeeded } from '../../syllabus';
import { countOf } from './speak';

/** In words: "8 of 10 on 2 days, both sides, seen within 60 days". */
export function standardInWords(s: Standard, sided: boolean): string {
  const need = heldNeeded(s.share, s.repetitions);
  const days = s.days > 1 ? ` on ${s.days} days` : '';
  const sides = !sided ? '' : s.sides === 'both' ? ', both sides' : ', one side';
  return `${need} of ${s.repetitions}${days}${sides}, seen within ${s.freshDays} days`;
}

/** What makes one standard another, in the order in which it is said; empty where they are the same. */
export function standardChanges(was: Standard, now: Standard): string[] {
  const out: string[] = [];
  const say = (of: (s: Standard) => string) => {
    if (of(was) !== of(now)) out.push(`${of(now)}, was ${of(was)}`);
  };
  say((s) => `${heldNeeded(s.share, s.repetitions)} of ${s.repetitions}`);
  say((s) => `critical points ${heldNeeded(s.criticalShare, s.repetitions)} of ${s.repetitions}`);
  say((s) => (s.days === 1 ? 'on one day' : `on ${s.days} days`));
  say((s) => (s.sides === 'both' ? 'both sides' : 'one side'));
  say((s) => `seen within ${s.freshDays} days`);
  say((s) => (s.mayFallShort === 0 ? 'no point may fall short' : `${countOf(s.mayFallShort, 'point')} may fall short`));
  return out;
}

/** The same for a student: "At least 8 of 10 tries, on 2 different days, left and right. The last within 60 days." */
export function standardPlain(s: Standard, sided: boolean): string {
  const need = heldNeeded(s.share, s.repetitions);
  const tries = need === s.repetitions ? `All ${need} tries` : `At least ${need} of ${s.repetitions} tries`;
  const days = s.days > 1 ? `, on ${s.days} different days` : '';
  const sides = !sided ? '' : s.sides === 'both' ? ', left and right' : ', on one side';
  return `${tries}${days}${sides}. The last within ${s.freshDays} days.`;
}
