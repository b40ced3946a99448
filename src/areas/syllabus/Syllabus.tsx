import Button from '@mui/material/Button';
import { useDeferredValue, useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { SyllabusView } from '../../contracts/views';
import {
  capital,
  checkSyllabus,
  dateInWords,
  inWords,
  countOf,
  itemKey,
  loadOf,
  NOTHING_KNOWN,
  sortFindings,
  STEADY,
  usualCondition,
  type ItemFacts,
  type PlacedRequirement,
  type SyllabusFinding,
} from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { Late, late } from '../../kit/late';
import { newId, send } from '../../kit/send';
import { Word } from '../../kit/Word';
import { type Does } from './BeltSheet';
import { Beside, type Open } from './Beside';
import { Coverage } from './Coverage';
import { NAMES } from './drawing';
import { Findings } from './Findings';
import { Legend } from './Legend';
import './shared.css';
import { Tools, Troubles } from './Tools';
import { useDraft } from './useDraft';
import { movedTo, requirementAt, strokeAt, type Way } from './wayKeys';
import { Cloth, type Tie } from './Weave';
import { cellId, type Grip, type Place } from './WeaveRow';
import './Syllabus.css';

const LEAST_COLUMN = 52;

/** Drawn only when it is asked for. */
const LoadChart = late(() => import('./LoadChart'));

/** "Does the way hold together?": ranks across, work down, every item's life as a thread; what is open stands beside it. */
export default function Syllabus({
  view: first,
  me,
  mayChange,
  rankId,
}: {
  view: SyllabusView;
  me: { id: string; name: string };
  mayChange: boolean;
  rankId: string | null;
}) {
  const draft = useDraft(first, me);
  const { view, syllabus, edit } = draft;
  const [open, setOpen] = useState<Open>(rankId === null ? null : { what: 'rank', id: rankId });
  const [place, setPlace] = useState<Place | null>(null);
  const [tie, setTie] = useState<SyllabusFinding | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const [column, setColumn] = useState(82);
  const [byKind, setByKind] = useState(false);
  useEffect(() => {
    const el = frame.current;
    if (!el) return;
    const look = () =>
      setColumn(Math.max(LEAST_COLUMN, Math.floor((el.clientWidth - NAMES - 34) / Math.max(1, view.ranks.length))));
    look();
    const size = new ResizeObserver(look);
    size.observe(el);
    return () => size.disconnect();
  }, [view.ranks.length]);

  const items = useMemo(() => new Map(view.items.map((i) => [i.key, i])), [view.items]);
  const factsOf = useMemo(() => {
    // What was put in since the page came is known by its name until the server has told more.
    const bare = new Map(view.others.map((o) => [o.key, o]));
    return (key: string): ItemFacts | undefined => {
      const known = items.get(key);
      if (known) return known;
      const whole = bare.get(key) ?? bare.get(key.split(':').slice(0, 2).join(':'));
      return (
        whole && { ...NOTHING_KNOWN, item: whole.item, name: whole.name, group: whole.group, counts: whole.counts }
      );
    };
  }, [items, view.others]);
  const later = useDeferredValue(syllabus);
  const found = useMemo(
    () =>
      sortFindings(
        later,
        checkSyllabus(later, {
          ranks: view.ranks,
          conditions: view.conditions,
          factsOf,
          halls: view.halls,
          store: view.store,
        }),
      ),
    [later, view, factsOf],
  );
  const changed = useMemo(() => {
    const out = new Set<string>();
    if (!view.over) return out;
    const key = (s: typeof syllabus, id: string) =>
      JSON.stringify([s.threads.find((t) => t.id === id), s.requirements.filter((r) => r.threadId === id)]);
    for (const t of syllabus.threads) if (key(syllabus, t.id) !== key(view.over.syllabus, t.id)) out.add(t.id);
    return out;
  }, [syllabus, view.over]);

  // The finding's two items, or what the chosen item hangs on and what hangs on it.
  const ties = useMemo(
    (): Tie[] =>
      tie?.threadId && tie.alsoId
        ? [{ from: tie.threadId, to: tie.alsoId, rankId: tie.rankId }]
        : place
          ? syllabus.needs
              .filter((n) => n.of === place.threadId || n.on === place.threadId)
              .map((n) => ({ from: n.on, to: n.of, rankId: firstRank(syllabus, n.of, view.ranks) }))
          : [],
    [tie, place, syllabus, view.ranks],
  );
  /** Sends a command that is no change of the draft, once those are saved. */
  const sends: Does = async (name, input) => {
    draft.setWrong('');
    if (!(await draft.settled()))
      return {
        ok: false,
        status: 0,
        errors: [],
        title: 'Some changes of the draft are not saved yet. They are kept here; this can be done when they are.',
      };
    const answer = await send(name, input);
    if (answer.ok) {
      await draft.renew();
      if (name.startsWith('syllabus.')) setOpen(null);
    }
    return answer;
  };
  /** The same for a button: what goes wrong is said above the way. */
  const does: Does = async (name, input) => {
    const answer = await sends(name, input);
    if (!answer.ok) draft.setWrong(answer.title);
    return answer;
  };

  const nameOf = (threadId: string) => {
    const t = syllabus.threads.find((x) => x.id === threadId);
    return (t && factsOf(itemKey(t.item))?.name) ?? 'something gone';
  };
  const newAt = (p: Place): PlacedRequirement => {
    const before = syllabus.requirements.filter((r) => r.threadId === p.threadId);
    const like = before.at(-1);
    return {
      id: newId(),
      threadId: p.threadId,
      rankId: view.ranks[p.at]!.id,
      conditionId:
        like?.conditionId ??
        usualCondition(
          view.conditions,
          syllabus.requirements.map((r) => r.conditionId),
          syllabus.order,
        ),
      purpose: like?.purpose ?? null,
      standard: like?.standard ?? STEADY,
      stage: null,
      rung: like?.rung ?? null,
      critical: false,
      opens: null,
    };
  };
  const way: Way = { syllabus, ranks: view.ranks, factsOf, nameOf, newAt };
  const openAt = (p: Place) => {
    setPlace(p);
    setTie(null);
    const there = p.at < 0 ? undefined : requirementAt(way, p);
    if (there) setOpen({ what: 'requirement', value: there, isNew: false });
    else if (p.at >= 0 && mayChange) setOpen({ what: 'requirement', value: newAt(p), isNew: true });
    else setOpen({ what: 'thread', id: p.threadId });
  };

  const move = (threadId: string, grip: Grip, to: number) => {
    const moved = mayChange ? movedTo(way, threadId, grip, to) : null;
    if (moved) edit(moved.edits, moved.says);
  };
  const keys = (e: KeyboardEvent, p: Place) => {
    const stroke = strokeAt(way, p, e, mayChange);
    if (!stroke) return;
    e.preventDefault();
    if (stroke.does === 'open') return openAt(p);
    if (stroke.does === 'undo') return draft.undo();
    edit(stroke.edits, stroke.says);
    const { goes } = stroke;
    if (!goes) return;
    setPlace(goes);
    requestAnimationFrame(() => document.getElementById(cellId(goes))?.focus());
  };
  const goTo = (f: SyllabusFinding) => {
    setTie(f.alsoId ? f : null);
    if (f.threadId === null) {
      if (f.rankId !== null) setOpen({ what: 'rank', id: f.rankId });
      return;
    }
    const p = { threadId: f.threadId, at: view.ranks.findIndex((r) => r.id === f.rankId) };
    setPlace(p);
    const there = p.at < 0 ? undefined : requirementAt(way, p);
    setOpen(there ? { what: 'requirement', value: there, isNew: false } : { what: 'thread', id: f.threadId });
    document.getElementById(cellId(p))?.scrollIntoView({ block: 'center', inline: 'nearest' });
  };
  const top = view.ranks.at(-1)?.name;
  const isDraft = draft.versionNow() !== null || draft.undoes !== null;
  const sub = !view.over
    ? 'A first draft: nothing is published yet, so nobody is judged.'
    : isDraft
      ? `Draft${view.changedOn ? ` of ${dateInWords(view.changedOn)}` : ''} over “${view.over.title}”. Students stay on theirs until you move them.`
      : `“${view.over.title}”, from ${dateInWords(view.over.from)}. A change begins a draft.`;
  const empty = syllabus.threads.length === 0;
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>{top ? `Does the way to ${top} hold together?` : 'Which belts are there?'}</h1>
          <p className="sub">{sub}</p>
          {top && (
            <p className="sub">
              A row is one item on <Word of="way" />, a column one belt: what stands in it is what that belt introduces,
              works on, <Word of="requirement">tests</Word> or keeps.
            </p>
          )}
        </div>
        {mayChange && (
          <div className="actions">
            {view.over && isDraft && (
              <a className="button" href={`/syllabus/compare?was=${view.over.id}`}>
                Compare with “{view.over.title}”
              </a>
            )}
            {isDraft && (
              <Button
                variant="contained"
                disabled={syllabus.requirements.length === 0}
                onClick={() => setOpen({ what: 'publish' })}
              >
                Publish the draft
              </Button>
            )}
          </div>
        )}
      </div>
      {mayChange && <Tools draft={draft} onOpen={(what) => setOpen({ what })} />}
      <Troubles draft={draft} />
      <div className="syllabus">
        <div ref={frame}>
          {empty ? (
            <div className="message stack">
              <p>Nothing is on the way yet.</p>
              {mayChange && (
                <p>
                  {view.others.length > 0 ? (
                    <Button variant="contained" onClick={() => setOpen({ what: 'add' })}>
                      Put the first item in
                    </Button>
                  ) : (
                    <>
                      The library is empty. <a href="/techniques/new">Write the first technique</a>, or{' '}
                    </>
                  )}{' '}
                  <a href="/syllabus/exchange">begin from a starter or a file</a>.
                </p>
              )}
            </div>
          ) : null}
          {(!empty || view.ranks.length > 0) && (
            <Cloth
              view={view}
              syllabus={syllabus}
              factsOf={factsOf}
              findings={found.open}
              column={column}
              place={place}
              ties={ties}
              changed={changed}
              mayChange={mayChange}
              onPlace={setPlace}
              onRank={(id) => setOpen({ what: 'rank', id })}
              onOpen={openAt}
              onMove={move}
              onKey={keys}
            />
          )}
          {!empty && (
            <p className="legend">
              <Legend />
            </p>
          )}
          {!empty && (
            <details className="by-kind" onToggle={(e) => setByKind(e.currentTarget.open)}>
              <summary>Load by kind</summary>
              {byKind && (
                <Late meanwhile={<p className="second">Drawing</p>}>
                  <LoadChart
                    loads={loadOf(
                      later,
                      view.ranks.map((r) => r.id),
                      factsOf,
                    )}
                    ranks={view.ranks}
                  />
                </Late>
              )}
            </details>
          )}
          {!empty && mayChange && (
            <p className="second keys">
              Arrows go along, Enter opens. I introduces here, T tests here, E ends here, Delete takes away; Alt with
              arrows moves a mark or a line.
            </p>
          )}
        </div>
        <aside>
          <Beside
            open={open}
            setOpen={setOpen}
            draft={draft}
            factsOf={factsOf}
            mayChange={mayChange}
            sends={sends}
            does={does}
            onAdded={(id) => setPlace({ threadId: id, at: -1 })}
          />
          {!empty && (
            <Findings
              open={found.open}
              waived={found.waived}
              onPick={goTo}
              onWaive={
                mayChange
                  ? (keys, reason) =>
                      void edit(
                        keys.map((key) => ({ op: 'waive' as const, key, reason })),
                        reason === null ? 'a check taken up again' : `${countOf(keys.length, 'check')} left`,
                      )
                  : null
              }
            />
          )}
          {!empty && <Coverage view={view} syllabus={syllabus} factsOf={factsOf} />}
        </aside>
      </div>
      <p className="hidden" role="status">
        {capital(inWords(found.open.length))} to look at.
      </p>
    </IslandRoot>
  );
}

/** The first belt that tests an item, or in which it begins. */
function firstRank(s: SyllabusView['syllabus'], threadId: string, ranks: SyllabusView['ranks']): string | null {
  const asked = new Set(s.requirements.filter((r) => r.threadId === threadId).map((r) => r.rankId));
  return ranks.find((r) => asked.has(r.id))?.id ?? s.threads.find((t) => t.id === threadId)?.introduced ?? null;
}
