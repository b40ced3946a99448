import Button from '@mui/material/Button';
import { diffWordsWithSpace } from 'diff';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Meanwhile } from '../../contracts/commands';
import { capital, inWords, meet, placeKey, plural, type Choice, type Divergence } from '../../core';
import { Switch } from '../Switch';
import { useKeys } from '../useKeys';
import { firstName } from '../words';
import { Scarf } from './Scarf';
import './sideBySide.css';

/** What a place is called on the screen: where it is, and what of it differs. */
export interface PlaceName {
  where: string;
  what: string;
}

/** Two saves of one thing met: only places where they differ; each is chosen, then what stands is saved. */
export function SideBySide<T>({
  title,
  was,
  mine,
  meanwhile,
  nameOf,
  show = shownPlainly,
  saving,
  wrong,
  onSave,
  leave,
  onLeave,
}: {
  title: string;
  /** What both began from, mine as it was to be saved, and what somebody saved meanwhile. */
  was: T;
  mine: T;
  meanwhile: Meanwhile;
  nameOf: (path: readonly string[]) => PlaceName;
  show?: (value: unknown, path: readonly string[]) => string;
  saving: boolean;
  wrong: string;
  onSave: (value: T) => void;
  leave: string;
  onLeave: () => void;
}) {
  const [choices, setChoices] = useState<ReadonlyMap<string, Choice>>(new Map());
  const [at, setAt] = useState(0);
  const rows = useRef<HTMLOListElement>(null);
  const theirs = meanwhile.now as T;
  const met = useMemo(() => meet(was, mine, theirs, choices), [was, mine, theirs, choices]);
  const { places } = met;
  const open = places.filter((p) => p.chosen === null);
  const choose = (p: Divergence, choice: Choice) => setChoices((c) => new Map([...c, [placeKey(p.path), choice]]));
  const chooseAll = (choice: Choice) => setChoices(new Map(places.map((p) => [placeKey(p.path), choice])));
  const by = meanwhile.by ?? 'Somebody';
  const their = `${firstName(by)}’s`;
  useEffect(() => {
    rows.current?.querySelector('.now')?.scrollIntoView({ block: 'nearest' });
  }, [at]);
  useKeys((key, digit) => {
    const p = places[at];
    if (key === 'arrowdown') setAt((i) => Math.min(places.length - 1, i + 1));
    else if (key === 'arrowup') setAt((i) => Math.max(0, i - 1));
    else if (digit !== null && p?.choices[digit - 1]) {
      choose(p, p.choices[digit - 1]!);
      setAt((i) => Math.min(places.length - 1, i + 1));
    } else return false;
    return true;
  });
  const time = new Date(meanwhile.at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  const quiet = [
    met.onlyTheirs > 0 ? `${inWords(met.onlyTheirs)} ${plural(met.onlyTheirs, 'change')} of ${firstName(by)}` : '',
    met.onlyMine > 0 ? `${inWords(met.onlyMine)} of yours` : '',
  ].filter(Boolean);
  return (
    <section className="side-by-side" aria-label={title}>
      <header className="title">
        <div>
          <h1>{title}</h1>
          <p className="sub">
            {by} saved version {meanwhile.version} at {time}. Yours is kept here and not lost.
          </p>
        </div>
        <div className="actions">
          <Button onClick={() => chooseAll('theirs')}>All of {their}</Button>
          <Button onClick={() => chooseAll('mine')}>All of yours</Button>
        </div>
      </header>
      <p className="differ">
        {places.length === 0
          ? 'You changed different places; nothing has to be chosen.'
          : `You both began from version ${meanwhile.version - 1}. ${capital(inWords(places.length))} ${plural(places.length, 'place differs', 'places differ')}.`}
        {quiet.length > 0 &&
          ` ${capital(quiet.join(' and '))} ${met.onlyMine + met.onlyTheirs === 1 ? 'touches nothing of the other and stands' : 'touch nothing of the other and stand'}.`}
      </p>
      {places.length > 0 && (
        <div className="heads" aria-hidden="true">
          <b>Where</b>
          <b>{their}</b>
          <b>Yours</b>
          <span>
            <b>What stands</b>
            <small>1 2 3 or a click; ↑ ↓ next place</small>
          </span>
        </div>
      )}
      <ol ref={rows}>
        {places.map((p, i) => {
          const { where, what } = nameOf(p.path);
          const words: Record<Choice, string> =
            p.what === 'taken out'
              ? {
                  mine: p.mine === undefined ? 'take it out' : 'keep yours',
                  theirs: p.theirs === undefined ? 'take it out' : `keep ${their}`,
                  both: '',
                }
              : { mine: 'yours', theirs: their, both: 'both' };
          return (
            // Keys go from place to place; a finger goes to any.
            // eslint-disable-next-line jsx-a11y/click-events-have-key-events
            <li key={placeKey(p.path)} className={i === at ? 'now' : ''} onClick={() => setAt(i)}>
              <div>
                <b>{where}</b>
                <span>{p.what === 'taken out' ? 'one took it out' : what}</span>
              </div>
              <Version place={p} whose="theirs" show={show} taken={p.chosen === 'theirs' || p.chosen === 'both'} />
              <Version place={p} whose="mine" show={show} taken={p.chosen === 'mine' || p.chosen === 'both'} />
              <div className="stands">
                <Scarf chosen={p.chosen} />
                <Switch
                  label={`What stands of ${where}, ${what}`}
                  value={p.chosen ?? ('' as Choice)}
                  options={p.choices.map((c) => ({ value: c, word: words[c] }))}
                  onChange={(c) => choose(p, c)}
                />
                <small>
                  {p.chosen === null
                    ? 'Open.'
                    : p.chosen === 'both'
                      ? `Becomes two sentences, ${their} first.`
                      : 'The other stays readable in the history.'}
                </small>
              </div>
            </li>
          );
        })}
      </ol>
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <footer>
        <p role="status">
          {open.length === 0
            ? 'Everything is chosen.'
            : `${capital(inWords(places.length - open.length))} of ${inWords(places.length)} chosen; “${nameOf(open[0]!.path).where}” is open.`}
        </p>
        <Button onClick={onLeave}>{leave}</Button>
        <Button variant="contained" disabled={open.length > 0 || saving} onClick={() => onSave(met.value)}>
          {saving ? 'Saving…' : `Save as version ${meanwhile.version + 1}`}
        </Button>
      </footer>
    </section>
  );
}

/** One of the two at a place: solid where it stands; words that the other has not are marked. */
function Version({
  place,
  whose,
  show,
  taken,
}: {
  place: Divergence;
  whose: 'mine' | 'theirs';
  show: (value: unknown, path: readonly string[]) => string;
  taken: boolean;
}) {
  const own = place[whose];
  const other = place[whose === 'mine' ? 'theirs' : 'mine'];
  const who = whose === 'mine' ? 'Yours' : 'Theirs';
  const text = show(own, place.path);
  return (
    <div className={`version${taken ? ' taken' : ''}`}>
      <span className="hidden">{who}: </span>
      {own === undefined ? (
        <span>
          <s>{show(place.was, place.path)}</s> taken out
        </span>
      ) : typeof own === 'string' && typeof other === 'string' ? (
        <span>
          {diffWordsWithSpace(other, own).map((d, i) =>
            d.removed ? null : d.added ? <mark key={i}>{d.value}</mark> : <span key={i}>{d.value}</span>,
          )}
          {own === '' && <em>nothing</em>}
        </span>
      ) : (
        <span>
          <b>{text}</b>
          {place.was !== undefined && place.what === 'changed' && `, was ${show(place.was, place.path)}`}
        </span>
      )}
    </div>
  );
}

/** A value in words, where the area has none of its own. */
export function shownPlainly(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string' || typeof value === 'number') return String(value);
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map((x) => shownPlainly(x)).join('; ');
  const thing = value as Record<string, unknown>;
  if ('lo' in thing && 'hi' in thing) return `${String(thing['lo'])} to ${String(thing['hi'])}`;
  const name = thing['name'] ?? thing['text'] ?? thing['looksLike'] ?? thing['arrange'];
  return typeof name === 'string'
    ? name
    : Object.values(thing)
        .map((x) => shownPlainly(x))
        .join(', ');
}
