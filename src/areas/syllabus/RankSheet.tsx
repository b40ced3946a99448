import Button from '@mui/material/Button';
import { useState } from 'react';
import { type EditInput } from '../../contracts/syllabus';
import type { SyllabusView } from '../../contracts/views';
import {
  capital,
  GATE_KINDS,
  gateAsks,
  inWords,
  itemKey,
  loadOf,
  plural,
  PROMOTIONS,
  type Gate,
  type ItemFacts,
  type Syllabus,
} from '../../core';
import { Belt } from '../../kit/marks/Belt';
import { Switch } from '../../kit/Switch';
import { BeltSheet, type Does } from './BeltSheet';
import { GateForm } from './GateForm';

/** One belt: its gates, how it is given, what it asks in all, and its cloth. */
export function RankSheet({
  view,
  syllabus,
  rankId,
  factsOf,
  mayChange,
  edit,
  does,
  saved,
  leave,
}: {
  view: SyllabusView;
  syllabus: Syllabus;
  rankId: string;
  factsOf: (key: string) => ItemFacts | undefined;
  mayChange: boolean;
  edit: (edits: EditInput[], says: string) => string | null;
  does: Does;
  /** When the belt itself was saved. */
  saved: () => Promise<void>;
  leave: () => void;
}) {
  const [gate, setGate] = useState<(Gate & { rankId: string }) | 'new' | null>(null);
  const [cloth, setCloth] = useState(false);
  const place = view.ranks.findIndex((r) => r.id === rankId);
  const rank = view.ranks[place];
  if (!rank) return null;
  const ids = view.ranks.map((r) => r.id);
  const load = loadOf(syllabus, ids, factsOf)[place]!;
  const gates = syllabus.gates.filter((g) => g.rankId === rankId);
  const fresh = syllabus.threads.filter((t) => t.introduced === rankId);
  const move = async (by: number) => {
    const order = [...ids];
    const to = place + by;
    [order[place], order[to]] = [order[to]!, order[place]!];
    await does('rank.order', { ids: order });
  };
  if (cloth)
    return (
      <BeltSheet
        value={rank}
        does={does}
        leave={() => setCloth(false)}
        made={() => setCloth(false)}
        saved={async () => {
          await saved();
          setCloth(false);
        }}
      />
    );
  return (
    <section className="sheet stack" aria-label={rank.name}>
      <h2 className="spread">
        <span>{rank.name}</span>
        <Belt name={rank.name} cloth={rank.cloth} width={74} height={20} />
      </h2>
      <p className="second">
        {rank.wornBy === 0 ? 'Nobody wears it' : `${capital(inWords(rank.wornBy))} wear it`}. It asks for{' '}
        {load.requirements} {plural(load.requirements, 'thing')}: {load.fresh} for the first time, {load.again} again.{' '}
        {load.points} new points, {load.counts} new counts.
      </p>
      {fresh.length > 0 && (
        <p className="second">
          Introduced:{' '}
          {fresh
            .slice(0, 6)
            .map((t) => factsOf(itemKey(t.item))?.name ?? '')
            .join(', ')}
          {fresh.length > 6 && ` and ${inWords(fresh.length - 6)} more`}.
        </p>
      )}
      {place > 0 && (
        <>
          <h3>Gates</h3>
          <ul className="plain">
            {gates.length === 0 && <li className="second">None: technique alone decides.</li>}
            {gates.map((g) => (
              <li key={g.id} className="spread">
                <span>{capital(gateAsks(g))}</span>
                {mayChange && (
                  <button
                    type="button"
                    className="link"
                    aria-label={`Change the gate: ${g.kind}`}
                    onClick={() => setGate(g)}
                  >
                    change
                  </button>
                )}
              </li>
            ))}
          </ul>
          {gate === null && mayChange && gates.length < GATE_KINDS.length && (
            <Button onClick={() => setGate('new')}>Add a gate</Button>
          )}
          {gate !== null && (
            <GateForm
              key={gate === 'new' ? 'new' : gate.id}
              rankId={rankId}
              value={gate === 'new' ? null : gate}
              taken={gates.map((g) => g.kind)}
              edit={edit}
              leave={() => setGate(null)}
            />
          )}
          <h3>Given</h3>
          {mayChange ? (
            <Switch
              label="Given"
              value={syllabus.promotions[rankId] ?? 'by date'}
              onChange={(promotion) => edit([{ op: 'promotion.set', rankId, promotion }], `how ${rank.name} is given`)}
              options={PROMOTIONS.map((p) => ({ value: p, word: p }))}
            />
          ) : (
            <p>{capital(syllabus.promotions[rankId] ?? 'by date')}</p>
          )}
        </>
      )}
      <p className="second">
        Contact, weapons and hard conditioning of minors: the rules of your federation, your insurer and local law come
        first, whatever a belt asks.
      </p>
      <div className="row wrap">
        <a className="button" href={`/syllabus/print?rank=${rankId}`}>
          Print its sheet
        </a>
        {mayChange && (
          <>
            <Button onClick={() => setCloth(true)}>Name and cloth</Button>
            <Button disabled={place === 0} aria-label={`${rank.name} one place down`} onClick={() => void move(-1)}>
              ←
            </Button>
            <Button
              disabled={place === view.ranks.length - 1}
              aria-label={`${rank.name} one place up`}
              onClick={() => void move(1)}
            >
              →
            </Button>
            <Button variant="text" onClick={() => void does('rank.remove', { id: rankId })}>
              Remove
            </Button>
          </>
        )}
        <Button onClick={leave}>Close</Button>
      </div>
    </section>
  );
}
