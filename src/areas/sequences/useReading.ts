import { useMemo, useState } from 'react';
import type { SequenceView } from '../../contracts/views';
import { checkSequence, fold, layoutFloor, makeVocabulary, tracePair } from '../../core';
import { scoreOf, type Drawing } from './score';

/** How far from the mark a form may end, in metres. */
const MAY_END_OFF = 0.3;

/** What a text says as it is drawn just now: sequence, floor and findings, for a keeper, a sectioning, a stature, a hall. */
export function useReading(text: string, view: SequenceView) {
  const [keeper, setKeeper] = useState('');
  const [sectioning, setSectioning] = useState('1');
  const [stature, setStature] = useState(1.7);
  const [hallId, setHall] = useState(view.halls[0]?.id ?? '');
  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const drawing: Drawing = useMemo(
    () => ({
      vocabulary,
      keeper,
      stature,
      sectioning: Number(sectioning),
      computed: view.computed,
      parent: view.parent?.body ?? null,
      recipe: view.sequence?.recipe ?? null,
    }),
    [vocabulary, keeper, stature, sectioning, view],
  );
  const score = useMemo(() => scoreOf(text, drawing), [text, drawing]);
  const { read, trace, body } = score;
  const closes = read.about.kind === 'form' && !read.about.lineWork && !read.about.loop;
  const pair = useMemo(() => (read.moves.some((m) => m.partner !== null) ? tracePair(read, body) : null), [read, body]);
  const plan = useMemo(
    () => layoutFloor(read, trace, { closingAllowed: closes ? MAY_END_OFF : null, partner: pair?.b ?? null }),
    [read, trace, closes, pair],
  );
  const hall = view.halls.find((h) => h.id === hallId);
  const called = read.about.rank;
  const place = called === null ? -1 : view.ranks.findIndex((r) => fold(r.name) === fold(called));
  const findings = useMemo(
    () =>
      checkSequence(read, {
        vocabulary,
        body,
        rank: place < 0 ? null : place,
        ranks: view.ranks.map((r) => r.name),
        closingAllowed: MAY_END_OFF,
        hall: hall && view.comes > 0 ? { name: hall.name, room: hall, people: view.comes } : null,
        conditions: view.conditions.map((c) => c.name),
        beyond: (condition, ceiling) =>
          view.conditions.find((c) => c.name === ceiling)?.beyond.includes(condition) ?? false,
      }),
    [read, vocabulary, body, place, view, hall],
  );
  return {
    ...score,
    drawing,
    pair,
    plan,
    findings,
    keeper,
    setKeeper,
    sectioning,
    setSectioning,
    stature,
    setStature,
    hallId,
    setHall,
  };
}
