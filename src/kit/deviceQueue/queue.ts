import type { CommandDraft, CommandName, FieldError, Meanwhile, Mend } from '../../contracts/commands';
import type { Answer } from '../send';
import { knows, type OpenPage } from './page';

/** Why a command stands aside: what came back, and the ways to mend it. */
export interface Aside {
  title: string;
  errors: FieldError[];
  mends: Mend[];
  meanwhile: Meanwhile | null;
  /** It was taken; only something of it was not. There is nothing to send again. */
  taken: boolean;
}

/** A command that was done on this device and that the server has not answered yet. Open ones are still being written. */
export interface Waiting<N extends CommandName = CommandName> {
  id: string;
  at: string;
  name: N;
  input: CommandDraft<N>;
  /** What the person sees of it: "Ilse Marrow, rear heel: held". */
  label: string;
  /** Who was signed in; another person's marks are never sent under one's own name. */
  by: string;
  open: boolean;
  aside: Aside | null;
  /** How often our own server has failed at it. */
  faults: number;
  /** Changes of one thing that follow each other: each is made over what the one before has made. */
  chain: string | null;
  /** The page that wrote it down; older releases did not say. */
  page?: OpenPage;
  /** Names of the points in it, to say which was not taken. */
  names: Record<string, string>;
}

/** How a run of sending went on the whole. */
export type Trouble = 'none' | 'network' | 'signed out' | 'other person';

/** Our server may fail at a command a few times by bad luck; one that it always fails at stands aside. */
export const MOST_FAULTS = 3;

/** What a new command must say of itself; the rest begins as it always does. */
export type NewCommand<N extends CommandName = CommandName> = Omit<
  Waiting<N>,
  'aside' | 'faults' | 'chain' | 'names' | 'page'
> &
  Partial<Pick<Waiting, 'chain' | 'names' | 'page'>>;
export const begun = <N extends CommandName>(command: NewCommand<N>): Waiting<N> => ({
  chain: null,
  names: {},
  ...command,
  aside: null,
  faults: 0,
});

/** As it is written down, with what older releases left on a device. */
export function readWaiting(raw: unknown): Waiting {
  const c = raw as Waiting & { refused?: { title: string; errors: FieldError[] } | null };
  const { refused, ...rest } = c;
  return {
    ...rest,
    aside: c.aside ?? (refused ? { ...refused, mends: [], meanwhile: null, taken: false } : null),
    faults: c.faults ?? 0,
    chain: c.chain ?? null,
    names: c.names ?? {},
  };
}

/** What a command must not overtake: the look that it corrects. */
const followed = (c: Waiting): string | null => {
  const replaces = (c.input as { replaces?: unknown }).replaces;
  return typeof replaces === 'string' ? replaces : null;
};

/**
 * The commands to send next, at most so many together: the oldest that are finished, are one's own, stand not aside, were
 * not tried in this run, and follow none that is still here, also none of those that are sent with them.
 */
export function nextTogether(all: readonly Waiting[], by: string, tried: ReadonlySet<string>, most: number): Waiting[] {
  const here = new Set(all.map((c) => c.id));
  const chains = new Set<string>();
  const out: Waiting[] = [];
  for (const c of all) {
    if (out.length >= most) break;
    const before = followed(c);
    const waits = (before !== null && here.has(before)) || (c.chain !== null && chains.has(c.chain));
    if (c.chain !== null) chains.add(c.chain);
    if (c.open || c.aside !== null || c.by !== by || tried.has(c.id) || waits) continue;
    out.push(c);
  }
  return out;
}

/** The next command to send by itself, or null. */
export const nextToSend = (all: readonly Waiting[], by: string, tried: ReadonlySet<string>): Waiting | null =>
  nextTogether(all, by, tried, 1)[0] ?? null;

/** What becomes of a command by its answer: gone (null), or how it stays; and whether sending goes on. */
export function afterAnswer(c: Waiting, answer: Answer): { stays: Waiting | null; goesOn: boolean; trouble: Trouble } {
  if (answer.ok) {
    const lost = (answer.answer as { notTaken?: string[] } | null)?.notTaken ?? [];
    if (lost.length === 0) return { stays: null, goesOn: true, trouble: 'none' };
    const names = lost.map((id) => `“${c.names[id] ?? 'a point'}”`).join(', ');
    const title = `All was taken but ${names}: ${lost.length === 1 ? 'it is' : 'they are'} not in the library any more, or known in another way now.`;
    return {
      stays: aside(c, { title, errors: [], mends: [], meanwhile: null, taken: true }),
      goesOn: true,
      trouble: 'none',
    };
  }
  const { status, title, errors, mends = [], meanwhile = null } = answer;
  if (status === 401) return { stays: c, goesOn: false, trouble: 'signed out' };
  if (status === 0 || status === 429 || status === 408 || status === 502 || status === 503 || status === 504)
    return { stays: c, goesOn: false, trouble: 'network' };
  if (status >= 500 && c.faults + 1 < MOST_FAULTS)
    return { stays: { ...c, faults: c.faults + 1 }, goesOn: true, trouble: 'none' };
  return { stays: aside(c, { title, errors, mends, meanwhile, taken: false }), goesOn: true, trouble: 'none' };
}

const aside = (c: Waiting, why: Aside): Waiting => ({ ...c, aside: why });

/** The same command, to be sent again, perhaps with what mends it. */
export const again = (c: Waiting, mend: Mend | null = null): Waiting => ({
  ...c,
  input: mend ? { ...c.input, ...mend.set } : c.input,
  aside: null,
  faults: 0,
});

/** Of a chain: the command behind one that was done and that its page knew of, made over what that has made. */
export function followUp(all: readonly Waiting[], done: Waiting, answer: unknown): Waiting | null {
  const version = (answer as { version?: unknown } | null)?.version;
  if (done.chain === null || typeof version !== 'number') return null;
  const next = all.find((c) => c.id !== done.id && c.chain === done.chain && c.by === done.by && knows(c.page, done));
  return next ? { ...next, input: { ...next.input, version } as Waiting['input'] } : null;
}
