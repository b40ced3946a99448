import type { ReactNode } from 'react';
import type { FieldValues } from 'react-hook-form';
import type { CommandDraft, CommandName, COMMANDS } from '../../contracts/commands';
import { send, type Answer } from '../send';
import type { PlaceName } from '../sideBySide/SideBySide';
import { useSideBySide } from '../sideBySide/useSideBySide';
import { useCommandSheet, type SheetState } from './useSheet';

/**
 * A sheet for what several people edit: it is saved from the version that was seen, and where somebody saved meanwhile,
 * `meeting` shows both side by side. Without a version it is new, and sent by `sendingNew`.
 */
export function useEditedSheet<N extends CommandName>({
  command,
  schema,
  start,
  version,
  make,
  sendingNew = (draft) => send(command, draft),
  title,
  nameOf,
  show,
  done,
}: {
  command: N;
  schema: (typeof COMMANDS)[N]['input'];
  start: CommandDraft<N> & FieldValues;
  version: number | undefined;
  make?: (values: CommandDraft<N>) => CommandDraft<N>;
  sendingNew?: (draft: CommandDraft<N>) => Promise<Answer>;
  /** Of the screen on which both stand. */
  title: string;
  nameOf: (path: readonly string[]) => PlaceName;
  show?: (value: unknown, path: readonly string[]) => string;
  /** With the id of what was saved. */
  done: (id: string) => Promise<void> | void;
}): { sheet: SheetState<CommandDraft<N> & FieldValues>; meeting: ReactNode } {
  const id = (start as { id: string }).id;
  const { save, meeting } = useSideBySide(command, { title, nameOf, ...(show ? { show } : {}), done: () => done(id) });
  const sheet = useCommandSheet<N, CommandDraft<N> & FieldValues>({
    command,
    schema,
    start,
    ...(make ? { make } : {}),
    sending: (draft) => (version === undefined ? sendingNew(draft) : save(start, draft, version)),
    done: (draft) => done((draft as { id: string }).id),
  });
  return { sheet, meeting };
}
