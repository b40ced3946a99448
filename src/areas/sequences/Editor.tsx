import {
  acceptCompletion,
  autocompletion,
  closeCompletion,
  type Completion,
  type CompletionContext,
} from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { lintKeymap, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorState, RangeSetBuilder, StateEffect, StateField } from '@codemirror/state';
import {
  Decoration,
  EditorView,
  gutter,
  GutterMarker,
  keymap,
  placeholder,
  ViewPlugin,
  type DecorationSet,
} from '@codemirror/view';
import { memo, useEffect, useMemo, useRef } from 'react';
import { fold, type NotationProblem, type Word } from '../../core';

export interface LineState {
  /** Count (1-based) that stands on a line (0-based). */
  countOf: ReadonlyMap<number, number>;
  departs: ReadonlySet<number>;
  lit: number | null;
}

const setLines = StateEffect.define<LineState>();

class Count extends GutterMarker {
  constructor(
    readonly n: number,
    readonly departs: boolean,
    readonly lit: boolean,
  ) {
    super();
  }
  override eq(o: Count) {
    return o.n === this.n && o.departs === this.departs && o.lit === this.lit;
  }
  override toDOM() {
    const el = document.createElement('span');
    el.className = `n${this.departs ? ' departs' : ''}${this.lit ? ' on' : ''}`;
    el.textContent = String(this.n);
    return el;
  }
}

const lineState = StateField.define<LineState>({
  create: () => ({ countOf: new Map(), departs: new Set(), lit: null }),
  update: (value, tr) => tr.effects.reduce((v, e) => (e.is(setLines) ? e.value : v), value),
});

/** How a line is dressed by what it begins with. */
function dressOf(text: string, count: number | undefined, lit: number | null): string {
  const t = text.trimStart();
  if (t.startsWith('=')) return 'sx';
  if (t.startsWith('#')) return 'note';
  if (['~', '?', '>', '!'].includes(t[0] ?? '')) return 'more';
  if (lit !== null && count === lit + 1) return 'cur';
  return count === undefined && t.includes(':') ? 'head' : '';
}

/** Headings in the hand of titles, comments quiet, the lit count's line tinted: of the lines that stand in the page. */
function dress(view: EditorView): DecorationSet {
  const { countOf, lit } = view.state.field(lineState);
  const { doc } = view.state;
  const b = new RangeSetBuilder<Decoration>();
  const last = doc.lineAt(view.viewport.to).number;
  for (let i = doc.lineAt(view.viewport.from).number; i <= last; i++) {
    const line = doc.line(i);
    const cls = dressOf(line.text, countOf.get(i - 1), lit);
    if (cls) b.add(line.from, line.from, Decoration.line({ class: cls }));
  }
  return b.finish();
}

const dressed = ViewPlugin.define(
  (view) => ({
    lines: dress(view),
    update(u) {
      if (u.docChanged || u.viewportChanged || u.startState.field(lineState) !== u.state.field(lineState))
        this.lines = dress(u.view);
    },
  }),
  { decorations: (plugin) => plugin.lines },
);

const numbers = gutter({
  class: 'counts',
  lineMarker: (view, line) => {
    const { countOf, departs, lit } = view.state.field(lineState);
    const n = countOf.get(view.state.doc.lineAt(line.from).number - 1);
    return n === undefined ? null : new Count(n, departs.has(n - 1), lit === n - 1);
  },
  lineMarkerChange: (u) => u.startState.field(lineState) !== u.state.field(lineState),
});

const COMMON = [
  'step L',
  'step R',
  'step L back',
  'step R back',
  'slide L',
  'slide R',
  'shift',
  'draw L',
  'draw R',
  'jump L',
  'jump R',
  'turn L 90',
  'turn R 90',
  'turn L 180',
  'turn R 180',
  'turn L 180 in place',
  'turn R 180 in place',
  'L foot',
  'R foot',
  'L foot across',
  'R foot across',
  'front stance',
  'back stance',
  'cat stance',
  'straddle stance',
  'natural stance',
  'ready stance',
  'weight 50/50',
  'power swing',
  'power vibration',
  'power wind',
  'power slide',
  'power drop',
  'in',
  'out',
  'hold',
  'shout',
  'slow',
  'quick',
  'switch',
  'rise',
  'sink',
  'cue',
  'high',
  'mid',
  'low',
];

function complete(words: readonly Word[]) {
  const known: (Completion & { folded: string[] })[] = words
    .filter((w) => !w.retired)
    .map((w) => {
      const label = w.name[1] === w.name[1]?.toLowerCase() ? w.name[0]!.toLowerCase() + w.name.slice(1) : w.name;
      return {
        label,
        detail: [w.kind, ...w.terms.slice(0, 1)].join(' · '),
        type: 'text',
        folded: [fold(label), ...w.terms.map(fold)],
      };
    });
  const common = COMMON.map((label) => ({ label, type: 'text', boost: -20, folded: [fold(label)] }));
  return (context: CompletionContext) => {
    const before = context.matchBefore(/[^,;|+#~:>?=\n]{0,120}$/);
    if (!before) return null;
    const lead = before.text.length - before.text.trimStart().length;
    const typed = fold(before.text.replace(/^\s*\d{1,4}[.)]?\s+/, ''));
    if (typed === '' && !context.explicit) return null;
    const hits = [...known, ...common].filter((o) =>
      o.folded.some((f) => f.startsWith(typed) || f.includes(` ${typed}`) || (typed.length > 2 && f.includes(typed))),
    );
    if (hits.length === 0 || (hits.length === 1 && hits[0]!.folded[0] === typed)) return null;
    return { from: before.from + lead, options: hits.slice(0, 40), filter: false };
  };
}

/** The text of a sequence: counts numbered in the margin, mistakes marked as they are typed, techniques completed by any term. */
export const Editor = memo(function Editor({
  start,
  words,
  lines,
  problems,
  place,
  onText,
  onLine,
}: {
  start: string;
  words: readonly Word[];
  lines: LineState;
  problems: readonly NotationProblem[];
  /** A line (0-based) to which the cursor is taken; a new object each time. */
  place: { line: number } | null;
  /** The text, and the same in lines, of which those that nobody touched are the strings they were. */
  onText: (text: string, lines: readonly string[]) => void;
  onLine: (line: number) => void;
}) {
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  // The editor is made anew only for another text: words that come meanwhile must not take away what was typed.
  const completer = useMemo(() => complete(words), [words]);
  const handlers = useRef({ onText, onLine, completer });
  useEffect(() => {
    handlers.current = { onText, onLine, completer };
  });
  useEffect(() => {
    const made = new EditorView({
      parent: host.current!,
      state: EditorState.create({
        doc: start,
        extensions: [
          history(),
          lineState,
          dressed,
          numbers,
          EditorView.lineWrapping,
          placeholder('step L, front stance, low block L, out'),
          autocompletion({
            override: [(context) => handlers.current.completer(context)],
            icons: false,
            activateOnTyping: true,
            maxRenderedOptions: 12,
          }),
          keymap.of([
            { key: 'Tab', run: acceptCompletion },
            { key: 'Escape', run: closeCompletion },
            ...lintKeymap,
            ...historyKeymap,
            ...defaultKeymap,
          ]),
          EditorView.contentAttributes.of({
            'aria-label': 'Counts, one a line',
            spellcheck: 'false',
            autocapitalize: 'off',
            tabindex: '0',
          }),
          EditorView.updateListener.of((u) => {
            if (u.docChanged) handlers.current.onText(u.state.doc.toString(), u.state.doc.toJSON());
            if (u.selectionSet || u.docChanged)
              handlers.current.onLine(u.state.doc.lineAt(u.state.selection.main.head).number - 1);
          }),
        ],
      }),
    });
    view.current = made;
    return () => {
      made.destroy();
      view.current = null;
    };
  }, [start]);
  useEffect(() => {
    const v = view.current;
    if (!v) return;
    const found = problems.flatMap((p): Diagnostic[] => {
      if (p.line > v.state.doc.lines) return [];
      const line = v.state.doc.line(p.line);
      const from = Math.min(line.to, line.from + p.column - 1);
      return [
        {
          from,
          to: Math.max(from, Math.min(line.to, from + p.length)),
          severity: p.severity === 'error' ? 'error' : 'warning',
          message: `${p.message} Expected: ${p.expected}.${p.near.length > 0 ? ` Near it: ${p.near.join(', ')}.` : ''}`,
        },
      ];
    });
    v.dispatch(setDiagnostics(v.state, found));
  }, [problems, start]);
  useEffect(() => {
    view.current?.dispatch({ effects: setLines.of(lines) });
  }, [lines, start]);
  useEffect(() => {
    const v = view.current;
    if (!v || !place || place.line + 1 > v.state.doc.lines) return;
    const line = v.state.doc.line(place.line + 1);
    v.dispatch({ selection: { anchor: line.to }, effects: EditorView.scrollIntoView(line.from, { y: 'center' }) });
  }, [place]);
  return <div className="editor" ref={host} />;
});
