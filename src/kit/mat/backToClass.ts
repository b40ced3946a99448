/** Where a look that was begun from the class goes back to; each tab has its own. */
const KEY = 'stavewright-back';

/** Remembers the page of the evening from which a look is begun. */
export const lookFromHere = (): void => sessionStorage.setItem(KEY, location.pathname);

/** The page of the evening to go back to; null: the look was begun at the mat. */
export function backToClass(): string | null {
  const from = sessionStorage.getItem(KEY);
  return from?.startsWith('/tonight') ? from : null;
}

export const forgetWayBack = (): void => sessionStorage.removeItem(KEY);
