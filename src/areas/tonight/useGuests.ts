import { guestInput } from '../../contracts/classPlan';
import { readInput, type FieldError } from '../../contracts/commands';
import type { GuestShown, LookKitView } from '../../contracts/views';
import { keepTrying } from '../../kit/deviceQueue/deviceQueue';
import { keptOfClass } from '../../kit/offline';
import { newId } from '../../kit/send';
import { useOfClass } from './useOfClass';

/** Who is here and not on the roll: written down on the spot, also without a network. */
export function useGuests(kit: LookKitView, classId: string, day: string) {
  const by = kit.me.personId;
  const of = useOfClass<GuestShown>(
    keptOfClass.guests + classId,
    (kit.guests ?? []).filter((g) => g.classId === classId),
  );
  const tell = (name: 'guest.add' | 'guest.remove', input: never, label: string) =>
    keepTrying({ id: newId(), at: new Date().toISOString(), name, input, label, by, open: false });
  return {
    guests: of.here,
    merge: of.merge,
    /** What is wrong with it, by field; nothing: the guest is here. */
    add(name: string, minor: boolean, phone: string): FieldError[] {
      const input = { id: newId(), classId, day, name, minor, phone };
      const said = readInput(guestInput, input);
      if (!said.ok) return said.errors;
      of.put(said.value);
      tell('guest.add', said.value as never, `Guest: ${said.value.name}`);
      return [];
    },
    remove(g: GuestShown) {
      of.out(g.id);
      tell('guest.remove', { id: g.id } as never, `Guest taken out: ${g.name}`);
    },
  };
}
export type TheGuests = ReturnType<typeof useGuests>;
