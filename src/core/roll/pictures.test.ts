import { describe, expect, it } from 'vitest';
import { addDays } from '../units/plainDate';
import { isPictureKept, mayKeepPictures } from './pictures';

const TODAY = '2026-11-30';
const may = (agreed: boolean, guardian: string, born: string | null) =>
  mayKeepPictures({ agreed, guardian }, born, TODAY, 18);

describe('pictures kept on a device', () => {
  it('need a word: nothing said is no', () => {
    expect(mayKeepPictures(undefined, '1980-01-01', TODAY, 18)).toBe(false);
    expect(may(false, '', '1980-01-01')).toBe(false);
    expect(may(true, '', '1980-01-01')).toBe(true);
  });

  it('need a guardian’s word of a minor, and of anybody whose age is not known', () => {
    expect(may(true, '', '2014-05-01')).toBe(false);
    expect(may(true, ' ', '2014-05-01')).toBe(false);
    expect(may(true, 'R. Quill', '2014-05-01')).toBe(true);
    expect(may(false, 'R. Quill', '2014-05-01')).toBe(false);
    expect(may(true, '', null)).toBe(false);
    // The day before the birthday, and the birthday.
    expect(may(true, '', '2008-12-01')).toBe(false);
    expect(may(true, '', '2008-11-30')).toBe(true);
  });

  it('go when the word is taken back, and when their year is over', () => {
    const picture = { studentId: 'a', day: '2026-01-10' };
    expect(isPictureKept(picture, new Set(['a', 'b']), TODAY)).toBe(true);
    expect(isPictureKept(picture, new Set(['b']), TODAY)).toBe(false);
    expect(isPictureKept({ ...picture, day: addDays(TODAY, -365) }, new Set(['a']), TODAY)).toBe(true);
    expect(isPictureKept({ ...picture, day: addDays(TODAY, -366) }, new Set(['a']), TODAY)).toBe(false);
  });
});
