import Button from '@mui/material/Button';
import type { StudentView } from '../../../contracts/views';
import { dateInWords } from '../../../core';
import { Belt } from '../../../kit/marks/Belt';
import { VerdictMark } from '../../../kit/marks/Lozenge';
import { Word } from '../../../kit/Word';
import { StrikeWord, type OnStrike } from '../../../kit/strike/Strike';

/** What the next belt asks besides work. */
export function Gates({ view }: { view: StudentView }) {
  if (view.gates.length === 0) return null;
  return (
    <section>
      <h2>
        <Word of="gate">{view.reader === 'teacher' ? 'Gates' : 'Besides the work'}</Word>
      </h2>
      <ul>
        {view.gates.map((g) => (
          <li key={g.id} className="line gate">
            <VerdictMark word={g.word} />
            <span>
              {g.has}
              {g.asks !== '' && <span className="second">, {g.asks}</span>}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What earlier belts asked and has gone stale: what was passed decays. */
export function Faded({ view }: { view: StudentView }) {
  if (view.faded.length === 0) return null;
  return (
    <section>
      <h2>Faded since earlier belts</h2>
      <ul>
        {view.faded.map((f) => (
          <li key={`${f.rank.id} ${f.itemKey}`} className="line faded">
            <Belt name={f.rank.name} cloth={f.rank.cloth} width={52} height={15} />
            <span>
              <b className="item">{f.item}</b> <span className="second">{f.reason}</span>
              {view.may.look && (
                <>
                  {' '}
                  <a
                    className="no-print"
                    href={`/look?student=${view.student.id}&item=${encodeURIComponent(f.itemKey)}`}
                  >
                    look
                  </a>
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The belts that were given, with the day and what was said then. */
export function Belts({
  view,
  onDecision,
  onPromote,
  onStrike,
}: {
  view: StudentView;
  onStrike: OnStrike;
  onDecision: () => void;
  onPromote: () => void;
}) {
  return (
    <section>
      <div className="spread">
        <h2>Belts</h2>
        {view.may.decide && !view.student.leftOn && (
          <span className="row no-print">
            {view.next && (
              <>
                <a href={`/gradings?alone=${view.student.id}`}>Grade alone</a>
                <Button variant="text" onClick={onDecision}>
                  Record a decision
                </Button>
              </>
            )}
            <Button variant="text" onClick={onPromote}>
              Record a promotion
            </Button>
          </span>
        )}
      </div>
      <ul>
        {view.held.map((h) => (
          <li key={h.id} className="line row py-1">
            <Belt name={h.rank.name} cloth={h.rank.cloth} />
            <b className="item">{h.rank.name}</b>
            <span className="second aside">
              {dateInWords(h.since)}
              {h.note !== '' && `, ${h.note}`}{' '}
              {view.held.length > 1 && (
                <StrikeWord
                  onStrike={onStrike}
                  thing={{ kind: 'promotion', id: h.id, says: `${h.rank.name}, given ${dateInWords(h.since)}` }}
                />
              )}
            </span>
          </li>
        ))}
        {view.decisions.map((d) => {
          const says = `${d.rank}: ${d.passed ? 'passed' : 'try again'}`;
          return (
            <li key={d.id} className="line spread py-1">
              <span>{says}</span>
              <span className="second">
                {dateInWords(d.day)}
                {d.note !== '' && `, ${d.note}`}{' '}
                <StrikeWord
                  onStrike={onStrike}
                  thing={{ kind: 'decision', id: d.id, says: `${says}, ${dateInWords(d.day)}` }}
                />
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What the head has written for this student alone, with its reason. */
export function Adapted({ view, onAdapt, onStrike }: { view: StudentView; onAdapt: () => void; onStrike: OnStrike }) {
  const { may, next, adaptations } = view;
  if (adaptations.length === 0 && !may.decide) return null;
  return (
    <section>
      <div className="spread">
        <h2>
          <Word of="adapted">Adapted</Word>
        </h2>
        {may.decide && next && (
          <Button variant="text" className="no-print" onClick={onAdapt}>
            Adapt a point
          </Button>
        )}
      </div>
      {adaptations.length === 0 && <p className="second line pt-1">Nothing is adapted.</p>}
      <ul>
        {adaptations.map((a) => (
          <li key={a.id} className="line py-1">
            <b className="item">{a.point}</b>{' '}
            <span className="second">
              {a.technique}: {a.what}, from {dateInWords(a.from)}
            </span>
            <p className="second">
              {a.reason} {a.by !== '' && `(${a.by})`}{' '}
              <StrikeWord onStrike={onStrike} thing={{ kind: 'adaptation', id: a.id, says: `${a.point}: ${a.what}` }} />
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
