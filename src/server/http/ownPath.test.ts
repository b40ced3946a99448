import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ownPath } from './ownPath';

describe('where one goes after signing in', () => {
  it.each(['/look', '/students/1?rank=2#held', '/look?item=t:1&side=left'])('%s stays', (path) =>
    expect(ownPath(path)).toBe(path),
  );
  it.each([
    '//elsewhere.example',
    '/\\elsewhere.example',
    '/\t/elsewhere.example',
    '/\n//elsewhere.example',
    '/.//elsewhere.example',
    '/..//elsewhere.example',
    '/%2e//elsewhere.example',
    'https://elsewhere.example',
    'javascript:alert(1)',
    '\t//elsewhere.example',
    'look',
    '',
    null,
  ])('%j never leaves', (asked) => {
    const to = new URL(ownPath(asked), 'https://hall.example');
    expect(to.origin).toBe('https://hall.example');
  });
  it('whatever is asked, it stays with us', () => {
    const bits = fc.constantFrom('/', '\\', '\t', '\n', '.', '..', '%09', '%2f', ':', '@', 'a.example', '?', '#', ' ');
    fc.assert(
      fc.property(fc.array(bits, { maxLength: 9 }), (parts) => {
        expect(new URL(ownPath(parts.join('')), 'https://hall.example').origin).toBe('https://hall.example');
      }),
      { numRuns: 2000 },
    );
  });
});
