import type { GradingHistoryView } from '../../contracts/views';
import { countOf, dateInWords } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { Scroll } from '../../kit/Scroll';

/** From so many candidates on a share says something. */
const TO_SAY = 5;

/** "What do gradings fall by?": how many passed, and of each belt what stood least. */
export default function History({ view }: { view: GradingHistoryView }) {
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What do gradings fall by?</h1>
          <p className="sub">
            Of {countOf(view.gradings.length, 'grading')} whose results are let out, by the words of the panel together.
          </p>
        </div>
        <div className="actions">
          <a className="button" href="/gradings">
            All gradings
          </a>
        </div>
      </div>
      {view.gradings.length === 0 && <p className="message">No grading is let out yet.</p>}
      <div className="columns">
        <div>
          {view.belts.map((b) => (
            <section key={b.to.id} className="going-up">
              <h2>
                <Belt name={b.to.name} cloth={b.to.cloth} width={56} height={15} /> {b.to.name}: {b.passed} of {b.went}{' '}
                got it
              </h2>
              <Scroll label={`What ${b.to.name} fell by`}>
                <table className="list">
                  <thead>
                    <tr>
                      <th>Item</th>
                      <th>Stood</th>
                      <th>In a hundred</th>
                    </tr>
                  </thead>
                  <tbody>
                    {b.items.map((i) => (
                      <tr key={i.name}>
                        <td>{i.name}</td>
                        <td className="num">
                          {i.stood} of {i.of}
                        </td>
                        <td className="num">
                          {i.of < TO_SAY ? <span className="second">too few</span> : Math.round((i.stood / i.of) * 100)}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </Scroll>
            </section>
          ))}
        </div>
        <aside>
          <h2>Gradings</h2>
          <ul>
            {view.gradings.map((g) => (
              <li key={g.id} className="line py-2">
                <a href={`/gradings/${g.id}/panel`}>{g.title}</a>, {dateInWords(g.day)}: {g.passed} of{' '}
                {countOf(g.went, 'candidate')}
                {g.midterm && <span className="second">, a midterm</span>}
              </li>
            ))}
          </ul>
        </aside>
      </div>
    </IslandRoot>
  );
}
