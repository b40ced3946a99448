import {
  asGraded,
  asKeptBy,
  layoutStave,
  linesIn,
  readLines,
  traceFloor,
  type Body,
  type ReadSequence,
  type Recipe,
  type Sequence,
  type StaveLayout,
  type Trace,
  type Vocabulary,
  stancesOf,
} from '../../core';
import { departsFrom, type Departs } from './reading';

/** How a text is to be read and drawn, whatever it says. */
export interface Drawing {
  vocabulary: Vocabulary;
  /** '' as written, 'gradings', or '~' and the name of a school. */
  keeper: string;
  stature: number;
  sectioning: number;
  computed: Sequence | null;
  parent: Sequence | null;
  recipe: Recipe | null;
}

/** A text, read and drawn. */
export interface Score {
  typed: Sequence;
  problems: ReadSequence['problems'];
  lineOf: readonly number[];
  /** As written, as one school keeps it, or as it is shown at gradings. */
  read: Sequence;
  body: Body;
  trace: Trace;
  departs: Departs;
  layout: StaveLayout;
}

const last = new WeakMap<Drawing, { text: string; score: Score }>();

/** Reads and draws a text; the stave at once and the rest a moment later ask for the same, so the last one is kept. */
export function scoreOf(text: string, drawing: Drawing, lines: readonly string[] = linesIn(text)): Score {
  const before = last.get(drawing);
  if (before?.text === text) return before.score;
  const { vocabulary, keeper, stature } = drawing;
  const { sequence: typed, problems, lineOf } = readLines(lines, vocabulary);
  const read = keeper === '' ? typed : keeper === 'gradings' ? asGraded(typed) : asKeptBy(typed, keeper.slice(1));
  const body = bodyFor(
    drawing,
    read.moves.some((m) => m.step.actions.some((a) => a.kind === 'weapon cut')),
  );
  const trace = traceFloor(read, body);
  const departs = departsFrom(read, drawing.computed, drawing.parent, drawing.recipe);
  const layout = layoutStave(
    read,
    { body, departs: departs.moves, gaps: departs.gaps, sectioning: drawing.sectioning },
    trace,
  );
  const score = { typed, problems, lineOf, read, body, trace, departs, layout };
  last.set(drawing, { text, score });
  return score;

  function bodyFor(key: Drawing, armed: boolean): Body {
    const kept = bodies.get(key);
    const weapon = armed ? stature * 1.05 : 0;
    if (kept?.weapon === weapon) return kept;
    const made: Body = {
      stature,
      weapon,
      stances: stancesOf(vocabulary),
    };
    bodies.set(key, made);
    return made;
  }
}
const bodies = new WeakMap<Drawing, Body>();

/** The text as it stands in the editor this moment, for whoever must follow every key. */
export interface LiveText {
  get: () => string;
  /** The same in lines: those that nobody touches stay the very strings they were, and are read at once. */
  lines: () => readonly string[];
  set: (text: string, lines?: readonly string[]) => void;
  subscribe: (follow: () => void) => () => void;
}

export function liveText(start: string): LiveText {
  let text = start;
  let lines: readonly string[] = linesIn(start);
  const followers = new Set<() => void>();
  return {
    get: () => text,
    lines: () => lines,
    set: (next, inLines = linesIn(next)) => {
      if (next === text) return;
      [text, lines] = [next, inLines];
      for (const f of followers) f();
    },
    subscribe: (follow) => {
      followers.add(follow);
      return () => followers.delete(follow);
    },
  };
}
