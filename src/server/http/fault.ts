import { randomBytes } from 'node:crypto';

/** All errors from the outermost to the cause of causes. */
function* chain(error: unknown): Generator<Error> {
  for (let e = error; e instanceof Error; e = e.cause) yield e;
}
const field = (e: Error, name: string): string | null => {
  const value = (e as unknown as Record<string, unknown>)[name];
  return typeof value === 'string' && value !== '' ? value : null;
};

/** The code of PostgreSQL or of the system in an error, or null. */
export function codeOf(error: unknown): string | null {
  for (const e of chain(error)) {
    const code = field(e, 'code');
    if (code !== null) return code;
  }
  return null;
}

/** The constraint of the database that an error broke, or null. */
export function constraintOf(error: unknown): string | null {
  for (const e of chain(error)) {
    const constraint = field(e, 'constraint');
    if (constraint !== null) return constraint;
  }
  return null;
}

/** Why something cannot be done just now and can be tried again; null: it is another kind of fault. */
export function passing(error: unknown): 'away' | 'full' | 'busy' | null {
  const code = codeOf(error) ?? '';
  if (code === '53100' || code === 'ENOSPC') return 'full';
  if (/^(40001|40P01|55P03|57014|532|533|54001)/.test(code)) return 'busy';
  if (/^(08|57P0|58)/.test(code) || /^(ECONN|ENOTFOUND|EPIPE|ETIMEDOUT|EAI_)/.test(code)) return 'away';
  for (const e of chain(error))
    if (
      /Connection terminated|timeout exceeded when trying to connect|connection error and is not queryable|Connection ended|Client was closed/i.test(
        e.message,
      )
    )
      return 'away';
  return null;
}

/** Errors whose message is of the language itself and holds nothing that somebody entered. */
const OF_THE_LANGUAGE = ['TypeError', 'ReferenceError', 'RangeError'];

/**
 * Writes a fault of ours to the log so that it can be found, under a mark that the person is shown as well. What people
 * entered (names, notes, injuries) stands in the messages of the database and in the parameters of its statements: none
 * of that is written, only kinds, codes and places in the code.
 */
export function logFault(error: unknown, where: string, write: (line: string) => void = console.error): string {
  const mark = randomBytes(3).toString('hex');
  const lines = [...chain(error)].map((e) => {
    const facts = ['code', 'constraint', 'table', 'column', 'routine', 'severity'].flatMap((name) => {
      const value = field(e, name);
      return value === null ? [] : [`${name}=${value}`];
    });
    const message = OF_THE_LANGUAGE.includes(e.name) ? e.message : '';
    const places = (e.stack ?? '')
      .split('\n')
      .filter((l) => /^\s+at /.test(l))
      .slice(0, 8);
    return [`${e.constructor.name} ${message} ${facts.join(' ')}`.trim(), ...places].join('\n');
  });
  write(`fault ${mark} in ${where}: ${lines.length > 0 ? lines.join('\nbecause of ') : typeof error}`);
  return mark;
}
