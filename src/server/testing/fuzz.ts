// Inputs that are nearly right: one or two places of a good one replaced by what nobody should send.
import type { CommandName } from '../../contracts/commands';
import { seeded, type Random } from '../../core';
import { goodInputs } from './inputs';
import type { SmallSchool } from './school';

const TEXTS = [
  'a\0b',
  '\0',
  '\uD83E',
  'a\uDD4B',
  '',
  ' ',
  '\u200B',
  '\u202Eneb',
  'x'.repeat(100_000),
  '2026-02-31',
  '2026-13-01',
  '9999-12-31',
  '10000-01-01',
  '1900-01-01',
  '0000-00-00',
  '-0001-01-01',
  '31 February 2026',
  '2026-02-30T10:00:00Z',
  '2026-03-05T25:61:61Z',
  '9999-12-31T23:59:59Z',
  '1900-01-01T00:00:00Z',
  '+275760-09-13T00:00:00Z',
  '2026-03-05T18:00:00+99:99',
  '00000000-0000-0000-0000-000000000000',
  '0197F3A0-0000-7000-8000-000000000001',
  "'; drop table look; --",
  '=cmd|calc',
  '\\u0000',
  '{}',
  'NaN',
];
const NUMBERS = [-1, 0, 0.5, 1e308, -1e308, 2 ** 31, -(2 ** 31) - 1, 2 ** 53, 1e-320, 40_000, 99_999_999];
const SHAPES: unknown[] = [null, true, {}, [], [[]], { a: { b: {} } }, 'x', 7, [null], ['a\0b']];

type Place = (string | number)[];
/** Every place of a value, from the whole down. */
function places(value: unknown, at: Place = []): Place[] {
  if (typeof value !== 'object' || value === null) return [at];
  return [at, ...Object.entries(value).flatMap(([k, v]) => places(v, [...at, Array.isArray(value) ? Number(k) : k]))];
}
const read = (value: unknown, at: Place): unknown =>
  at.reduce<unknown>((v, k) => (v as Record<string | number, unknown>)[k], value);
function replaced(value: unknown, at: Place, by: unknown): unknown {
  if (at.length === 0) return by;
  const [first, ...rest] = at as [string | number, ...Place];
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }) as Record<
    string | number,
    unknown
  >;
  if (by === GONE && rest.length === 0) delete copy[first];
  else copy[first] = replaced(copy[first], rest, by);
  return copy;
}
const GONE = Symbol('taken out');

/** So many spoiled commands, each with its name, the same for the same seed. */
export function* spoiled(
  s: SmallSchool,
  names: readonly CommandName[],
  times: number,
  seed: number,
): Generator<{ name: CommandName; input: unknown }> {
  const dice = seeded(seed);
  for (let i = 0; i < times; i += 1) {
    const name = names[i % names.length]!;
    yield { name, input: spoil(goodInputs(s)[name](), dice) };
  }
}

/** One thing with one or two of its places spoiled. */
export function spoil(good: unknown, dice: Random): unknown {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(dice() * list.length)]!;
  let input = good;
  for (let n = dice() < 0.7 ? 1 : 2; n > 0; n -= 1) {
    const at = pick(places(input));
    const was = read(input, at);
    const roll = dice();
    const by =
      roll < 0.1
        ? GONE
        : roll < 0.25
          ? pick(SHAPES)
          : Array.isArray(was) && roll < 0.6
            ? Array.from({ length: pick([1, 2, 70, 3000]) }, (): unknown => (was as unknown[])[0] ?? pick(SHAPES))
            : typeof was === 'number'
              ? pick(NUMBERS)
              : typeof was === 'string' || roll < 0.7
                ? pick(TEXTS)
                : pick<unknown>([...NUMBERS, ...SHAPES]);
    input = replaced(input, at, by === GONE && at.length === 0 ? null : by);
  }
  return input;
}
