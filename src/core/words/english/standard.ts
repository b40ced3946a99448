import { heldNeeded, type Standard } from '../../syllabus/standard';
import { capital, countOf } from './speak';

const PARTS: Readonly<Record<number, string>> = {
  0.25: 'a quarter',
  0.4: 'two fifths',
  0.5: 'half',
  0.75: 'three quarters',
};
/** How much of an item may fall short: "a quarter", "2 points"; empty where nothing may. */
export function mayFallInWords({ mayFallShort: part }: Pick<Standard, 'mayFallShort'>): string {
  if (part === 0) return '';
  return part >= 1 ? countOf(part, 'point') : (PARTS[part] ?? `${Math.round(part * 100)} in 100`);
}

/** In words: "8 of 10 on 2 days, both sides, seen within 60 days; a quarter may fall short". */
export function standardInWords(s: Standard, sided: boolean): string {
  const need = heldNeeded(s.share, s.repetitions);
  const days = s.days > 1 ? ` on ${s.days} days` : '';
  const sides = !sided ? '' : s.sides === 'both' ? ', both sides' : ', one side';
  const fall = mayFallInWords(s);
  return `${need} of ${s.repetitions}${days}${sides}, seen within ${s.freshDays} days${fall && `; ${fall} may fall short`}`;
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
  say((s) => `${mayFallInWords(s) || 'no point'} may fall short`);
  return out;
}

/** The same for a student: "At least 8 of 10 tries, on 2 different days, left and right. The last within 60 days." */
export function standardPlain(s: Standard, sided: boolean): string {
  const need = heldNeeded(s.share, s.repetitions);
  const tries = need === s.repetitions ? `All ${need} tries` : `At least ${need} of ${s.repetitions} tries`;
  const days = s.days > 1 ? `, on ${s.days} different days` : '';
  const sides = !sided ? '' : s.sides === 'both' ? ', left and right' : ', on one side';
  const fall = mayFallInWords(s);
  const falling = fall && ` ${capital(fall)} of it may fall short, never what is critical.`;
  return `${tries}${days}${sides}. The last within ${s.freshDays} days.${falling}`;
}
