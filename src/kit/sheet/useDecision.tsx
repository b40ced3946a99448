import { useState } from 'react';
import type { CommandDraft, CommandName, FieldError } from '../../contracts/commands';
import { errorAt, send, type Answer } from '../send';

/** Sends a command and keeps what came back: what is wrong at which field, and the whole in one line. */
export function useDecision(done: () => Promise<void> | void) {
  const [errors, setErrors] = useState<FieldError[]>([]);
  const [wrong, setWrong] = useState('');
  /** The same for what is sent in another way; where both are shown side by side there is nothing wrong yet. */
  const decideBy = async (sending: () => Promise<Answer>) => {
    const answer = await sending();
    if (answer.ok) return done();
    setErrors(answer.errors);
    setWrong(answer.meanwhile ? '' : answer.title);
  };
  const decide = <N extends CommandName>(name: N, input: CommandDraft<N>) => decideBy(() => send(name, input));
  const at = (path: string) => ({ error: !!errorAt(errors, path), helperText: errorAt(errors, path) });
  return { decide, decideBy, at, wrong };
}
