/** What was typed and not saved yet, kept on the device so that no text is lost when a page is closed. */
export interface Draft {
  title: string;
  text: string;
  /** The version it was begun from. */
  version: number;
  at: string;
}

const key = (id: string) => `stavewright.draft.${id}`;

export function keepDraft(id: string, draft: Draft): void {
  try {
    localStorage.setItem(key(id), JSON.stringify(draft));
  } catch {
    // A full or closed store: the text still stands on the page.
  }
}
export function dropDraft(id: string): void {
  try {
    localStorage.removeItem(key(id));
  } catch {
    // as above
  }
}
export function readDraft(id: string): Draft | null {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(key(id)) ?? 'null');
    return typeof found === 'object' && found !== null && 'text' in found ? (found as Draft) : null;
  } catch {
    return null;
  }
}
