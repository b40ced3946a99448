import type { CycleView } from '../../contracts/views';
import type { Cycle, Past } from '../../core';
import { CalendarPanel } from './CalendarPanel';
import { ClassSheet } from './ClassSheet';
import { NewRow } from './NewRow';
import { RowSheet } from './RowSheet';
import { RulesSheet } from './RulesSheet';

/** Which sheet stands beside the weeks. */
export type Open =
  | { kind: 'row'; id: string }
  | { kind: 'class'; id: string }
  | { kind: 'rules' }
  | { kind: 'new row' }
  | { kind: 'calendar' }
  | null;

/** The sheet beside the weeks: one row, one class, weeks and rules, another row, the calendar. */
export function BoardSheet({
  open,
  setOpen,
  view,
  shown,
  head,
  cycle,
  latest,
  past,
  hadOf,
  toCome,
  dayOf,
  edit,
  plan,
  remove,
}: {
  open: Open;
  setOpen: (open: Open) => void;
  view: CycleView;
  shown: { id: string };
  head: boolean;
  cycle: Cycle;
  /** As it stands now, also between two drawings. */
  latest: () => Cycle;
  past: Past;
  /** Minutes of a row that were held. */
  hadOf: (row: string) => number;
  toCome: number;
  dayOf: (cls: string) => string;
  edit: (next: Cycle, says: string) => void;
  plan: (cycle: Cycle, why: string) => void;
  /** These weeks are taken out. */
  remove: () => void;
}) {
  const leave = () => setOpen(null);
  if (open === null) return null;
  switch (open.kind) {
    case 'rules':
      return (
        <RulesSheet
          view={view}
          cycle={cycle}
          past={past}
          done={(next) => {
            edit(next, 'weeks and rules');
            leave();
            plan(next, 'since the weeks changed');
          }}
          remove={head ? remove : null}
          leave={leave}
        />
      );
    case 'calendar':
      return <CalendarPanel id={shown.id} view={view} head={head} classes={toCome} leave={leave} />;
    case 'new row':
      return (
        <NewRow
          cycle={cycle}
          onAdd={(rows) => {
            edit({ ...latest(), rows: [...latest().rows, ...rows] }, 'another row');
            setOpen(rows.length === 1 ? { kind: 'row', id: rows[0]!.id } : null);
          }}
          leave={leave}
        />
      );
    case 'row': {
      const row = cycle.rows.find((r) => r.id === open.id);
      if (!row) return null;
      return (
        <RowSheet
          key={row.id}
          cycle={cycle}
          row={row}
          had={hadOf(row.id)}
          done={(next) => {
            edit({ ...latest(), rows: latest().rows.map((r) => (r.id === next.id ? next : r)) }, next.name);
            leave();
          }}
          remove={() => {
            const now = latest();
            const rows = now.rows
              .filter((r) => r.id !== row.id)
              .map((r) => ({ ...r, opens: r.opens.filter((o) => o.on !== row.id) }));
            edit({ ...now, rows, cells: now.cells.filter((c) => c.row !== row.id) }, `${row.name} out`);
            leave();
          }}
          leave={leave}
        />
      );
    }
    case 'class': {
      const of = cycle.classes.find((c) => c.id === open.id);
      if (!of) return null;
      return (
        <ClassSheet
          key={of.id}
          today={view.today}
          of={of}
          halls={view.halls}
          usualFrame={cycle.rules.frame}
          usually={view.usually}
          done={(c, again) => {
            const next = { ...latest(), classes: latest().classes.map((x) => (x.id === c.id ? c : x)) };
            edit(next, dayOf(c.id));
            leave();
            if (again) plan(next, `since ${dayOf(c.id)} changed`);
          }}
          leave={leave}
        />
      );
    }
  }
}
