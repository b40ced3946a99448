import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { EditInput } from '../../contracts/syllabus';
import type { SyllabusView } from '../../contracts/views';
import { itemKey, type Item, type Syllabus } from '../../core';
import { newId } from '../../kit/send';
import { Switch } from '../../kit/Switch';

/** Puts an item of the library on the way: a technique, a sequence, or a part of one. */
export function AddItem({
  view,
  syllabus,
  edit,
  made,
  leave,
}: {
  view: SyllabusView;
  syllabus: Syllabus;
  edit: (edits: EditInput[], says: string) => string | null;
  made: (threadId: string) => void;
  leave: () => void;
}) {
  const used = new Set(syllabus.threads.map((t) => itemKey(t.item)));
  const options = view.others.filter((o) => !used.has(o.key) || (o.counts > 1 && 'sequence' in o.item));
  const [chosen, setChosen] = useState<(typeof options)[number] | null>(null);
  const [part, setPart] = useState('');
  const [introduced, setIntroduced] = useState(view.ranks[0]?.id ?? '');
  const [formal, setFormal] = useState<'formal' | 'informal'>('formal');
  const save = (e: SyntheticEvent) => {
    e.preventDefault();
    if (!chosen) return;
    const section = chosen.sections.find((s) => `${s.from}-${s.to}` === part) ?? null;
    const item: Item = 'technique' in chosen.item ? chosen.item : { sequence: chosen.item.sequence, part: section };
    const id = newId();
    const wrong = edit(
      [
        {
          op: 'thread.put',
          thread: {
            id,
            item: item,
            introduced: introduced || null,
            until: null,
            informal: formal === 'informal',
          },
        },
      ],
      `${chosen.name} put in`,
    );
    if (wrong === null) made(id);
  };
  return (
    <form className="sheet stack" onSubmit={save} aria-label="Add an item">
      <h2>What else is taught?</h2>
      {options.length === 0 ? (
        <p className="message">
          Everything in the library is on the way. <a href="/techniques/new">Write a technique</a> or{' '}
          <a href="/sequences/new">a sequence</a>.
        </p>
      ) : (
        <>
          <Autocomplete
            options={options}
            groupBy={(o) => o.group}
            getOptionLabel={(o) => o.name}
            getOptionKey={(o) => o.key}
            isOptionEqualToValue={(a, b) => a.key === b.key}
            value={chosen}
            onChange={(_, v) => {
              setChosen(v);
              setPart('');
            }}
            renderInput={(params) => <TextField {...params} label="Item" />}
          />
          {chosen && chosen.sections.length > 0 && (
            <TextField id="add-part" label="Which part" select value={part} onChange={(e) => setPart(e.target.value)}>
              <MenuItem value="">the whole</MenuItem>
              {chosen.sections.map((s) => (
                <MenuItem key={`${s.from}-${s.to} ${s.section ?? ''}`} value={`${s.from}-${s.to}`}>
                  {s.section}, counts {s.from} to {s.to}
                </MenuItem>
              ))}
            </TextField>
          )}
          <TextField
            id="add-introduced"
            label="Introduced for"
            select
            value={introduced}
            onChange={(e) => setIntroduced(e.target.value)}
          >
            {view.ranks.map((r) => (
              <MenuItem key={r.id} value={r.id}>
                {r.name}
              </MenuItem>
            ))}
          </TextField>
          <Switch
            label="Formal"
            value={formal}
            onChange={setFormal}
            options={[
              { value: 'formal', word: 'to be tested' },
              { value: 'informal', word: 'informal' },
            ]}
          />
        </>
      )}
      <div className="row">
        <Button type="submit" variant="contained" disabled={!chosen}>
          Put it in
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}
