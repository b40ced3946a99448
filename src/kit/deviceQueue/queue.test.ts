import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Answer } from '../send';
import { afterAnswer, again, begun, nextToSend, nextTogether, readWaiting, type Waiting } from './queue';

const command = (id: string, more: Partial<Waiting> = {}): Waiting => ({
  ...begun({
    id,
    at: '2026-03-05T18:00:00Z',
    name: 'look.record',
    input: { replaces: null } as never,
    label: id,
    by: 'me',
    open: false,
  }),
  ...more,
});
const answer = (status: number): Answer =>
  status === 200 ? { ok: true, answer: {} } : { ok: false, title: `no: ${status}`, errors: [], status };

/** What happens to a device: something is done on it, or it sends, with what the network and the server make of it. */
type Happening =
  | { do: 'put'; corrects: boolean }
  | { do: 'send'; together: number; fates: ('arrives' | 'lost' | 'answer lost' | 'refused' | 'fault')[] }
  | { do: 'again' }
  | { do: 'let go' }
  | { do: 'reload' };
const fates = fc.constantFrom('arrives', 'lost', 'answer lost', 'refused', 'fault' as const);
const happening: fc.Arbitrary<Happening> = fc.oneof(
  fc.record({ do: fc.constant('put' as const), corrects: fc.boolean() }),
  fc.record({
    do: fc.constant('send' as const),
    together: fc.integer({ min: 1, max: 5 }),
    fates: fc.array(fates as fc.Arbitrary<'arrives'>, { maxLength: 12 }),
  }),
  fc.constant({ do: 'again' as const }),
  fc.constant({ do: 'let go' as const }),
  fc.constant({ do: 'reload' as const }),
);

describe('a queue under losses, refusals and reloads', () => {
  it('loses nothing, does nothing twice, and never lets a correction overtake what it corrects', () => {
    fc.assert(
      fc.property(fc.array(happening, { maxLength: 60 }), (story) => {
        let here: Waiting[] = [];
        // The server in small: what it has done, by id, in the order in which it did it.
        const done: string[] = [];
        const made = new Map<string, string | null>();
        const gone = new Set<string>();
        const replace = (id: string, by: Waiting | null) => {
          here = here.flatMap((c) => (c.id !== id ? [c] : by ? [by] : []));
        };
        for (const h of story) {
          if (h.do === 'put') {
            const last = [...made.keys()].at(-1) ?? null;
            const replaces = h.corrects ? last : null;
            const id = `c${String(made.size).padStart(3, '0')}`;
            made.set(id, replaces);
            here.push(command(id, { input: { replaces } as never }));
          } else if (h.do === 'reload') here = (JSON.parse(JSON.stringify(here)) as unknown[]).map(readWaiting);
          else if (h.do === 'again' || h.do === 'let go') {
            const c = here.find((x) => x.aside !== null);
            if (c) replace(c.id, h.do === 'again' ? again(c) : null);
            if (c && h.do === 'let go') gone.add(c.id);
          } else {
            const tried = new Set<string>();
            for (let left = h.fates; left.length > 0;) {
              const some = nextTogether(here, 'me', tried, Math.min(h.together, left.length));
              if (some.length === 0) break;
              // A request is lost, or its answer is, for all that are in it.
              const whole = left.find((f, i) => i < some.length && (f === 'lost' || f === 'answer lost'));
              let goesOn = true;
              for (const [i, c] of some.entries()) {
                tried.add(c.id);
                const fate = whole ?? left[i]!;
                const arrives = fate === 'arrives' || fate === 'answer lost';
                // The same id twice is done once.
                if (arrives && !done.includes(c.id)) done.push(c.id);
                const status = { arrives: 200, lost: 0, 'answer lost': 0, refused: 409, fault: 500 }[fate];
                const after = afterAnswer(c, answer(done.includes(c.id) && status !== 0 ? 200 : status));
                replace(c.id, after.stays);
                goesOn &&= after.goesOn;
              }
              if (!goesOn) break;
              left = left.slice(some.length);
            }
          }
        }
        // Everything that was done on the device is on the server, on the device, or was let go by hand.
        for (const id of made.keys())
          expect(done.includes(id) || here.some((c) => c.id === id) || gone.has(id)).toBe(true);
        expect(new Set(done).size).toBe(done.length);
        for (const [id, replaces] of made) {
          if (replaces === null || !done.includes(id)) continue;
          if (done.includes(replaces)) expect(done.indexOf(replaces)).toBeLessThan(done.indexOf(id));
          else expect(gone.has(replaces)).toBe(true);
        }
        // With a good network, what stands not aside or behind what does is gone in one run.
        const tried = new Set<string>();
        for (let c = nextToSend(here, 'me', tried); c; c = nextToSend(here, 'me', tried)) {
          tried.add(c.id);
          replace(c.id, afterAnswer(c, answer(200)).stays);
        }
        const aside = new Set(here.filter((c) => c.aside !== null).map((c) => c.id));
        const behind = (c: Waiting): boolean => {
          const before = made.get(c.id);
          return typeof before === 'string' && (aside.has(before) || here.some((x) => x.id === before && behind(x)));
        };
        for (const c of here) expect(aside.has(c.id) || behind(c)).toBe(true);
      }),
      { numRuns: 600 },
    );
  });

  it('reads what an older release left on the device', () => {
    const { aside: _a, faults: _f, chain: _c, names: _n, ...old } = command('a');
    expect(readWaiting({ ...old, refused: null })).toEqual(command('a'));
    expect(readWaiting({ ...old, refused: { title: 'no', errors: [] } }).aside).toEqual({
      title: 'no',
      errors: [],
      mends: [],
      meanwhile: null,
      taken: false,
    });
  });
});
