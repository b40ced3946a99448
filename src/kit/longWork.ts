import { v7 } from 'uuid';
import type { CommandDraft, CommandName, Problem } from '../contracts/commands';

export type LongAnswer<T> = { ok: true; answer: T } | { ok: false; title: string; stopped: boolean };

/** Sends a command whose work takes long, is told how far it is, and can be stopped: then nothing of it stays. */
export async function sendLong<N extends CommandName, T>(
  name: N,
  input: CommandDraft<N>,
  progress: (done: number, of: number) => void,
  signal: AbortSignal,
): Promise<LongAnswer<T>> {
  try {
    const response = await fetch('/api/bundle', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: v7(), at: new Date().toISOString(), name, input }),
      signal,
    });
    if (!response.ok || !response.body) {
      const problem = (await response.json().catch(() => null)) as Partial<Problem> | null;
      return { ok: false, title: problem?.title ?? 'The server gave no answer that can be read.', stopped: false };
    }
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      const lines = (rest + value).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) {
        const said = JSON.parse(line) as { done?: number; of?: number; answer?: T; problem?: Partial<Problem> };
        if (said.answer !== undefined) return { ok: true, answer: said.answer };
        if (said.problem) {
          const first = said.problem.errors?.[0];
          const where = first?.path ? ` (${first.path})` : '';
          return { ok: false, title: `${said.problem.title ?? 'It was refused.'}${where}`, stopped: false };
        }
        if (said.done !== undefined && said.of !== undefined) progress(said.done, said.of);
      }
    }
    return { ok: false, title: 'The answer broke off. Nothing was taken in unless the page shows it.', stopped: false };
  } catch (e) {
    if (signal.aborted) return { ok: false, title: 'Stopped. Nothing was taken in.', stopped: true };
    return {
      ok: false,
      title: e instanceof TypeError ? 'There is no connection to the school’s server.' : 'The answer cannot be read.',
      stopped: false,
    };
  }
}
