import { addMonths as addMonthsOfLibrary, differenceInMonths, parseISO } from 'date-fns';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayInWords } from '../words/english/day';
import { conditionOrder, countsFor } from './condition';
import { addDays, addMonths, ageOn, daysBetween, monthsBetween, readDate } from './plainDate';

const aDate = fc.integer({ min: 0, max: 60_000 }).map((n) => addDays('1950-01-01', n));

describe('dates', () => {
  it.each([
    ['2010-05-04', '2010-05-04'],
    ['4 May 2010', '2010-05-04'],
    ['4th  May, 2010', '2010-05-04'],
    ['May 4, 2010', '2010-05-04'],
    ['4.5.2010', '2010-05-04'],
    ['25/12/2010', '2010-12-25'],
    ['12/25/2010', '2010-12-25'],
    ['29 Feb 2012', '2012-02-29'],
  ])('reads %s', (text, date) => expect(readDate(text)).toEqual({ ok: true, value: date }));

  it.each([
    ['4.5.12', '2012-05-04'],
    ['4 May 60', '1960-05-04'],
    ['25/12/25', '2025-12-25'],
    ['28.11.26', '2026-11-28'],
    ['29.11.26', '1926-11-29'],
    ['29 Feb 00', '2000-02-29'],
  ])('reads %s as the last such day', (text, date) =>
    expect(readDate(text, '2026-11-28')).toEqual({ ok: true, value: date }),
  );
  it('a day that may come is of this century', () =>
    expect(readDate('1.12.26')).toEqual({ ok: true, value: '2026-12-01' }));

  it.each([
    ['31 Feb 2012', 'February has no 31st.'],
    ['29 Feb 2011', 'February has no 29th in 2011.'],
    ['2010-13-01', 'There is no month 13.'],
    ['31.4.2010', 'April has no 31st.'],
    ['4/5/2010', '“4/5/2010” can be read two ways. Write 4 May 2010 or 2010-05-04.'],
    ['4/5/60', '“4/5/60” can be read two ways. Write 4 May 2060 or 2060-05-04.'],
    ['soon', '“soon” is no date that can be read. Write 4 May 2010 or 2010-05-04.'],
    ['4 Brumaire 2010', '“Brumaire” is no month.'],
    ['4 May 210', '“4 May 210” is no date that can be read. Write 4 May 2010 or 2010-05-04.'],
  ])('says what is wrong with %s', (text, error) => expect(readDate(text)).toEqual({ ok: false, error }));

  // An independent implementation: the registry's date-fns.
  it('counts months as date-fns does', () => {
    fc.assert(
      fc.property(aDate, fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 20_000 }), (d, months, days) => {
        const later = addMonthsOfLibrary(parseISO(`${d}T12:00:00Z`), months)
          .toISOString()
          .slice(0, 10);
        expect(addMonths(d, months)).toBe(later);
        const to = addDays(d, days);
        expect(daysBetween(d, to)).toBe(days);
        const theirs = differenceInMonths(parseISO(to), parseISO(d));
        const ours = monthsBetween(d, to);
        // date-fns does not count a short month as over on its last day unless both ends are month ends, and takes the 28th
        // of February for such a day also where there is a 29th.
        const leap =
          to.endsWith('-02-28') && addDays(to, 1).endsWith('-02-29') && addMonths(d, theirs) === addDays(to, 1);
        expect(ours === theirs || addMonths(d, ours) === to || leap).toBe(true);
      }),
    );
  });

  it('gives ages on the day, also for those born on 29 February', () => {
    expect(ageOn('2012-06-01', '2026-05-31')).toBe(13);
    expect(ageOn('2012-06-01', '2026-06-01')).toBe(14);
    expect(ageOn('2012-02-29', '2026-02-28')).toBe(14);
    expect(dayInWords('2026-01-29', '2026-03-05')).toBe('29 January');
    expect(dayInWords('2025-12-29', '2026-03-05')).toBe('29 December 2025');
  });
});

describe('the order of conditions', () => {
  it('refuses a circle and names a condition on it', () => {
    const made = conditionOrder(
      ['air', 'wall', 'target'],
      [
        { easier: 'air', harder: 'wall' },
        { easier: 'wall', harder: 'target' },
        { easier: 'target', harder: 'air' },
      ],
    );
    expect(made.ok).toBe(false);
    expect(!made.ok && ['air', 'wall', 'target'].includes(made.error.circleAt)).toBe(true);
  });

  it('is partial: two branches do not count for each other', () => {
    const made = conditionOrder(
      ['lying', 'air', 'wall'],
      [
        { easier: 'lying', harder: 'air' },
        { easier: 'lying', harder: 'wall' },
      ],
    );
    if (!made.ok) throw new Error();
    expect(countsFor(made.value, 'wall', 'lying')).toBe(true);
    expect(countsFor(made.value, 'lying', 'wall')).toBe(false);
    expect(countsFor(made.value, 'wall', 'air')).toBe(false);
  });
});
