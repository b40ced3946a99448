import { describe, expect, it } from 'vitest';
import { isCommonPassword } from './passwords';

describe('passwords that are tried first', () => {
  it.each([
    'qwertyuiop',
    'Password123',
    'basketball',
    'sunshine2026!',
    '1234567890',
    'aaaaaaaaaaaa',
    'abababababab',
    'reedreedreed',
  ])('%s', (password) => expect(isCommonPassword(password)).toBe(true));

  it('the name and the address it belongs to, with a number behind', () => {
    expect(isCommonPassword('marenholt1', ['Maren Holt', 'maren.holt@example.org'])).toBe(true);
    expect(isCommonPassword('maren.holt26', ['Maren Holt', 'maren.holt@example.org'])).toBe(true);
    expect(isCommonPassword('causeway-hall', ['Causeway', 'hall'])).toBe(false);
  });

  it.each(['reeds-and-rope', 'a long way to the marsh', 'ferry pole nine geese', 'Kieselsteine im Schuh'])(
    'but not %s',
    (password) => expect(isCommonPassword(password, ['Ilse Marrow', 'ilse@example.org'])).toBe(false),
  );
});
