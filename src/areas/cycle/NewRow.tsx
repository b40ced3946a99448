import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useEffect, useState } from 'react';
import type { CycleAskedView } from '../../contracts/views';
import { EMPTY_ROW, itemKey, rowsFrom, type Cycle, type CycleRow } from '../../core';
import { ask, newId } from '../../kit/send';

/** What next belts ask and no row has yet; or a row of one's own. */
export function NewRow({
  cycle,
  onAdd,
  leave,
}: {
  cycle: Cycle;
  onAdd: (rows: CycleRow[]) => void;
  leave: () => void;
}) {
  const [asked, setAsked] = useState<CycleAskedView | null>(null);
  const [wrong, setWrong] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    let current = true;
    void ask('cycleAsked', {}).then((a) => {
      if (!current) return;
      if (a.ok) setAsked(a.view);
      else setWrong(a.title);
    });
    return () => {
      current = false;
    };
  }, []);
  const has = new Set(cycle.rows.flatMap((r) => r.items.map((i) => `${itemKey(i.item)} ${i.conditionId ?? ''}`)));
  const open = (asked?.asked ?? []).filter((a) => !has.has(a.key));
  const add = () => {
    if (!asked) return;
    // All of them, so that what goes before what is known; of these the chosen ones are taken.
    const rows = rowsFrom(asked.asked, asked.rule, cycle.classes.length, newId);
    const keys = new Map<string, string>(
      rows.map((r) => [r.id, `${itemKey(r.items[0]!.item)} ${r.items[0]!.conditionId ?? ''}`]),
    );
    const idOf = new Map<string, string>(
      cycle.rows.flatMap((r) => r.items.map((i) => [`${itemKey(i.item)} ${i.conditionId ?? ''}`, r.id] as const)),
    );
    const taken = rows.filter((r) => chosen.has(keys.get(r.id)!));
    const ids = new Set(taken.map((r) => r.id));
    onAdd(
      taken.map((r) => ({
        ...r,
        opens: r.opens.flatMap((o) => {
          const on = ids.has(o.on) ? o.on : idOf.get(keys.get(o.on) ?? '');
          return on === undefined ? [] : [{ ...o, on }];
        }),
      })),
    );
  };
  const own = () => onAdd([{ ...EMPTY_ROW, id: newId() }]);
  return (
    <section className="sheet stack" aria-label="Another row">
      <h2>Another row</h2>
      {wrong !== '' && <p className="message wrong">{wrong}</p>}
      {asked === null && wrong === '' && <p role="status">Asking what next belts ask…</p>}
      {asked && open.length === 0 && <p className="second">Everything that is asked of those who come has a row.</p>}
      {open.map((a) => (
        <FormControlLabel
          key={a.key}
          disabled={a.refused !== null}
          control={
            <Checkbox
              checked={chosen.has(a.key)}
              onChange={(_, on) => setChosen(new Set(on ? [...chosen, a.key] : [...chosen].filter((k) => k !== a.key)))}
            />
          }
          label={
            <>
              {a.name}, {a.condition} <span className="second">{a.refused ?? `open for ${a.open} of ${a.people}`}</span>
            </>
          }
        />
      ))}
      <div className="row wrap">
        <Button variant="contained" disabled={chosen.size === 0} onClick={add}>
          Put them in
        </Button>
        <Button onClick={own}>A row of our own</Button>
        <Button variant="text" onClick={leave}>
          Leave it
        </Button>
      </div>
    </section>
  );
}
