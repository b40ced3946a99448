import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useMemo, useState, type SyntheticEvent } from 'react';
import type { SequenceView } from '../../contracts/views';
import {
  derive,
  makeVocabulary,
  needsOf,
  printLine,
  recipeEffects,
  recipeWords,
  sectionings,
  tally,
  tallyWords,
  type Operation,
  type Recipe,
  type Sequence,
  type Word,
} from '../../core';
import { ask, newId, send } from '../../kit/send';
import { asDraft, FORMS, operationOf, OPS } from './operations';
import { fresh, type Draft } from './operations/draft';
import './Derive.css';

/** A recipe, step by step, with what it would make before it is made. */
export function Derive({
  parent,
  others,
  words,
  existing,
  leave,
}: {
  parent: { id: string; title: string; body: Sequence };
  others: SequenceView['others'];
  words: readonly Word[];
  existing: { id: string; title: string; recipe: Recipe } | null;
  leave: () => void;
}) {
  const [id] = useState(() => existing?.id ?? newId());
  const [title, setTitle] = useState(existing?.title ?? '');
  const [drafts, setDrafts] = useState<Draft[]>(() => existing?.recipe.map(asDraft) ?? [fresh()]);
  const [wrong, setWrong] = useState('');
  const [bodies, setBodies] = useState<ReadonlyMap<string, Sequence>>(new Map());
  const vocabulary = useMemo(() => makeVocabulary(words), [words]);
  const made = drafts.map((d) => operationOf(d, vocabulary));
  const recipe = made.flatMap((m) => (m.ok ? [m.op] : []));
  const missing = made.find((m) => !m.ok);
  const needs = needsOf(recipe).join(' ');
  useEffect(() => {
    let left = false;
    void Promise.all(
      needs
        .split(' ')
        .filter((n) => n && !bodies.has(n))
        .map(async (n) => [n, await ask('sequence', { id: n })] as const),
    ).then((found) => {
      if (left || found.length === 0) return;
      const bad = found.find(([, a]) => !a.ok)?.[1];
      if (bad && !bad.ok) return setWrong(bad.title);
      setBodies(
        new Map([
          ...bodies,
          ...found.flatMap(([n, a]) => (a.ok && a.view.sequence ? [[n, a.view.sequence.body] as const] : [])),
        ]),
      );
    });
    return () => {
      left = true;
    };
  }, [needs, bodies]);
  const preview = missing ? null : derive(parent.body, recipe, { find: (x) => bodies.get(x), vocabulary });
  const effects = preview?.ok ? recipeEffects(parent.body, recipe, { find: (x) => bodies.get(x), vocabulary }) : [];
  const nameOf = (x: string) => others.find((o) => o.id === x)?.title ?? 'another sequence';
  const set = (i: number, change: Partial<Draft>) =>
    setDrafts(drafts.map((d, j) => (j === i ? { ...d, ...change } : d)));
  const save = async (e: SyntheticEvent) => {
    e.preventDefault();
    const answer = await send('sequence.derive', { id, parentId: parent.id, title, recipe });
    if (answer.ok) window.location.assign(`/sequences/${id}`);
    else setWrong(answer.title);
  };
  const drill = parent.body.moves.some((m) => m.partner !== null) || drafts.some((d) => d.op === 'answer');
  const sections = sectionings(parent.body)[0]?.sections.map((s) => s.name) ?? [];
  return (
    <form className="sheet stack derive" onSubmit={(e) => void save(e)} noValidate>
      <h2>{existing ? `How ${existing.title} comes from ${parent.title}` : `A new one from ${parent.title}`}</h2>
      {!existing && (
        <TextField id="derive-title" label="Title" value={title} onChange={(e) => setTitle(e.target.value)} />
      )}
      <ol className="stack">
        {drafts.map((d, i) => (
          <li key={d.key} className="operation">
            <TextField
              id={`op-${i}`}
              label={i === 0 ? 'First' : 'Then'}
              select
              value={d.op}
              onChange={(e) => set(i, { op: e.target.value as Operation['op'] })}
            >
              {OPS.map((o) => (
                <MenuItem key={o.value} value={o.value}>
                  {o.word}
                </MenuItem>
              ))}
            </TextField>
            {FORMS[d.op].fields({ d, i, others, sections, drill, set: (c) => set(i, c) })}
            {drafts.length > 1 && (
              <Button onClick={() => setDrafts(drafts.filter((_, j) => j !== i))}>Take this step out</Button>
            )}
          </li>
        ))}
      </ol>
      <Button
        onClick={() => setDrafts([...drafts, { ...fresh(), op: 'mirror' }])}
        sx={{ justifySelf: 'start', alignSelf: 'flex-start' }}
      >
        Add a step
      </Button>
      <div role="status" className="preview">
        {missing && !missing.ok ? (
          <p className="attention">{missing.why}</p>
        ) : preview && !preview.ok ? (
          <p className="hurts">{preview.error}</p>
        ) : preview ? (
          <>
            <p>
              <b>{recipeWords(recipe, nameOf)}.</b> {tallyWords(tally(preview.value))}
            </p>
            {effects.map((text) => (
              <p key={text} className="attention">
                {text}
              </p>
            ))}
            <ol className="second lines">
              {preview.value.moves.slice(0, 8).map((m, i) => (
                <li key={i}>{printLine(m, vocabulary)}</li>
              ))}
            </ol>
            {preview.value.moves.length > 8 && <p className="second">and {preview.value.moves.length - 8} more</p>}
          </>
        ) : null}
      </div>
      <div role="alert">{wrong && <p className="message wrong">{wrong}</p>}</div>
      <div className="row">
        <Button type="submit" variant="contained" disabled={!preview?.ok || title.trim() === ''}>
          {existing ? 'Follow this recipe' : 'Make it'}
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}
