import { isKeepable } from '../core';
import type { FieldError } from './commands';

/** So deep is no input of ours nested, and none holds so many values. */
const DEEPEST = 40;
const MOST_VALUES = 400_000;

/**
 * What is wrong with any JSON before its meaning is asked: texts that no database keeps (NUL, half a sign), nesting
 * without end. Takes time in proportion to the input and no stack.
 */
export function unsound(input: unknown, mostValues = MOST_VALUES): FieldError[] {
  const errors: FieldError[] = [];
  const open: { value: unknown; path: string; depth: number }[] = [{ value: input, path: '', depth: 0 }];
  let values = 0;
  const text = (s: string, path: string) => {
    if (!isKeepable(s)) errors.push({ path, message: 'This holds a sign that cannot be kept. Type it again.' });
  };
  for (let next = open.pop(); next !== undefined && errors.length < 20; next = open.pop()) {
    const { value, path, depth } = next;
    values += 1;
    if (values > mostValues)
      return [{ path: '', message: 'This holds too much to be taken at once. Send it in parts.' }];
    if (typeof value === 'string') text(value, path);
    if (typeof value !== 'object' || value === null) continue;
    if (depth >= DEEPEST)
      return [{ path: path.slice(0, 200), message: 'This is nested too deeply to be one of ours.' }];
    for (const [key, inner] of Object.entries(value)) {
      text(key, path);
      open.push({ value: inner, path: path === '' ? key : `${path}.${key}`, depth: depth + 1 });
    }
  }
  return errors;
}
