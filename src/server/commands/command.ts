import type { CommandInput, CommandName } from '../../contracts/commands';
import type { Transaction } from '../../data/connection';
import type { Who } from '../who';

/** What a command does, inside the school's transaction. It returns its answer, or throws a Refusal. */
export type Run<N extends CommandName> = (tx: Transaction, who: Who, input: CommandInput<N>) => Promise<unknown>;
export type Runs<N extends CommandName> = { [K in N]: Run<K> };
