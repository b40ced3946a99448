import type { LookInput, MarkInput } from '../../contracts/look';
import type { Side } from '../../core';
import { put } from '../../kit/outbox';
import { newId } from '../../kit/send';

export interface LookDraft {
  id: string;
  studentId: string;
  techniqueId: string;
  conditionId: string;
  side: Side;
  marks: MarkInput[];
  replaces: string | null;
  note: string;
  label: string;
}

/** The day of an instant where the school is: the mat may be used after midnight elsewhere. */
export const dayNow = (timeZone: string, at = new Date()): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone }).format(at);

/** Writes a look into the outbox; when this returns it is on the device. An open one is still being marked. */
export async function recordLook(draft: LookDraft, by: string, timeZone: string, open = false): Promise<void> {
  const at = new Date();
  const { label, ...look } = draft;
  const input: LookInput = { ...look, day: dayNow(timeZone, at), at: at.toISOString(), purpose: null };
  // The command has the look's id: put again while open it is changed, sent twice it is done once.
  await put({ id: draft.id, at: at.toISOString(), name: 'look.record', input, label, by, open });
}

export const draftLook = (d: Omit<LookDraft, 'id' | 'replaces' | 'note'> & Partial<LookDraft>): LookDraft => ({
  id: newId(),
  replaces: null,
  note: '',
  ...d,
});
