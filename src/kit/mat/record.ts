import type { LookWritten } from '../../contracts/look';
import { put } from '../deviceQueue/deviceQueue';
import { newId } from '../send';

/** A look as the mat makes it: what is not said is not there. */
export type LookDraft = Omit<LookWritten, 'day' | 'at'> & { label: string; names: Record<string, string> };

/** The day of an instant where the school is: the mat may be used after midnight elsewhere. */
export const dayNow = (timeZone: string, at = new Date()): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone }).format(at);

let another: string | null = null;
/** From now on looks and classes are written down for another day than today: they were seen then and are entered now. */
export const writeFor = (day: string | null): void => {
  another = day;
};
/** The day for which is written down. */
export const writtenDay = (timeZone: string, at = new Date()): string => another ?? dayNow(timeZone, at);

/** Writes a look into the queue of the device; when this returns it is on the device. An open one is still being marked. */
export async function recordLook(draft: LookDraft, by: string, timeZone: string, open = false): Promise<void> {
  const at = new Date();
  const { label, names, ...look } = draft;
  const input: LookWritten = { ...look, day: writtenDay(timeZone, at), at: at.toISOString() };
  // The command has the look's id: put again while open it is changed, sent twice it is done once.
  await put({ id: draft.id, at: at.toISOString(), name: 'look.record', input, label, names, by, open });
}

export const draftLook = (
  d: Pick<LookDraft, 'studentId' | 'conditionId' | 'side' | 'marks' | 'label'> & Partial<LookDraft>,
): LookDraft => ({
  id: newId(),
  techniqueId: null,
  sequence: null,
  stage: null,
  purpose: null,
  partnerId: null,
  replaces: null,
  note: '',
  names: {},
  ...d,
});
