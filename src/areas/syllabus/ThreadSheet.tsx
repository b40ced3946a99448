import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo } from 'react';
import type { EditInput } from '../../contracts/syllabus';
import type { ItemShown, SyllabusView } from '../../contracts/views';
import {
  capital,
  countOf,
  hangsOn,
  inWords,
  itemKey,
  plural,
  suggestNeeds,
  type ItemFacts,
  type Syllabus,
  type Thread,
} from '../../core';
import { Switch } from '../../kit/Switch';
import { TestAgain } from './TestAgain';

/** One item's way: where it begins and ends, what it hangs on and what hangs on it. */
export function ThreadSheet({
  view,
  syllabus,
  thread,
  item,
  factsOf,
  mayChange,
  edit,
  onTest,
  leave,
}: {
  view: SyllabusView;
  syllabus: Syllabus;
  thread: Thread;
  item: ItemShown | undefined;
  factsOf: (key: string) => ItemFacts | undefined;
  mayChange: boolean;
  edit: (edits: EditInput[], says: string) => string | null;
  onTest: (requirementId: string) => void;
  leave: () => void;
}) {
  const name = (id: string) => {
    const t = syllabus.threads.find((x) => x.id === id);
    return (t && factsOf(itemKey(t.item))?.name) ?? 'something gone';
  };
  const put = (more: Partial<Thread>) =>
    edit([{ op: 'thread.put', thread: { ...thread, ...more } }], `${name(thread.id)}`);
  const needs = syllabus.needs.filter((n) => n.of === thread.id);
  const far = [...hangsOn(thread.id, syllabus.needs)].filter((id) => !needs.some((n) => n.on === id));
  const leaning = [...hangsOn(thread.id, syllabus.needs, 'up')];
  const suggested = useMemo(
    () =>
      suggestNeeds(syllabus, factsOf)
        .filter((n) => n.of === thread.id)
        .slice(0, 8),
    [syllabus, factsOf, thread.id],
  );
  const asked = syllabus.requirements.filter((r) => r.threadId === thread.id);
  const rankName = (id: string) => view.ranks.find((r) => r.id === id)?.name ?? '';
  const conditionName = (id: string) => view.conditions.find((c) => c.id === id)?.name ?? '';
  return (
    <section className="sheet stack" aria-label={name(thread.id)}>
      <h2>{name(thread.id)}</h2>
      {item && (
        <p className="second">
          {countOf(item.points, 'point')}
          {item.counts > 0 && `, ${countOf(item.counts, 'count')}`}
          {item.equipment.length > 0 && `, takes ${item.equipment.join(', ')}`}.{' '}
          <a
            href={'technique' in item.item ? `/techniques/${item.item.technique}` : `/sequences/${item.item.sequence}`}
          >
            Look at it
          </a>
        </p>
      )}
      <div className="two">
        <TextField
          id="thread-introduced"
          label="Introduced for"
          select
          disabled={!mayChange}
          value={thread.introduced ?? ''}
          onChange={(e) => put({ introduced: e.target.value || null })}
        >
          <MenuItem value="">no belt</MenuItem>
          {view.ranks.map((r, i) => (
            <MenuItem key={r.id} value={r.id}>
              {i === 0 ? `beginners, with ${r.name}` : r.name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          id="thread-until"
          label="Kept up"
          select
          disabled={!mayChange}
          value={thread.until ?? ''}
          onChange={(e) => put({ until: e.target.value || null })}
        >
          <MenuItem value="">to the end</MenuItem>
          {view.ranks.map((r) => (
            <MenuItem key={r.id} value={r.id}>
              until {r.name}
            </MenuItem>
          ))}
        </TextField>
      </div>
      {asked.length > 0 ? (
        <ul className="plain">
          {asked.map((r) => (
            <li key={r.id}>
              <button type="button" className="link" onClick={() => onTest(r.id)}>
                Tested for {rankName(r.rankId)}
              </button>{' '}
              <span className="second">{conditionName(r.conditionId)}</span>
            </li>
          ))}
        </ul>
      ) : (
        mayChange && (
          <Switch
            label="Formal"
            value={thread.informal ? 'informal' : 'formal'}
            onChange={(v) => put({ informal: v === 'informal' })}
            options={[
              { value: 'formal', word: 'to be tested' },
              { value: 'informal', word: 'informal' },
            ]}
          />
        )
      )}
      {mayChange && asked.length > 0 && (
        <TestAgain
          like={asked.at(-1)!}
          ranks={view.ranks.filter((r) => !asked.some((x) => x.rankId === r.id))}
          edit={(edits) => edit(edits, `${name(thread.id)} tested again`)}
        />
      )}
      <h3>Hangs on</h3>
      <ul className="plain">
        {needs.length === 0 && <li className="second">Nothing, so far as the syllabus says.</li>}
        {needs.map((n) => (
          <li key={n.on}>
            {name(n.on)}{' '}
            {mayChange && (
              <button
                type="button"
                className="link"
                aria-label={`${name(thread.id)} does not need ${name(n.on)}`}
                onClick={() => edit([{ op: 'need.remove', need: n }], `what ${name(thread.id)} hangs on`)}
              >
                let go
              </button>
            )}
          </li>
        ))}
        {far.length > 0 && <li className="second">and through them on {inWords(far.length)} more</li>}
      </ul>
      {mayChange && (
        <TextField
          id="thread-need"
          label="It needs"
          select
          value=""
          onChange={(e) =>
            edit([{ op: 'need.add', need: { of: thread.id, on: e.target.value } }], `what ${name(thread.id)} hangs on`)
          }
        >
          {suggested.map((n) => (
            <MenuItem key={n.on} value={n.on}>
              {name(n.on)}: {n.why}
            </MenuItem>
          ))}
          {syllabus.threads
            .filter(
              (t) => t.id !== thread.id && !needs.some((n) => n.on === t.id) && !suggested.some((n) => n.on === t.id),
            )
            .map((t) => (
              <MenuItem key={t.id} value={t.id}>
                {name(t.id)}
              </MenuItem>
            ))}
        </TextField>
      )}
      {mayChange && suggested.length > 1 && (
        <Button
          onClick={() =>
            edit(
              suggested.map(({ of, on }) => ({ op: 'need.add' as const, need: { of, on } })),
              `what ${name(thread.id)} hangs on`,
            )
          }
        >
          Take all {inWords(suggested.length)} from its own contents
        </Button>
      )}
      {leaning.length > 0 && (
        <p className="second">
          {capital(inWords(leaning.length))} {plural(leaning.length, 'item')} {leaning.length === 1 ? 'hangs' : 'hang'}{' '}
          on it: {leaning.slice(0, 4).map(name).join(', ')}
          {leaning.length > 4 ? ', …' : '.'}
        </p>
      )}
      <div className="row wrap">
        <Button onClick={leave}>Close</Button>
        {mayChange && (
          <Button
            variant="text"
            onClick={() => {
              const tests = asked.length > 0 ? `, with ${inWords(asked.length)} ${plural(asked.length, 'test')}` : '';
              if (edit([{ op: 'thread.remove', id: thread.id }], `${name(thread.id)} taken out${tests}`) === null)
                leave();
            }}
          >
            Take it out of the syllabus
          </Button>
        )}
      </div>
    </section>
  );
}
