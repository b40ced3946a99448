const OURS = 'http://ours.invalid';

/**
 * A path of our own, as it was asked for; anything that a browser would read as another place is the first page. It is
 * read as browsers do, who pass over tabs and line breaks and take a backslash for a slash.
 */
export function ownPath(asked: string | null): string {
  if (asked === null || !URL.canParse(asked, OURS)) return '/';
  const url = new URL(asked, OURS);
  if (url.origin !== OURS || !asked.startsWith('/')) return '/';
  return `/${url.pathname.replace(/^[/\\]+/, '')}${url.search}${url.hash}`;
}
