import Button from '@mui/material/Button';
import { useState } from 'react';
import { decisionInput } from '../../contracts/grading';
import type { PanelCandidate, PanelView } from '../../contracts/views';
import { BELT_RESULTS, dateInWords, resultInWords, sheetWordSaid, type BeltResult } from '../../core';
import { ChoiceField, DateField, PickManyField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useCommandSheet } from '../../kit/form/useSheet';
import { CertificateLinks } from '../../kit/certificates/CertificateLinks';
import { Belt } from '../../kit/marks/Belt';
import { Splinter } from '../../kit/marks/small';
import { send } from '../../kit/send';
import { useKeys } from '../../kit/useKeys';
import { Scroll } from '../../kit/Scroll';
import { WordMark } from './WordMark';

/** The sheets side by side, what the rule makes of them, and what the head decides. */
export function Decide({ view, renew }: { view: PanelView; renew: () => Promise<void> }) {
  const [at, setAt] = useState(0);
  const [wrong, setWrong] = useState('');
  const [closing, setClosing] = useState(false);
  const { candidates, grading: g } = view;
  const c = candidates[at];
  const midterm = g.items !== null;
  const openOnes = candidates.filter((x) => x.decided === null);
  useKeys((key) => {
    if (key !== 'arrowdown' && key !== 'arrowup') return false;
    setAt((i) => Math.max(0, Math.min(candidates.length - 1, i + (key === 'arrowdown' ? 1 : -1))));
    return true;
  });
  const close = async (letOut: boolean) => {
    const answer = await send('grading.close', { id: g.id, letOut });
    setClosing(false);
    setWrong(answer.ok ? '' : answer.title);
    if (answer.ok) await renew();
  };
  const letOut = async () => {
    const answer = await send('grading.letOut', { id: g.id });
    setWrong(answer.ok ? '' : answer.title);
    if (answer.ok) await renew();
  };
  const goOn = async () => {
    await renew();
    const next = candidates.findIndex((x, i) => i > at && x.decided === null);
    if (next >= 0) setAt(next);
  };
  if (!c) return <p className="message">Nobody went up.</p>;
  return (
    <div className="decide">
      <nav aria-label="Candidates">
        <ul>
          {candidates.map((x, i) => (
            <li key={x.id} className={i === at ? 'lit' : ''}>
              <button type="button" className="bare" aria-current={i === at} onClick={() => setAt(i)}>
                <Belt name={x.to.name} cloth={x.to.cloth} width={40} height={12} />
                <span>
                  <b>{x.name}</b>
                  {x.decided && <span className="second">{resultInWords(x.decided.result, midterm)}</span>}
                </span>
              </button>
            </li>
          ))}
        </ul>
        {!g.closed && (
          <div className="stack mt-3">
            <Button disabled={openOnes.length > 0} onClick={() => setClosing(true)}>
              {openOnes.length > 0 ? `Close it, ${openOnes.length} open` : 'Close the grading'}
            </Button>
            {closing && (
              <div className="message" role="alertdialog" aria-label="Close the grading?">
                <p>
                  Nothing of it changes any more. Let out, {midterm ? '' : 'belts and certificates are given, '}every
                  mark becomes a look of the record, and students and guardians read their result.
                </p>
                <div className="row wrap">
                  <Button variant="contained" onClick={() => void close(true)}>
                    Close it and let it out
                  </Button>
                  <Button onClick={() => void close(false)}>Close it, let it out later</Button>
                  <Button onClick={() => setClosing(false)}>Not yet</Button>
                </div>
              </div>
            )}
          </div>
        )}
        {g.closed && !g.letOut && view.may.decide && (
          <div className="message stack mt-3">
            <p>Students and guardians do not read their result yet.</p>
            <Button variant="contained" onClick={() => void letOut()}>
              Let it out
            </Button>
          </div>
        )}
        <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      </nav>
      <Sheets c={c} view={view} />
      {g.closed ? (
        <Decided c={c} letOut={g.letOut} midterm={midterm} />
      ) : (
        <Choose key={`${c.id} ${c.decided?.result ?? ''}`} c={c} view={view} done={goOn} />
      )}
    </div>
  );
}

function Sheets({ c, view }: { c: PanelCandidate; view: PanelView }) {
  const nameOf = new Map(c.items.map((i) => [i.id, i.name]));
  const said = (r: BeltResult) => resultInWords(r, view.grading.items !== null);
  return (
    <section aria-label={c.name}>
      <h2>
        {c.name} <Belt name={c.rank.name} cloth={c.rank.cloth} width={52} height={14} />{' '}
        <Belt name={c.to.name} cloth={c.to.cloth} width={52} height={14} />
      </h2>
      <p className="answer">
        {c.rule.outcome === null
          ? 'The rule cannot say: something was not seen by anybody.'
          : `By the rule: ${said(c.rule.outcome)}.`}
      </p>
      <Scroll label="The sheets side by side">
        <table className="list">
          <thead>
            <tr>
              <th>Item</th>
              {view.panel.map((p) => (
                <th key={p.id}>{p.name.split(' ')[0]}</th>
              ))}
              <th>Together</th>
            </tr>
          </thead>
          <tbody>
            {c.rule.items.map((i) => (
              <tr key={i.item}>
                <td>
                  {nameOf.get(i.item)} {i.critical && <b>critical</b>}
                </td>
                {view.panel.map((p) => {
                  const word = i.words.find((w) => w.examiner === p.id)?.word ?? null;
                  const t = c.tallies.find((x) => x.examiner === p.id && x.item === i.item);
                  return (
                    <td key={p.id} title={t?.note}>
                      {word && <WordMark word={word} />} {t?.mark != null && <b className="num">{t.mark}</b>}{' '}
                      <span className="num second">{t && t.seen > 0 ? `${t.held} of ${t.seen}` : ''}</span>
                      <span className="hidden">{sheetWordSaid(word)}</span>
                      {t?.typed && <span className="second"> typed in from paper</span>}
                      {t?.putRight && <span className="second">put right: {t.putRight}</span>}
                    </td>
                  );
                })}
                <td>
                  {i.word && <WordMark word={i.word} />} {i.word === 'stands' ? i.word : <b>{sheetWordSaid(i.word)}</b>}
                  {i.split && <span className="second">, not all alike</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      {c.hurts.length > 0 && (
        <p className="hurts row">
          <Splinter /> Can hurt, and slipped: {c.hurts.join(', ')}
        </p>
      )}
      <h3>The rule</h3>
      <ul className="laths">
        {c.rule.laths.map(({ lath, fits }) => (
          <li key={`${lath.outcome} ${lath.short} ${lath.notYet}`} className={fits ? 'fits' : ''}>
            At most {lath.short} short, of them {lath.notYet} not yet: {said(lath.outcome)}
            <span className="second">{fits ? 'fits' : `${c.rule.short} short, ${c.rule.notYet} not yet`}</span>
          </li>
        ))}
        <li className={c.rule.outcome === 'held over' ? 'fits' : ''}>More: {said('held over')}</li>
      </ul>
      {c.rule.failed.length > 0 && (
        <p className="second">Critical and not standing: {c.rule.failed.map((f) => nameOf.get(f)).join(', ')}.</p>
      )}
    </section>
  );
}

function Choose({ c, view, done }: { c: PanelCandidate; view: PanelView; done: () => Promise<void> }) {
  const sheet = useCommandSheet<'grading.decide'>({
    command: 'grading.decide',
    schema: decisionInput,
    start: {
      gradingId: view.grading.id,
      studentId: c.id,
      result: c.decided?.result ?? c.rule.outcome ?? 'held over',
      reason: c.decided?.reason ?? null,
      again: c.decided?.again ?? c.rule.items.filter((i) => i.word !== 'stands').map((i) => i.item),
      againBy: c.decided?.againBy ?? null,
      sentence: c.decided?.sentence ?? c.sentence,
    },
    make: (d) => ({
      ...d,
      reason: d.result === c.rule.outcome || d.reason === '' ? null : d.reason,
      again: d.result === 'part again' ? d.again : [],
      againBy: d.result === 'part again' ? d.againBy : null,
    }),
    done,
  });
  const result = sheet.form.watch('result');
  const said = (r: BeltResult) => resultInWords(r, view.grading.items !== null);
  return (
    <SheetForm sheet={sheet} title="You decide" label="You decide" saves="Keep it">
      <ChoiceField
        name="result"
        label="What becomes of it"
        options={BELT_RESULTS.map((r) => ({
          value: r,
          word: `${said(r)}${r === c.rule.outcome ? ', by the rule' : ''}`,
        }))}
      />
      {result !== c.rule.outcome && <TextField name="reason" label="Why not as the rule says" lines={2} />}
      {result === 'part again' && (
        <>
          <PickManyField name="again" label="Again" options={c.items.map((i) => ({ id: i.id, name: i.name }))} />
          <DateField name="againBy" label="By" none />
        </>
      )}
      <TextField name="sentence" label={`What ${c.name.split(' ')[0] ?? ''} reads`} lines={4} />
      <p className="second">Each sentence is true of the sheets as they are; what you change is yours.</p>
    </SheetForm>
  );
}

const Decided = ({ c, letOut, midterm }: { c: PanelCandidate; letOut: boolean; midterm: boolean }) =>
  c.decided && (
    <section className="sheet">
      <h2>{resultInWords(c.decided.result, midterm)}</h2>
      {c.decided.reason && <p>Not as the rule says: “{c.decided.reason}”</p>}
      {c.decided.againBy && <p>By {dateInWords(c.decided.againBy)}.</p>}
      <p>{c.decided.sentence}</p>
      {c.certificate && <CertificateLinks of={c.certificate} />}
      {letOut && midterm ? (
        <p className="second">A midterm gives no belt; what was seen stands in the record.</p>
      ) : letOut ? (
        <p className="second">
          Wrong? Strike the belt or the decision on <a href={`/students/${c.id}`}>the page of {c.name.split(' ')[0]}</a>
          : it is kept with why, and its certificate goes with it.
        </p>
      ) : (
        <p className="second">Nobody but the panel reads it yet.</p>
      )}
    </section>
  );
