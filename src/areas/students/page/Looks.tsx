import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StudentLooksView, StudentView } from '../../../contracts/views';
import { countOf, dateInWords } from '../../../core';
import { ask } from '../../../kit/send';
import { Word } from '../../../kit/Word';
import type { LookShown } from './Mend';

/** The newest looks; all of them, mark by mark, one tap away. */
export function Looks({ view, onMend }: { view: StudentView; onMend: (look: LookShown) => void }) {
  const [all, setAll] = useState<StudentLooksView | null>(null);
  const [wrong, setWrong] = useState('');
  const { id } = view.student;
  const show = async () => {
    if (all) return setAll(null);
    const found = await ask('studentLooks', { id });
    setWrong(found.ok ? '' : found.title);
    if (found.ok) setAll(found.view);
  };
  return (
    <section>
      <h2>
        <Word of="look">Looks</Word>
      </h2>
      {view.looks.length === 0 ? (
        <p className="second line pt-1">
          Nobody has watched yet. {view.may.look && <a href={`/look?student=${id}`}>Take the first look</a>}
        </p>
      ) : (
        <>
          {all ? (
            <AllLooks looks={all.looks} onMend={onMend} />
          ) : (
            <ul>
              {view.looks.slice(0, 5).map((l) => (
                <li key={l.id} className="line py-1">
                  <p className="spread">
                    <span>
                      {l.technique}{' '}
                      <span className="second">
                        {l.condition}
                        {l.side !== 'none' && `, ${l.side}`}
                      </span>
                    </span>
                    <span className="second num">{l.shown || (l.of > 0 && `${l.held} of ${l.of}`)}</span>
                  </p>
                  <p className="second">
                    {dateInWords(l.day)}, {l.by}
                    {l.note !== '' && `: “${l.note}”`}
                  </p>
                </li>
              ))}
            </ul>
          )}
          <p className="second line pt-1">
            {countOf(view.lookCount, 'look')} in all.{' '}
            <Button variant="text" className="no-print" aria-expanded={all !== null} onClick={() => void show()}>
              {all ? 'Show fewer' : 'All looks, mark by mark'}
            </Button>
          </p>
          {all && all.struck.length > 0 && <Struck struck={all.struck} />}
          {wrong !== '' && <p className="message wrong">{wrong}</p>}
        </>
      )}
    </section>
  );
}

/** Every look with every mark, who looked, and what a later one replaced. */
function AllLooks({ looks, onMend }: { looks: StudentLooksView['looks']; onMend: (look: LookShown) => void }) {
  return (
    <ul className="all-looks">
      {looks.map((l) => (
        <li key={l.id} className="line py-1">
          <p>
            {l.replaced ? <s>{l.item}</s> : l.item}{' '}
            <span className="second">
              {[l.condition, l.side === 'none' ? '' : l.side, l.purpose && `to ${l.purpose}`, l.stage]
                .filter(Boolean)
                .join(', ')}
            </span>
          </p>
          <p className="second">
            {dateInWords(l.day)}, {l.by}
            {l.role !== null && `, as ${l.role}`}
            {l.partner !== null && `, with ${l.partner}`}
            {l.later !== null && `, entered on ${dateInWords(l.later)}`}
            {l.replaced && ', replaced by a later look'}
            {l.note !== '' && `: “${l.note}”`}
          </p>
          <p className="second">
            {l.marks.map((m) => `${m.point} ${m.words}${m.felt === null ? '' : `, felt by ${m.felt}`}`).join('; ')}{' '}
            {l.mends && (
              <Button
                variant="text"
                className="no-print"
                aria-label={`Mend: ${l.item}, ${dateInWords(l.day)}`}
                onClick={() => onMend(l)}
              >
                mend
              </Button>
            )}
          </p>
        </li>
      ))}
    </ul>
  );
}

/** What was taken out of the record, each with who did it and why. */
function Struck({ struck }: { struck: StudentLooksView['struck'] }) {
  return (
    <>
      <h3>Struck</h3>
      <ul>
        {struck.map((x) => (
          <li key={x.id} className="line py-1">
            <s>{x.says}</s>
            <p className="second">
              {x.reason} ({x.by}, {dateInWords(x.day)})
            </p>
          </li>
        ))}
      </ul>
    </>
  );
}
