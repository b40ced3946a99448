import type { LookKitView } from '../../contracts/views';
import type { Side } from '../../core';
import { readLine, withTheOthers, type KitItem, type Line } from '../../kit/mat/line';
import { dayNow } from '../../kit/mat/record';

/** What stands on the mat's screen. */
export type Mode =
  | { what: 'choose' }
  | { what: 'order' }
  | { what: 'sweep'; pointId: string }
  | { what: 'card'; studentId: string };

export interface Beginning {
  line: Line;
  itemKey: string | null;
  conditionId: string | null;
  side: Side | null;
  mode: Mode;
}

/** With what the mat begins: what the address asks for, on the line this device remembers of today. */
export function beginning(kit: LookKitView, items: readonly KitItem[]): Beginning {
  const asked = new URLSearchParams(location.search);
  const known = withTheOthers(kit, readLine(dayNow(kit.timeZone)));
  const student = kit.students.find((s) => s.id === asked.get('student'));
  const named = items.find((i) => i.key === (asked.get('item') ?? `t:${asked.get('technique')}`));
  const point = named?.technique?.points.find((p) => p.id === asked.get('point'));
  const line =
    student && !known.present.includes(student.id) ? { ...known, present: [...known.present, student.id] } : known;
  const side = asked.get('side');
  const begin: Beginning = {
    line,
    itemKey: named?.key ?? null,
    conditionId: kit.conditions.find((c) => c.id === asked.get('condition'))?.id ?? null,
    side: side === 'left' || side === 'right' ? side : null,
    mode: { what: 'choose' },
  };
  if (point && line.present.length > 0) begin.mode = { what: 'sweep', pointId: point.id };
  else if (student) {
    begin.mode = { what: 'card', studentId: student.id };
    const next = kit.ranks[kit.ranks.findIndex((r) => r.id === student.rankId) + 1];
    const first = kit.asked.find((a) => a.rankId === next?.id && items.some((i) => i.key === a.itemKey));
    if (!named && first) Object.assign(begin, { itemKey: first.itemKey, conditionId: first.conditionId });
  }
  return begin;
}
