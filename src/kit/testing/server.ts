// Answers as our own server gives them, for tests of screens.

const headers = (type: string) => ({ headers: { 'content-type': type } });

/** A command done: the answer names its id. */
export const doneAs = (id: string, answer: unknown = {}): Response =>
  new Response(JSON.stringify({ id, answer }), headers('application/json'));

/** A command, or any request, refused in our words. */
export const refusedAs = (status: number, title: string, more: object = {}, id?: string): Response =>
  new Response(
    JSON.stringify({
      type: '/problems/not-possible',
      title,
      status,
      ...(id ? { instance: `/commands/${id}` } : {}),
      ...more,
    }),
    { status, ...headers('application/problem+json') },
  );

/** What a network says that one has to sign in to first. */
export const captivePage = (status = 200): Response =>
  new Response('<!doctype html><title>Welcome to the hall’s network</title>', { status, ...headers('text/html') });

/** Any JSON of ours that is no command's answer, such as a view. */
export const shown = (view: unknown): Response => new Response(JSON.stringify(view), headers('application/json'));

/** The id in the body of a request. */
export const idIn = (init?: RequestInit): string => (JSON.parse(init?.body as string) as { id: string }).id;
