import { codeOf } from '../http/fault';
import { Refusal } from '../http/problem';

/** What comes back from another thread: the answer as text, or what went wrong, which a clone of an error would lose. */
export type Carried =
  | { ok: true; text: string }
  | { ok: false; refused: Pick<Refusal, 'status' | 'title' | 'errors' | 'more'> }
  | { ok: false; refused: null; name: string; message: string; stack: string | undefined; code: string | null };

/** Does something and carries what came of it. */
export async function carry(work: () => Promise<unknown>): Promise<Carried> {
  try {
    return { ok: true, text: JSON.stringify(await work()) };
  } catch (error) {
    if (error instanceof Refusal) {
      const { status, title, errors, more } = error;
      return { ok: false, refused: { status, title, errors, more } };
    }
    const e = error instanceof Error ? error : new Error(String(error));
    return { ok: false, refused: null, name: e.name, message: e.message, stack: e.stack, code: codeOf(error) };
  }
}

/** The answer as text; throws what was thrown on the other side. */
export function arrived(c: Carried): string {
  if (c.ok) return c.text;
  if (c.refused) {
    const { status, title, errors, more } = c.refused;
    throw new Refusal(status, title, errors, more);
  }
  throw Object.assign(new Error(c.message), { name: c.name, stack: c.stack, code: c.code });
}
