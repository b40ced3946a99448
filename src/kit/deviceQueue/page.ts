import { newId } from '../send';

/** A page of ours in a browser: one tab, from its opening to its leaving. */
export interface OpenPage {
  id: string;
  /** When it was opened, as commands say when they were done. */
  since: string;
}

/** The page that this runs in. */
export const PAGE: OpenPage = { id: newId(), since: new Date().toISOString() };

/**
 * Whether what a page shows holds what was done: by itself, or before it was opened, since it begins with what is on the
 * device. What another tab does meanwhile it does not know, and must not write over unasked.
 */
export const knows = (page: OpenPage | undefined, done: { at: string; page?: OpenPage }): boolean =>
  page === undefined || done.page === undefined || done.page.id === page.id || done.at < page.since;
