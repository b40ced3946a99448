import { vi } from 'vitest';
import type { Followed } from '../../contracts/trial';
import { doneAs, idIn, refusedAs, shown } from './server';

/** The server in small: keeps what was sent, answers views from a list, and does or refuses commands as it is told. */
export function smallServer() {
  const at = {
    sent: [] as { name: string; input: Record<string, unknown> }[],
    /** What views answer, by name; anything else cannot be reached. */
    views: {} as Record<string, unknown>,
    /** What would follow from what is tried beforehand. */
    followed: { students: [], told: null } as Followed,
    /** What the next commands answer; with a status they are refused. */
    answer: {} as unknown,
    refuse: null as { status: number; title: string; more?: object } | null,
  };
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    const view = /^\/api\/views\/([A-Za-z]+)/.exec(path)?.[1];
    if (view !== undefined)
      return Promise.resolve(
        view in at.views ? shown(at.views[view]) : refusedAs(503, 'The database cannot be reached just now.'),
      );
    if (path === '/api/trial') return Promise.resolve(shown(at.followed));
    at.sent.push(JSON.parse(init?.body as string) as (typeof at.sent)[number]);
    const { refuse } = at;
    return Promise.resolve(
      refuse ? refusedAs(refuse.status, refuse.title, refuse.more, idIn(init)) : doneAs(idIn(init), at.answer),
    );
  });
  return at;
}
