import type { RunSheetView } from '../../contracts/views';
import { clockInWords, dateInWords, taskInWords, type DayGroup, type DaySettings, type planOf } from '../../core';

/** The same on paper: in the order of the clock, with a column to write when each began. */
export function HallSheet({
  view,
  groups,
  plan,
  settings: s,
  person,
}: {
  view: RunSheetView;
  groups: readonly DayGroup[];
  plan: ReturnType<typeof planOf>;
  settings: DaySettings;
  person: (id: string) => string;
}) {
  const rows = [
    {
      at: s.begins,
      what: 'Bow in, the rule read out, warm-up',
      minutes: s.opening,
      who: 'Everybody',
      where: '',
      before: '',
    },
    ...plan.groups.flatMap((p) => {
      const g = groups.find((x) => x.id === p.group);
      return g
        ? [
            {
              at: p.at,
              what: `${g.belt}: ${g.tasks.map((t) => [t.label, taskInWords(t)].filter(Boolean).join(', ')).join('; ')}`,
              minutes: g.minutes,
              who: g.people.map(person).join(', '),
              where: s.floors > 1 ? `floor ${p.floor + 1}` : '',
              before: p.examiners.length === view.panel.length ? 'the panel' : p.examiners.map(person).join(', '),
            },
          ]
        : [];
    }),
    ...(plan.pauseAt === null
      ? []
      : [{ at: plan.pauseAt, what: 'Break', minutes: s.pause, who: '', where: '', before: '' }]),
    { at: plan.panelAt, what: 'The panel sits', minutes: s.panel, who: '', where: '', before: '' },
    { at: plan.closingAt, what: 'Belts, bow out', minutes: s.closing, who: 'Everybody', where: '', before: '' },
  ].sort((a, b) => a.at - b.at);
  return (
    <section className="hall-sheet" aria-label="For the hall">
      <p>
        {view.grading.title}, laid out {dateInWords(view.today)}. Brought out:{' '}
        {s.things.length === 0 ? 'nothing' : s.things.map((t) => `${t.name} × ${t.count}`).join(', ')}.
      </p>
      <table className="list">
        <thead>
          <tr>
            <th>At</th>
            <th>What</th>
            <th>Who</th>
            <th>Before</th>
            <th>Began</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={`${r.at} ${r.what}`}>
              <td className="num">
                <b>{clockInWords(r.at)}</b>
                <br />
                {r.minutes}&nbsp;min
              </td>
              <td>
                {r.what} {r.where && `(${r.where})`}
              </td>
              <td>{r.who}</td>
              <td>{r.before}</td>
              <td className="began" />
            </tr>
          ))}
        </tbody>
      </table>
      <p>Stop whenever somebody is hurt; the hall’s own rules and those of federation and insurer come first.</p>
    </section>
  );
}
