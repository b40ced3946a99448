import Button from '@mui/material/Button';
import { useState } from 'react';
import type { CalledPair, LookKitView } from '../../contracts/views';
import { listInWords, pairKey, pairWhyInWords, RUNGS, unpairedInWords, type Block, type Pair } from '../../core';
import { SaveState } from '../../kit/mat/SaveState';
import type { KitStudent } from '../../kit/mat/line';
import { Switch } from '../../kit/Switch';
import { Cord } from './Cord';
import { oddPlaceOf } from './oddPlaceOf';
import { say } from './sound';
import { calling, useRounds } from './useRounds';
import type { useCalled } from './useCalled';
import './Pairs.css';

const LATELY = 3;

/** Who works with whom, and how hard: round by round, each pair with its reasons and a tick for both having said yes tonight. */
export function Pairs({
  kit,
  blocks,
  block,
  people,
  calls,
  onBlock,
  onBack,
}: {
  kit: LookKitView;
  /** Blocks with pairs. */
  blocks: readonly Block[];
  block: Block;
  people: readonly KitStudent[];
  calls: ReturnType<typeof useCalled>;
  onBlock: (id: string) => void;
  onBack: () => void;
}) {
  const { rounds, pins, tie, untie } = useRounds(kit, block, people, calls.called);
  const [at, setAt] = useState('1');
  const [open, setOpen] = useState<string | null>(null);
  const [tying, setTying] = useState<string | null>(null);
  const [voice, setVoice] = useState('');
  const shown = rounds.find((r) => String(r.round) === at) ?? rounds[0];
  const of = new Map(kit.students.map((s) => [s.id, s]));
  const name = (id: string) => of.get(id)?.name.split(' ')[0] ?? 'somebody';
  const names = (p: CalledPair | Pair) => listInWords([name(p.b), ...(p.c ? [name(p.c)] : [])]);
  const asked = block.pairs!;
  const yes = (id: string) => {
    const rung = of.get(id)?.rung;
    return rung === null || rung === undefined ? 'no yes on record' : rung === 0 ? 'no contact' : `yes to ${rung}`;
  };
  const mostOf = (p: CalledPair | Pair) =>
    Math.min(asked.rung, ...[p.a, p.b, ...(p.c ? [p.c] : [])].map((id) => of.get(id)?.rung ?? 0));
  const call = (pairs: readonly CalledPair[]) => calls.call(block.id, shown!.round, pairs);
  const aloud = () => {
    const list = (shown?.called ?? shown?.proposed.pairs ?? []).map((p) => `${name(p.a)} with ${names(p)}.`).join(' ');
    setVoice(say(list) ? '' : 'This device has no voice.');
  };
  const young = kit.ages?.['soft head touch'] ?? null;
  const noHead = people
    .filter((s) => young !== null && (s.age === null || s.age < young))
    .map((s) => s.name.split(' ')[0]!);
  const resting = people.filter((s) => s.resting.length > 0);
  const apart = (kit.pairing?.apart ?? []).filter(([a, b]) => [a, b].every((id) => people.some((p) => p.id === id)));
  const often = (kit.pairing?.recent ?? []).filter(
    (r) => r.times >= LATELY && [r.a, r.b].every((id) => people.some((p) => p.id === id)),
  );
  return (
    <div className="pairs">
      <header>
        <div>
          <h1>Who works with whom, and how hard?</h1>
          <p>
            {block.name}
            {asked.rung > 0
              ? `, at most rung ${asked.rung}: ${RUNGS[asked.rung - 1]}. The lower yes decides.`
              : ': nothing lands.'}
          </p>
        </div>
        <Button onClick={onBack}>Back to the clock</Button>
      </header>
      {blocks.length > 1 && (
        <Switch
          mat
          label="Block"
          value={block.id}
          options={blocks.map((b) => ({ value: b.id, word: b.name }))}
          onChange={onBlock}
        />
      )}
      {rounds.length > 1 && (
        <Switch
          mat
          label="Round"
          value={String(shown?.round ?? 1)}
          options={rounds.map((r) => ({ value: String(r.round), word: `Round ${r.round}${r.called ? ' ·' : ''}` }))}
          onChange={setAt}
        />
      )}
      {people.length === 0 && <p>Nobody is here yet: call the roll first.</p>}
      {shown && (
        <ul className="pairs-list">
          {(shown.called ?? shown.proposed.pairs).map((p) => {
            const key = pairKey(p.a, p.b);
            const was = shown.called?.find((c) => c.a === p.a && c.b === p.b) ?? null;
            const proposed = 'why' in p ? p : null;
            const most = mostOf(p);
            const agreed = was !== null && was.rung > 0;
            const pinned = pins.some(([a, b]) => pairKey(a, b) === key);
            return (
              <li key={key}>
                <button type="button" aria-expanded={open === key} onClick={() => setOpen(open === key ? null : key)}>
                  <span className="who">
                    <b>{name(p.a)}</b>
                    {asked.rung > 0 && <span>{yes(p.a)}</span>}
                  </span>
                  <span className="joined">
                    <Cord rung={was ? was.rung || most : p.rung} agreed={agreed} />
                    <span>
                      {most === 0 ? 'no contact' : `rung ${was ? was.rung || most : p.rung}`}
                      {pinned ? ', tied' : ''}
                    </span>
                  </span>
                  <span className="who">
                    <b>{names(p)}</b>
                    {asked.rung > 0 && (
                      <span>
                        {yes(p.b)}
                        {p.c ? `, ${yes(p.c)}` : ''}
                      </span>
                    )}
                  </span>
                </button>
                {was && most > 0 && (
                  <Button
                    className="yes"
                    variant={agreed ? 'contained' : 'outlined'}
                    aria-pressed={agreed}
                    onClick={() => call(shown.called!.map((c) => (c === was ? { ...c, rung: agreed ? 0 : most } : c)))}
                  >
                    {agreed ? 'Both said yes' : 'Both say yes?'}
                    <span className="hidden">
                      {' '}
                      {name(p.a)} and {names(p)}
                    </span>
                  </Button>
                )}
                {open === key && (
                  <div className="about">
                    <p>
                      {name(p.first)} begins; roles change in the middle.
                      {proposed?.onlyDefends ? ` Only ${name(proposed.onlyDefends)} defends.` : ''}
                      {proposed ? ` Why: ${pairWhyInWords(proposed, kit.today)}.` : ''}
                    </p>
                    {most > 0 && <p>Before you start: show how hard, and ask if that is all right.</p>}
                    <div className="row wrap">
                      {agreed && was.rung > 1 && (
                        <Button
                          onClick={() => call(shown.called!.map((c) => (c === was ? { ...c, rung: was.rung - 1 } : c)))}
                        >
                          Down to {was.rung - 1}
                        </Button>
                      )}
                      {!shown.called && (
                        <>
                          <Button onClick={() => (pinned ? untie(p.a, p.b) : tie(p.a, p.b))}>
                            {pinned ? 'Untie' : 'Tie these two'}
                          </Button>
                          <Button onClick={() => setTying(p.a)}>Another partner for {name(p.a)}</Button>
                          <Button onClick={() => setTying(p.b)}>Another partner for {name(p.b)}</Button>
                        </>
                      )}
                    </div>
                    {tying && (tying === p.a || tying === p.b) && (
                      <div className="row wrap" role="group" aria-label={`Who works with ${name(tying)}?`}>
                        {people
                          .filter((x) => x.id !== tying)
                          .map((x) => (
                            <Button
                              key={x.id}
                              onClick={() => {
                                tie(tying, x.id);
                                setTying(null);
                                setOpen(null);
                              }}
                            >
                              {x.name.split(' ')[0]}
                            </Button>
                          ))}
                      </div>
                    )}
                  </div>
                )}
              </li>
            );
          })}
        </ul>
      )}
      {shown && shown.proposed.alone.length > 0 && (
        <section>
          <h2>Without a partner</h2>
          {shown.proposed.alone.map((u) => {
            const { why, allows } = unpairedInWords(
              u,
              of.get(u.id)?.minor ?? true,
              oddPlaceOf(kit, of.get(u.id), shown.round),
            );
            return (
              <p key={u.id}>
                <b>{name(u.id)}:</b> {why}. Allowed by: {allows}.
              </p>
            );
          })}
        </section>
      )}
      {(apart.length > 0 || often.length > 0) && (
        <section>
          <h2>Kept apart</h2>
          {apart.map(([a, b]) => (
            <p key={`${a} ${b}`}>
              <b>
                {name(a)}, {name(b)}:
              </b>{' '}
              no reason is asked
            </p>
          ))}
          {often.map((r) => (
            <p key={`${r.a} ${r.b}`}>
              <b>
                {name(r.a)}, {name(r.b)}:
              </b>{' '}
              together on {r.times} evenings lately
            </p>
          ))}
        </section>
      )}
      {asked.rung > 0 && noHead.length > 0 && (
        <p>
          <b className="hurts">No head contact:</b> {listInWords(noHead)} {noHead.length === 1 ? 'is' : 'are'} under{' '}
          {young}, or nobody knows.
        </p>
      )}
      {resting.map((s) => (
        <p key={s.id}>
          <b>{s.name.split(' ')[0]}:</b> {s.resting.map((r) => `${r.what} rests`).join(', ')}.
        </p>
      ))}
      {asked.rung > 0 && (
        <p className="quiet">A change of partner needs no reason. Either may stop at any time. Pain: stop.</p>
      )}
      <footer>
        <SaveState by={kit.me.personId} problem={voice} />
        <Button onClick={aloud}>Call the names</Button>
        {shown?.called ? (
          <Button onClick={() => call([])}>Pair this round anew</Button>
        ) : (
          <Button
            variant="contained"
            disabled={!shown || shown.proposed.pairs.length === 0}
            onClick={() => call(shown!.proposed.pairs.map(calling))}
          >
            So they pair up
          </Button>
        )}
      </footer>
    </div>
  );
}
