import type { ShellView, ViewInput, ViewName, ViewResults } from '../../contracts/views';
import type { SignedIn } from '../auth/auth';
import { viewFor } from '../views/door';
import { Refusal } from './problem';

/** What a page needs: the shell, and its own view. Throws a Refusal where it is not granted. */
export async function loadPage<N extends ViewName>(
  me: SignedIn | null,
  name: N,
  input: ViewInput<N>,
): Promise<{ shell: ShellView; view: ViewResults[N] }> {
  if (!me) throw new Refusal(401, 'Sign in first.');
  const [shell, view] = await Promise.all([viewFor(me, 'shell', {}), viewFor(me, name, input)]);
  return { shell, view };
}

export async function loadShell(me: SignedIn | null): Promise<ShellView> {
  if (!me) throw new Refusal(401, 'Sign in first.');
  return viewFor(me, 'shell', {});
}
