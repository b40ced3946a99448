import { useState } from 'react';
import type { CommandDraft, CommandName, FieldError } from '../../contracts/commands';
import { errorAt, send } from '../send';

/** Sends a command and keeps what came back: what is wrong at which field, and the whole in one line. */
export function useDecision(done: () => Promise<void> | void) {
  const [errors, setErrors] = useState<FieldError[]>([]);
  const [wrong, setWrong] = useState('');
  const decide = async <N extends CommandName>(name: N, input: CommandDraft<N>) => {
    const answer = await send(name, input);
    if (answer.ok) return done();
    setErrors(answer.errors);
    setWrong(answer.title);
  };
  const at = (path: string) => ({ error: !!errorAt(errors, path), helperText: errorAt(errors, path) });
  return { decide, at, wrong };
}
