import type { StudentView } from '../../../contracts/views';
import {
  countOf,
  capital,
  chanceAgainstWords,
  chanceInWords,
  inSentence,
  inWords,
  listInWords,
  plural,
} from '../../../core';
import { ChanceRule } from '../../../kit/marks/ChanceRule';
import { Word } from '../../../kit/Word';

/** How likely the belt passes on the day, gates aside, with the looks behind it. */
export function OnTheDay({ view }: { view: StudentView }) {
  const c = view.chance;
  if (!view.next || view.requirements.length === 0) return null;
  const against = c
    ? chanceAgainstWords(
        c.chance,
        view.requirements.map((r) => r.word),
      )
    : '';
  const items = view.requirements.filter((r) => r.chance !== null).sort((a, b) => a.chance!.chance - b.chance!.chance);
  return (
    <section>
      <div className="spread">
        <h2>
          <Word of="chance">On the day</Word>
        </h2>
        <span className="second">{c ? `from ${countOf(c.looks, 'look')}` : ''}</span>
      </div>
      {!c ? (
        <p className="second line pt-1">{tooEarly(view)}</p>
      ) : (
        <div className="line pt-2">
          <ChanceRule {...c} width={308} height={26} scale />
          <p>
            <b>{capital(c.words)}</b>, gates aside
            {Math.round(c.hi * 10) > Math.round(c.lo * 10) &&
              `, between ${Math.round(c.lo * 10)} and ${Math.round(c.hi * 10)}`}
            .{' '}
            {items.length > 0 &&
              `Least sure: ${items
                .slice(0, 2)
                .map((r) => `${r.name} ${chanceInWords(r.chance!.chance)}`)
                .join(', ')}.`}
          </p>
          <p className="second">
            {against !== '' && <b>{against} </b>}
            Five of each, three hold, four at critical points; one item may fail. What moves all points together, a
            level and the day’s form, is reckoned in.{' '}
            {c.correctedBy > 0
              ? `Corrected by ${c.correctedBy} past decisions.`
              : 'Not yet corrected by past decisions: there are fewer than thirty.'}
          </p>
        </div>
      )}
    </section>
  );
}

/** Before a chance can be said: how much was watched, and what comes next. */
function tooEarly({ requirements, reader, student }: StudentView): string {
  const unseen = requirements.filter((r) => r.word === 'unseen');
  const next = (unseen.length > 0 ? unseen : requirements.filter((r) => r.word !== 'met')).slice(0, 3);
  const whose = reader === 'student' ? 'you' : student.name.split(' ')[0];
  const watched = requirements.length - unseen.length;
  const comes =
    next.length > 0 ? ` Next: ${listInWords(next.map((r) => inSentence(r.name, 'sequence' in r.item)))}.` : '';
  return `Too early to say: ${whose} ${reader === 'student' ? 'have' : 'has'} been watched at ${watched === 0 ? 'none' : inWords(watched)} of ${inWords(requirements.length)} ${plural(requirements.length, 'thing')} so far.${comes}`;
}
