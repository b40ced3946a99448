import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useState } from 'react';
import type { FieldError, CommandDraft, CommandName } from '../../contracts/commands';
import type { GateShown, RequirementShown, SyllabusView } from '../../contracts/views';
import { standardInWords, TECHNIQUE_KINDS, type GateKind } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { ask, send } from '../../kit/send';
import { capital, plural } from '../../kit/words';
import { GateSheet, RankSheet, RequirementSheet } from './sheets';

type Open =
  | { what: 'requirement'; value: RequirementShown | null }
  | { what: 'gate'; value: GateShown | null }
  | { what: 'rank'; value: SyllabusView['ranks'][number] | null }
  | null;

const GATE_WORDS: Record<GateKind, (n: number) => string> = {
  'time in rank': (n) => `${n} ${plural(n, 'month')} in the belt below`,
  classes: (n) => `${n} ${plural(n, 'class', 'classes')} since the belt below`,
  hours: (n) => `${n} ${plural(n, 'hour')} of class since the belt below`,
  age: (n) => `${n} years of age`,
};

/** "What does each belt ask?": ranks at the left, what the chosen one asks beside it, the open line at the right. */
export default function Syllabus({
  view: first,
  mayChange,
  rankId,
}: {
  view: SyllabusView;
  mayChange: boolean;
  rankId: string | null;
}) {
  const [view, setView] = useState(first);
  const [at, setAt] = useState(rankId ?? first.ranks[1]?.id ?? first.ranks[0]?.id ?? '');
  const [open, setOpen] = useState<Open>(null);
  const [wrong, setWrong] = useState('');
  const rank = view.ranks.find((r) => r.id === at);
  const index = view.ranks.findIndex((r) => r.id === at);
  const below = view.ranks[index - 1];
  const asked = view.requirements.filter((r) => r.rankId === at);
  const gates = view.gates.filter((g) => g.rankId === at);
  const kinds = TECHNIQUE_KINDS.filter((k) => asked.some((r) => r.kind === k));

  const renew = async () => {
    const fresh = await ask('syllabus', {});
    if (fresh) setView(fresh);
    setOpen(null);
  };
  const does = async <N extends CommandName>(name: N, input: CommandDraft<N>): Promise<FieldError[] | null> => {
    setWrong('');
    const answer = await send(name, input);
    if (answer.ok) {
      await renew();
      return null;
    }
    if (answer.errors.length === 0) setWrong(answer.title);
    return answer.errors;
  };
  const choose = (id: string) => {
    setAt(id);
    setOpen(null);
    setWrong('');
    history.replaceState(null, '', `?rank=${id}`);
  };
  const moveRank = async (by: number) => {
    const ids = view.ranks.map((r) => r.id);
    const to = index + by;
    [ids[index], ids[to]] = [ids[to]!, ids[index]!];
    await does('rank.order', { ids });
  };
  const canAsk = view.techniques.length > 0;
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>
            What does {rank ? `${rank.name} ask` : 'each belt ask'}?{' '}
            {rank && <Belt name={rank.name} cloth={rank.cloth} width={76} height={20} />}
          </h1>
          <p className="sub">
            {rank
              ? below
                ? `Of those who wear ${below.name}: ${asked.length} ${plural(asked.length, 'requirement')}, ${gates.length} ${plural(gates.length, 'gate')}.`
                : 'The first belt: everybody begins here.'
              : 'There is no belt yet.'}
          </p>
        </div>
        {mayChange && (
          <div className="actions">
            <Button onClick={() => setOpen({ what: 'rank', value: null })}>Add a belt</Button>
            {rank && (
              <Button
                variant="contained"
                disabled={!canAsk}
                onClick={() => setOpen({ what: 'requirement', value: null })}
              >
                Ask for something
              </Button>
            )}
          </div>
        )}
      </div>
      <div role="alert">
        {wrong !== '' && (
          <p className="message wrong" style={{ marginBottom: 12 }}>
            {wrong}
          </p>
        )}
      </div>
      <div className="way">
        <nav aria-label="Belts">
          <ol>
            {[...view.ranks].reverse().map((r) => (
              <li key={r.id}>
                <ButtonBase
                  className={r.id === at ? 'on' : ''}
                  aria-current={r.id === at ? 'true' : undefined}
                  onClick={() => choose(r.id)}
                >
                  <Belt name={r.name} cloth={r.cloth} width={58} height={16} />
                  <span>
                    <b>{r.name}</b>
                    <span className="second">{r.wornBy === 0 ? 'nobody wears it' : `${r.wornBy} wear it`}</span>
                  </span>
                </ButtonBase>
              </li>
            ))}
          </ol>
        </nav>
        <div>
          {!canAsk && (
            <p className="message">
              A belt asks for techniques, and the library is empty. <a href="/techniques/new">Write the first one</a>.
            </p>
          )}
          {rank && canAsk && asked.length === 0 && (
            <p className="message">
              {rank.name} asks for nothing yet.{' '}
              {mayChange && index > 0 && (
                <Button variant="text" onClick={() => setOpen({ what: 'requirement', value: null })}>
                  Ask for the first thing
                </Button>
              )}
            </p>
          )}
          {kinds.map((k) => (
            <section key={k} style={{ marginBottom: 14 }}>
              <h2>{capital(k === 'hand shape' ? 'hand shapes' : k === 'weapon cut' ? 'weapon cuts' : `${k}s`)}</h2>
              <ul className="asked">
                {asked
                  .filter((r) => r.kind === k)
                  .map((r) => (
                    <li key={r.id} className={open?.what === 'requirement' && open.value?.id === r.id ? 'lit' : ''}>
                      <span>
                        <a href={`/techniques/${r.techniqueId}`}>{r.technique}</a>
                        <span className="second">
                          {' '}
                          {r.condition}
                          {r.purpose && `, to ${r.purpose}`}
                        </span>
                      </span>
                      <span className="second">{standardInWords(r.standard, r.sided)}</span>
                      <span className="second num">
                        {r.points === 0 ? <span className="attention">no points yet</span> : `${r.points} points`}
                      </span>
                      <span>
                        {mayChange && (
                          <Button
                            variant="text"
                            aria-label={`Change what is asked of ${r.technique}`}
                            onClick={() => setOpen({ what: 'requirement', value: r })}
                          >
                            change
                          </Button>
                        )}
                      </span>
                    </li>
                  ))}
              </ul>
            </section>
          ))}
          {rank && index > 0 && (
            <section>
              <div className="spread">
                <h2>Gates</h2>
                {mayChange && (
                  <Button variant="text" onClick={() => setOpen({ what: 'gate', value: null })}>
                    Add a gate
                  </Button>
                )}
              </div>
              <ul className="asked">
                {gates.length === 0 && (
                  <li>
                    <span className="second">No gate: technique alone decides.</span>
                  </li>
                )}
                {gates.map((g) => (
                  <li key={g.id}>
                    <b style={{ fontWeight: 550, gridColumn: '1 / 3' }}>{GATE_WORDS[g.kind](g.amount)}</b>
                    <span />
                    <span>
                      {mayChange && (
                        <Button
                          variant="text"
                          aria-label={`Change the gate: ${g.kind}`}
                          onClick={() => setOpen({ what: 'gate', value: g })}
                        >
                          change
                        </Button>
                      )}
                    </span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
        <aside>
          {open?.what === 'requirement' && rank && (
            <RequirementSheet
              key={open.value?.id ?? 'new'}
              view={view}
              rankId={at}
              value={open.value}
              does={does}
              leave={() => setOpen(null)}
            />
          )}
          {open?.what === 'gate' && (
            <GateSheet
              key={open.value?.id ?? 'new'}
              rankId={at}
              value={open.value}
              taken={gates.map((g) => g.kind)}
              does={does}
              leave={() => setOpen(null)}
            />
          )}
          {open?.what === 'rank' && (
            <RankSheet
              key={open.value?.id ?? 'new'}
              value={open.value}
              does={does}
              leave={() => setOpen(null)}
              made={choose}
            />
          )}
          {open === null && rank && (
            <section className="sheet stack">
              <h2>{rank.name}</h2>
              <p className="sub">
                {asked.length} {plural(asked.length, 'requirement')} with {asked.reduce((n, r) => n + r.points, 0)}{' '}
                points to look at.
              </p>
              {mayChange && (
                <div className="row" style={{ flexWrap: 'wrap' }}>
                  <Button onClick={() => setOpen({ what: 'rank', value: rank })}>Name and cloth</Button>
                  <Button disabled={index === view.ranks.length - 1} onClick={() => void moveRank(1)}>
                    Move up
                  </Button>
                  <Button disabled={index === 0} onClick={() => void moveRank(-1)}>
                    Move down
                  </Button>
                  <Button onClick={() => void does('rank.remove', { id: rank.id })}>Remove</Button>
                </div>
              )}
              <p className="second">
                Contact, weapons and hard conditioning of minors: the rules of your federation, your insurer and local
                law come first, whatever a belt asks.
              </p>
            </section>
          )}
        </aside>
      </div>
      <style>{`
        .way { display: grid; grid-template-columns: 176px minmax(0, 1fr) 300px; gap: 24px; align-items: start; }
        .way nav li { border-top: 1px solid var(--rule); }
        .way nav button { width: 100%; justify-content: flex-start; gap: 12px; padding: 8px; text-align: left; font: inherit; border-radius: 6px; min-height: 52px; }
        .way nav button span { display: grid; } .way nav .on { background: var(--lit); outline: 2px solid var(--pine); outline-offset: -2px; }
        .asked li { display: grid; grid-template-columns: minmax(0, 1.1fr) minmax(0, 1.2fr) 76px 58px; gap: 10px; align-items: center; min-height: 38px; border-top: 1px solid var(--rule); padding: 4px 0; }
        .asked li.lit { background: var(--lit); } .asked a { color: var(--ink); font-weight: 600; text-decoration-color: var(--rule); }
        @media (max-width: 1099px) { .way { grid-template-columns: minmax(0, 1fr); } .way nav ol { display: flex; overflow-x: auto; } .way nav li { border: 0; flex: none; } .asked li { grid-template-columns: minmax(0, 1fr) 58px; } .asked li > :nth-child(2), .asked li > :nth-child(3) { grid-column: 1; } .asked li > :last-child { grid-column: 2; grid-row: 1; } }
      `}</style>
    </IslandRoot>
  );
}
