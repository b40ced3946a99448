import { useCallback, useState } from 'react';
import { guestInput } from '../../contracts/classPlan';
import { readInput, type FieldError } from '../../contracts/commands';
import type { GuestShown, LookKitView } from '../../contracts/views';
import { put } from '../../kit/deviceQueue/deviceQueue';
import { keptOfClass } from '../../kit/offline';
import { newId } from '../../kit/send';

const keyOf = (classId: string) => keptOfClass.guests + classId;

interface Kept {
  here: GuestShown[];
  /** Taken out again: others may still tell of them. */
  gone: string[];
}

function read(classId: string, known: readonly GuestShown[]): Kept {
  let kept: Kept = { here: [], gone: [] };
  try {
    kept = (JSON.parse(localStorage.getItem(keyOf(classId)) ?? 'null') as Kept | null) ?? kept;
  } catch {
    // What cannot be read was never written.
  }
  return merged(
    kept,
    known.filter((g) => g.classId === classId),
  );
}

/** Those of others beside one’s own, but who was taken out here. */
function merged({ here, gone }: Kept, theirs: readonly GuestShown[]): Kept {
  const known = new Set([...here.map((g) => g.id), ...gone]);
  const fresh = theirs.filter((g) => !known.has(g.id));
  return fresh.length === 0 ? { here, gone } : { here: [...here, ...fresh], gone };
}

/** Who is here and not on the roll: written down on the spot, also without a network. */
export function useGuests(kit: LookKitView, classId: string, day: string) {
  const by = kit.me.personId;
  const [kept, setKept] = useState<Kept>(() => read(classId, kit.guests ?? []));
  const keep = (next: Kept) => {
    setKept(next);
    try {
      localStorage.setItem(keyOf(classId), JSON.stringify(next));
    } catch {
      // It stands on the page and goes to the server.
    }
  };
  const tell = (name: 'guest.add' | 'guest.remove', input: never, label: string) =>
    void put({ id: newId(), at: new Date().toISOString(), name, input, label, by, open: false }).catch(() => undefined);
  return {
    guests: kept.here,
    merge: useCallback((theirs: readonly GuestShown[]) => setKept((now) => merged(now, theirs)), []),
    /** What is wrong with it, by field; nothing: the guest is here. */
    add(name: string, minor: boolean, phone: string): FieldError[] {
      const input = { id: newId(), classId, day, name, minor, phone };
      const said = readInput(guestInput, input);
      if (!said.ok) return said.errors;
      keep({ ...kept, here: [...kept.here, said.value] });
      tell('guest.add', said.value as never, `Guest: ${said.value.name}`);
      return [];
    },
    remove(g: GuestShown) {
      keep({ here: kept.here.filter((x) => x.id !== g.id), gone: [...kept.gone, g.id] });
      tell('guest.remove', { id: g.id } as never, `Guest taken out: ${g.name}`);
    },
  };
}
export type TheGuests = ReturnType<typeof useGuests>;
