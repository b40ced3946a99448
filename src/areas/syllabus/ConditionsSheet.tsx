import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { FieldError } from '../../contracts/commands';
import type { EditInput } from '../../contracts/syllabus';
import type { SyllabusView } from '../../contracts/views';
import { startingOrder, STARTING_ORDERS, type Syllabus } from '../../core';
import { errorAt, newId } from '../../kit/send';
import type { Does } from './BeltSheet';
import { ladderOf } from './Ladder';

/** The school's conditions and their order: what must be asked before what, and where it leaves things open. */
export function ConditionsSheet({
  view,
  syllabus,
  edit,
  does,
  leave,
}: {
  view: SyllabusView;
  syllabus: Syllabus;
  edit: (edits: EditInput[], says: string) => string | null;
  does: Does;
  leave: () => void;
}) {
  const [name, setName] = useState('');
  const [errors, setErrors] = useState<FieldError[]>([]);
  const set = (order: Syllabus['order']) => edit([{ op: 'order.set', order: [...order] }], 'the order of conditions');
  const nameOf = (id: string) => view.conditions.find((c) => c.id === id)?.name ?? '';
  const add = async (e: SyntheticEvent) => {
    e.preventDefault();
    const wrong = await does('condition.save', { id: newId(), name });
    setErrors(wrong ?? []);
    if (wrong === null) setName('');
  };
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
      <form className="row" style={{ alignItems: 'flex-end' }} onSubmit={(e) => void add(e)} noValidate>
        <TextField
          id="condition-name"
          label="Another condition"
          value={name}
          onChange={(e) => setName(e.target.value)}
          error={!!errorAt(errors, 'name')}
          helperText={errorAt(errors, 'name')}
        />
        <Button type="submit">Add</Button>
      </form>
      <Button onClick={leave}>Close</Button>
    </section>
  );
}
