import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import type { RequirementVerdict, StudentView } from '../../../contracts/views';
import { countOf, capital, dateInWords, inWords, low } from '../../../core';
import { Lozenge, VerdictMark } from '../../../kit/marks/Lozenge';
import { Stick } from '../../../kit/marks/Stick';
import { Override } from './Override';

/** One thing a belt asks: its word, its newest repetitions side by side, and why. */
export function Need({ r, open, toggle }: { r: RequirementVerdict; open: boolean; toggle: () => void }) {
  return (
    <ButtonBase onClick={toggle} aria-expanded={open}>
      <VerdictMark word={r.word} />
      <span className={`name ${r.word === 'met' ? '' : 'open'}`}>
        <b>{r.name}</b>
        <span className="second">{r.condition}</span>
      </span>
      <span className="sticks">
        {r.sticks.map((st) => (
          <span key={st.side} className="contents">
            <span aria-hidden="true">{st.side === 'left' ? 'L' : st.side === 'right' ? 'R' : ''}</span>
            <Stick
              marks={st.marks}
              side={st.side}
              width={138}
              height={13}
              shown={st.shown}
              lost={st.lost}
              label={st.side === 'none' ? 'newest last' : st.side}
            />
          </span>
        ))}
      </span>
      <span className="second why">
        {r.rests && <b className="attention">{r.rests}. </b>}
        {r.override ? `The head’s word: ${r.override.reason}` : r.reason}
      </span>
    </ButtonBase>
  );
}

/** The working behind one verdict: every point, what it needs, and what would change it. */
export function Working({
  r,
  view,
  done,
  leave,
}: {
  r: RequirementVerdict;
  view: StudentView;
  done: () => Promise<void>;
  leave: () => void;
}) {
  const sided = r.points.some((p) => p.side !== 'none');
  const names = [...new Map(r.points.map((p) => [p.pointId, p])).values()];
  return (
    <section className="sheet" aria-live="polite">
      <div className="spread">
        <h2>{r.name}</h2>
        <VerdictMark word={r.word} />
      </div>
      <p className="second">
        {capital(r.condition)}. Asks {r.asks}.
      </p>
      {r.chance && (
        <p className="mt-1">
          <b>On the day:</b> {r.chance.words}, from {countOf(r.chance.looks, 'look')}.
        </p>
      )}
      {r.override && (
        <p className="message mt-2">
          Computed: {r.computed}. {r.override.by} said {r.override.word} on {dateInWords(r.override.day)}: “
          {r.override.reason}”
        </p>
      )}
      <p className="mt-2">{r.reason}</p>
      {r.change !== '' && (
        <p className="mt-1">
          <b>What would change it:</b> {low(r.change)}
        </p>
      )}
      {names.length > 0 && (
        <table className="list mt-3">
          <thead>
            <tr>
              <th>Point</th>
              {sided ? (
                <>
                  <th>Left</th>
                  <th>Right</th>
                </>
              ) : (
                <th>Held</th>
              )}
              <th>Needs</th>
            </tr>
          </thead>
          <tbody>
            {names.map((p) => {
              const sides = sided ? (['left', 'right'] as const) : (['none'] as const);
              return (
                <tr key={p.pointId}>
                  <td>
                    {p.name}
                    {p.critical && <b> critical</b>}
                    {p.adapted && <span className="attention"> adapted</span>}
                  </td>
                  {sides.map((side) => {
                    const v = r.points.find((x) => x.pointId === p.pointId && x.side === side);
                    return (
                      <td key={side} className={v && !v.stands ? 'num nowrap falls' : 'num nowrap'}>
                        {!v ? '' : v.of === 0 ? '–' : `${v.held} of ${v.of}`}
                        {v && (
                          <span className="mark-beside">
                            <Lozenge word={v.of === 0 ? 'unseen' : v.stands ? 'met' : 'short'} quiet size={0.7} />
                          </span>
                        )}
                      </td>
                    );
                  })}
                  <td className="second num nowrap">{p.needs}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {r.points.length > 0 && (
        <p className="second mt-1">
          The newest repetitions as asked, at most so many a day that they span{' '}
          {inWords(Math.max(1, Math.max(...r.points.map((p) => p.days))))}{' '}
          {Math.max(...r.points.map((p) => p.days)) === 1 ? 'day' : 'days'}.
        </p>
      )}
      {view.may.decide && <Override r={r} studentId={view.student.id} done={done} />}
      <div className="no-print mt-2">
        <Button variant="text" onClick={leave}>
          close
        </Button>
      </div>
    </section>
  );
}
