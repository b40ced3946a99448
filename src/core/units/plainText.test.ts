import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isKeepable, isVisible, oneLine, severalLines } from './plainText';

describe('text that people typed', () => {
  it('loses what steers a line and keeps every script', () => {
    expect(oneLine('  Ilse\u202E\u0000 Marrow\u200B\n')).toBe('Ilse Marrow');
    for (const name of ['Ōtani Rin', '김서연', 'Nguyễn Ánh', 'عمر', 'می‌خواهم', 'Zoë O’Dell-Reed'])
      expect(oneLine(name)).toBe(name);
    expect(severalLines('first\u0007\n\tsecond\u0000 ')).toBe('first\n\tsecond');
  });

  it('knows a name of which nothing can be seen', () => {
    for (const nothing of ['', ' ', '\u200D', '\u3164', '\u2800\u2800', '\u0301', '\u00A0\u2003', '\u115F\u1160'])
      expect(isVisible(nothing)).toBe(false);
    for (const name of ['I', '김', '☯', '7', 'é']) expect(isVisible(name)).toBe(true);
  });

  it('cannot be kept with a NUL or half a sign, and only then', () => {
    expect(isKeepable('a\0b')).toBe(false);
    expect(isKeepable('a\uD83Eb')).toBe(false);
    expect(isKeepable('🥋')).toBe(true);
    fc.assert(fc.property(fc.string({ unit: 'grapheme' }), (s) => s.includes('\0') || isKeepable(s)));
  });

  it('cleaning twice is cleaning once', () => {
    for (const clean of [oneLine, severalLines])
      fc.assert(
        fc.property(fc.string({ unit: 'binary' }), (s) => {
          expect(clean(clean(s))).toBe(clean(s));
        }),
      );
  });
});
