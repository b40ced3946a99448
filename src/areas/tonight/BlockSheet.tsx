import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { LookKitView } from '../../contracts/views';
import {
  BLOCK_KINDS,
  callInWords,
  capital,
  itemKey,
  RUNGS,
  WORK_KINDS,
  type Block,
  type Item,
  type WorkKind,
} from '../../core';
import type { KitItem } from '../../kit/mat/line';
import { CallSheet } from './CallSheet';

const WORK: Record<WorkKind, string> = {
  drill: 'a drill: nothing lands',
  contact: 'contact: it lands on the partner',
  holding: 'one holds, the other strikes',
};

export const itemOf = (i: KitItem): Item =>
  i.technique
    ? { technique: i.technique.id }
    : { sequence: i.sequence!.id, part: i.part ? { ...i.part, section: null } : null };

/** A text that is taken when one leaves the field, so that a word is one change and not one a letter. */
function Words({
  label,
  value,
  onKeep,
  rows,
  most,
}: {
  label: string;
  value: string;
  onKeep: (value: string) => void;
  rows?: number;
  most: number;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <TextField
      label={label}
      value={typed ?? value}
      {...(rows === undefined ? {} : { multiline: true, minRows: rows })}
      slotProps={{ htmlInput: { maxLength: most } }}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => {
        if (typed !== null && typed !== value) onKeep(typed);
        setTyped(null);
      }}
    />
  );
}

/** One block whole: what, how, who, with what, and with a partner or not. */
export function BlockSheet({
  kit,
  items,
  block,
  onChange,
  onRemove,
  onClose,
}: {
  kit: LookKitView;
  items: readonly KitItem[];
  block: Block;
  onChange: (change: Partial<Block>, says: string) => void;
  onRemove: () => void;
  onClose: () => void;
}) {
  const byKey = new Map(items.map((i) => [i.key, i]));
  const chosen = new Set(block.items.map((i) => itemKey(i.item)));
  const asked = new Set(kit.asked.map((a) => a.itemKey));
  const { pairs } = block;
  const [calling, setCalling] = useState<string | null>(null);
  const minutes = (text: string) => {
    const n = Number(text);
    if (Number.isInteger(n) && n >= 1 && n <= 300) onChange({ minutes: n }, `${block.name} to ${n} minutes`);
  };
  return (
    <section className="sheet block-sheet stack" aria-labelledby="block-head">
      <div className="spread">
        <h2 id="block-head">{block.name}</h2>
        <Button variant="text" onClick={onClose}>
          Close
        </Button>
      </div>
      <Words
        label="Name"
        most={80}
        value={block.name}
        onKeep={(name) => name.trim() !== '' && onChange({ name: name.trim() }, `the name ${name}`)}
      />
      <div className="row">
        <TextField
          key={block.minutes}
          label="Minutes"
          type="number"
          defaultValue={block.minutes}
          onBlur={(e) => minutes(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && minutes((e.target as HTMLInputElement).value)}
        />
        <TextField
          label="Kind"
          select
          value={block.kind}
          onChange={(e) => onChange({ kind: e.target.value as Block['kind'] }, `the kind of ${block.name}`)}
        >
          {BLOCK_KINDS.map((k) => (
            <MenuItem key={k} value={k}>
              {k}
            </MenuItem>
          ))}
        </TextField>
      </div>
      <FormControlLabel
        control={<Checkbox checked={block.pinned} />}
        label="Keeps its minutes when time runs short"
        onChange={(_, pinned) => onChange({ pinned }, `${block.name} ${pinned ? 'keeps' : 'may give'} its minutes`)}
      />
      <ul className="block-items">
        {block.items.map((i) => {
          const key = itemKey(i.item);
          const name = byKey.get(key)?.name ?? 'not in the library any more';
          return (
            <li key={key}>
              <span>{name}</span>
              <TextField
                slotProps={{ htmlInput: { 'aria-label': `How ${name} is done` } }}
                select
                value={i.conditionId ?? ''}
                onChange={(e) =>
                  onChange(
                    {
                      items: block.items.map((x) =>
                        x === i ? { ...x, conditionId: e.target.value === '' ? null : e.target.value } : x,
                      ),
                    },
                    `how ${name} is done`,
                  )
                }
              >
                <MenuItem value="">as usual</MenuItem>
                {kit.conditions.map((c) => (
                  <MenuItem key={c.id} value={c.id}>
                    {c.name}
                  </MenuItem>
                ))}
              </TextField>
              <Button
                variant="text"
                aria-label={`Take ${name} out`}
                onClick={() => onChange({ items: block.items.filter((x) => x !== i) }, `${name} out`)}
              >
                out
              </Button>
              {'sequence' in i.item && calling !== key && (
                <Button className="how-called" variant="text" onClick={() => setCalling(key)}>
                  Called {i.call ? callInWords(i.call) : 'as the caller likes'}
                  <span className="hidden"> for {name}</span>
                </Button>
              )}
              {calling === key && (
                <CallSheet
                  name={name}
                  call={i.call ?? null}
                  done={(call) =>
                    onChange({ items: block.items.map((x) => (x === i ? { ...x, call } : x)) }, `how ${name} is called`)
                  }
                  leave={() => setCalling(null)}
                />
              )}
            </li>
          );
        })}
      </ul>
      <Autocomplete
        key={block.items.length}
        options={items
          .filter((i) => !chosen.has(i.key))
          .sort((a, b) => Number(asked.has(b.key)) - Number(asked.has(a.key)))}
        getOptionKey={(i) => i.key}
        getOptionLabel={(i) => i.name}
        groupBy={(i) => (asked.has(i.key) ? 'asked for a belt' : 'besides')}
        value={null}
        onChange={(_, i) => {
          if (i)
            onChange(
              { items: [...block.items, { item: itemOf(i), conditionId: null }] },
              `${i.name} into ${block.name}`,
            );
        }}
        renderInput={(p) => <TextField {...p} label="One more thing to work on" />}
      />
      <Words
        label="How"
        most={600}
        rows={2}
        value={block.how}
        onKeep={(how) => onChange({ how }, `how ${block.name} is done`)}
      />
      <Words
        label="Who does what"
        most={300}
        value={block.who}
        onKeep={(who) => onChange({ who }, `who does what in ${block.name}`)}
      />
      <Words
        label="What is taken out for it"
        most={200}
        value={block.things}
        onKeep={(things) => onChange({ things }, `what ${block.name} needs`)}
      />
      <Words
        label="What to mind"
        most={400}
        rows={2}
        value={block.caution}
        onKeep={(caution) => onChange({ caution }, `what to mind in ${block.name}`)}
      />
      <FormControlLabel
        control={<Checkbox checked={pairs !== null} />}
        label="With a partner"
        onChange={(_, on) =>
          onChange(
            { pairs: on ? { kind: 'drill', rung: 0, answers: false, rounds: 3 } : null },
            on ? `pairs in ${block.name}` : `no pairs in ${block.name}`,
          )
        }
      />
      {pairs && (
        <>
          <TextField
            label="What for"
            select
            value={pairs.kind}
            onChange={(e) => {
              const kind = e.target.value as WorkKind;
              onChange(
                { pairs: { ...pairs, kind, rung: kind === 'contact' ? Math.max(1, pairs.rung) : 0 } },
                `what the pairs of ${block.name} are for`,
              );
            }}
          >
            {WORK_KINDS.map((k) => (
              <MenuItem key={k} value={k}>
                {WORK[k]}
              </MenuItem>
            ))}
          </TextField>
          {pairs.kind === 'contact' && (
            <TextField
              label="At most"
              select
              value={pairs.rung}
              onChange={(e) =>
                onChange({ pairs: { ...pairs, rung: Number(e.target.value) } }, `the rung of ${block.name}`)
              }
            >
              {RUNGS.map((r, i) => (
                <MenuItem key={r} value={i + 1}>
                  {i + 1}: {capital(r)}
                </MenuItem>
              ))}
            </TextField>
          )}
          <TextField
            label="Rounds"
            select
            value={pairs.rounds}
            onChange={(e) =>
              onChange({ pairs: { ...pairs, rounds: Number(e.target.value) } }, `the rounds of ${block.name}`)
            }
          >
            {[1, 2, 3, 4, 5, 6, 7, 8, 10, 12].map((n) => (
              <MenuItem key={n} value={n}>
                {n}
              </MenuItem>
            ))}
          </TextField>
          <FormControlLabel
            control={<Checkbox checked={pairs.answers} />}
            label="Only who has the answers defends"
            onChange={(_, answers) => onChange({ pairs: { ...pairs, answers } }, `who defends in ${block.name}`)}
          />
          {pairs.kind === 'contact' && (
            <p className="second">
              The lower yes of the two decides. Nobody is paired without one, or against a refusal. Local rules on
              minors come first.
            </p>
          )}
        </>
      )}
      <Button onClick={onRemove}>Take this block out</Button>
    </section>
  );
}
