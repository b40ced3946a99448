import type { Answer } from '../../kit/send';

/** A change of the draft as a form hears it: done, or what is wrong, at a field if one is named. */
export const asAnswer = (wrong: string | null, path?: string): Answer =>
  wrong === null
    ? { ok: true, answer: null }
    : { ok: false, title: wrong, status: 409, errors: path === undefined ? [] : [{ path, message: wrong }] };
