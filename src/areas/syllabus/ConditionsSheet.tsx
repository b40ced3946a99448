import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { EditInput } from '../../contracts/syllabus';
import type { SyllabusView } from '../../contracts/views';
import { STARTING_ORDERS, startingOrder, type Syllabus } from '../../core';
import type { Does } from './BeltSheet';
import { ConditionSheet } from './ConditionSheet';
import { ladderOf } from './Ladder';
import './ConditionsSheet.css';

/** The school's conditions and their order: what must be asked before what, and where it leaves things open. */
export function ConditionsSheet({
  view,
  syllabus,
  edit,
  does,
  saved,
  leave,
}: {
  view: SyllabusView;
  syllabus: Syllabus;
  edit: (edits: EditInput[], says: string) => string | null;
  does: Does;
  /** When a condition was saved. */
  saved: () => Promise<void>;
  leave: () => void;
}) {
  const [open, setOpen] = useState<SyllabusView['conditions'][number] | 'new' | null>(null);
  const set = (order: Syllabus['order']) => edit([{ op: 'order.set', order: [...order] }], 'the order of conditions');
  const nameOf = (id: string) => view.conditions.find((c) => c.id === id)?.name ?? '';
  if (open !== null)
    return (
      <ConditionSheet
        value={open === 'new' ? null : open}
        done={async () => {
          await saved();
          setOpen(null);
        }}
        leave={() => setOpen(null)}
      />
    );
  return (
    <section className="sheet stack" aria-label="Conditions">
      <h2>What comes before what?</h2>
      <p className="second">
        Whoever can do the harder is not asked for the easier again, so this order decides verdicts. It may leave things
        open: schools differ.
      </p>
      <TextField
        id="order-start"
        label="Begin from"
        select
        value=""
        onChange={(e) => set(startingOrder(e.target.value, view.conditions))}
      >
        {STARTING_ORDERS.map((o) => (
          <MenuItem key={o.name} value={o.name}>
            {o.name}
          </MenuItem>
        ))}
      </TextField>
      <ul className="plain conditions">
        {ladderOf(view.conditions, syllabus.order).map((c) => {
          const before = syllabus.order.filter((o) => o.harder === c.id);
          const free = view.conditions.filter((x) => x.id !== c.id && !before.some((b) => b.easier === x.id));
          return (
            <li key={c.id}>
              <b>{c.name}</b>
              <span className="second">
                {before.length === 0 ? ' stands at the bottom' : ' after '}
                {before.map((b, i) => (
                  <span key={b.easier}>
                    {i > 0 && ', '}
                    <button
                      type="button"
                      className="link"
                      aria-label={`${c.name} need not come after ${nameOf(b.easier)}`}
                      title="take this step away"
                      onClick={() => set(syllabus.order.filter((o) => o !== b))}
                    >
                      {nameOf(b.easier)}
                    </button>
                  </span>
                ))}
              </span>
              <div className="row">
                <TextField
                  id={`after-${c.id}`}
                  label={`${c.name} comes after`}
                  hiddenLabel
                  select
                  value=""
                  slotProps={{
                    select: {
                      displayEmpty: true,
                      renderValue: () => 'comes after…',
                      'aria-label': `${c.name} comes after`,
                    } as never,
                  }}
                  onChange={(e) => set([...syllabus.order, { easier: e.target.value, harder: c.id }])}
                >
                  {free.map((x) => (
                    <MenuItem key={x.id} value={x.id}>
                      {x.name}
                    </MenuItem>
                  ))}
                </TextField>
                <Button variant="text" aria-label={`Change ${c.name}`} onClick={() => setOpen(c)}>
                  Change
                </Button>
                <Button
                  variant="text"
                  aria-label={`Remove ${c.name}`}
                  onClick={() => void does('condition.remove', { id: c.id })}
                >
                  Remove
                </Button>
              </div>
            </li>
          );
        })}
      </ul>
      <div className="row">
        <Button onClick={() => setOpen('new')}>Add a condition</Button>
        <Button onClick={leave}>Close</Button>
      </div>
    </section>
  );
}
