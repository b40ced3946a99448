import Button from '@mui/material/Button';
import MuiTextField from '@mui/material/TextField';
import { useMemo, useRef, useState } from 'react';
import type { DayKept } from '../../contracts/runSheet';
import type { RunSheetView } from '../../contracts/views';
import {
  capital,
  checksOf,
  clockInWords,
  countOf,
  dateInWords,
  dayChangesInWords,
  dayCheckInWords,
  groupsOf,
  laidInWords,
  listInWords,
  partnersOf,
  planOf,
  readClock,
  RUNGS,
  slackInWords,
  slackOf,
  taskInWords,
  type DayGroup,
  type DaySettings,
  type Laid,
  type Starts,
} from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { send } from '../../kit/send';
import { DayChart } from './DayChart';
import { DaySheet } from './DaySheet';
import './RunSheet.css';
import { useDayWork } from './useDayWork';

/** "How does the day run?": laid out in a worker, kept as it stands, printed for the hall; on the day each begin is noted. */
export default function RunSheet({ view }: { view: RunSheetView }) {
  const { grading: g, panel } = view;
  const [settings, setSettings] = useState<DaySettings>(view.laid?.day.settings ?? view.usual);
  const [starts, setStarts] = useState<Starts | null>(view.laid?.day.starts ?? null);
  const [pins, setPins] = useState<readonly string[]>(view.laid?.day.pins ?? []);
  const [begun, setBegun] = useState<Starts>(view.laid?.day.begun ?? {});
  const [laidFor, setLaidFor] = useState<DayKept['laidFor']>(view.laid?.day.laidFor ?? []);
  const [laid, setLaid] = useState<Laid | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [changing, setChanging] = useState(false);
  const [wrong, setWrong] = useState('');
  const version = useRef(view.laid?.version ?? 0);
  const groups = useMemo(
    () => groupsOf(view.candidates, (belt) => view.items[belt] ?? [], g.repetitions, settings),
    [view, g.repetitions, settings],
  );
  const names = new Map([...view.candidates, ...panel].map((p) => [p.id, p.name]));
  const person = (id: string) => names.get(id) ?? 'somebody';
  const examiners = panel.map((p) => p.id);
  const whole = starts !== null && groups.every((x) => starts[x.id] !== undefined);
  const changes = starts === null ? [] : dayChangesInWords(laidFor, groups, person);
  const plan = whole ? planOf(groups, settings, examiners, starts) : null;
  const paired = plan ? partnersOf(groups, plan, view.candidates, settings) : [];
  const checks = plan ? checksOf(groups, plan, paired, settings, examiners) : [];
  const slack = plan ? slackOf(plan, settings) : null;
  const isToday = g.day === view.today;
  const minuteNow = () => {
    const d = new Date();
    return d.getHours() * 60 + d.getMinutes();
  };

  const keep = async (day: Partial<DayKept>) => {
    const answer = await send('runSheet.save', {
      gradingId: g.id,
      version: version.current,
      day: {
        settings: { ...settings, things: [...settings.things] },
        starts: { ...(starts ?? {}) },
        pins: [...pins],
        begun: { ...begun },
        laidFor,
        ...day,
      },
    });
    if (answer.ok) version.current += 1;
    setWrong(answer.ok ? '' : answer.title);
  };
  const asLaid = useRef<(l: Laid) => void>(() => undefined);
  const work = useDayWork((l) => asLaid.current(l));
  const layOut = (s: DaySettings, pinned: Starts, began: Starts, now?: number) => {
    const made = groupsOf(view.candidates, (belt) => view.items[belt] ?? [], g.repetitions, s);
    const fits = made.map((x) => ({ id: x.id, belt: x.belt, minutes: x.minutes, people: [...x.people] }));
    asLaid.current = (l) => {
      setLaid(l);
      setStarts(l.starts);
      setLaidFor(fits);
      if (l.stage === 'done')
        void keep({
          settings: { ...s, things: [...s.things] },
          starts: { ...l.starts },
          pins: Object.keys(pinned),
          begun: { ...began },
          laidFor: fits,
        });
    };
    work.begin({
      groups: made,
      settings: s,
      examiners,
      pins: { ...pinned, ...began },
      ...(now !== undefined && { now }),
      seed: g.id,
    });
  };
  const pinned = (list: readonly string[], at: Starts = starts ?? {}): Starts =>
    Object.fromEntries(list.filter((p) => at[p] !== undefined).map((p) => [p, at[p]!]));
  const stop = () => {
    work.stop();
    if (laid) void keep({});
  };
  const place = (id: string, at: number | null) => {
    const list = at === null ? pins.filter((p) => p !== id) : [...new Set([...pins, id])];
    setPins(list);
    layOut(settings, { ...pinned(list), ...(at === null ? {} : { [id]: at }) }, begun);
  };
  const note = (id: string) => {
    const now = minuteNow();
    const next = { ...begun, [id]: now };
    setBegun(next);
    layOut(settings, pinned(pins), next, now);
  };
  const numbers = new Map<string, number[]>();
  checks.forEach((c, i) => {
    if (c.kind !== 'late') numbers.set(c.group, [...(numbers.get(c.group) ?? []), i + 1]);
  });
  const shown = groups.reduce((n, x) => n + x.minutes, 0);
  return (
    <IslandRoot>
      <div className="run-sheet">
        <div className="title">
          <div>
            <h1>How does the day run?</h1>
            <p className="sub">
              {dateInWords(g.day)}
              {g.hall && `, ${g.hall}`}. {capital(countOf(view.candidates.length, 'candidate'))},{' '}
              {countOf(shown, 'minute')} of showing
              {plan && `; it ends at ${clockInWords(plan.endsAt)}`}.
            </p>
          </div>
          <div className="actions no-print">
            <Button onClick={() => setChanging(true)}>Times and things</Button>
            {plan && <Button onClick={() => print()}>Print for the hall</Button>}
            {work.working ? (
              <Button onClick={stop}>Stop here</Button>
            ) : (
              <Button
                variant="contained"
                disabled={groups.length === 0 || g.closed}
                onClick={() =>
                  layOut(
                    settings,
                    pinned(pins),
                    begun,
                    isToday && Object.keys(begun).length > 0 ? minuteNow() : undefined,
                  )
                }
              >
                {starts === null ? 'Lay it out' : 'Lay it out again'}
              </Button>
            )}
          </div>
        </div>
        <div role="alert">
          {(wrong !== '' || work.failed !== '') && <p className="message wrong">{wrong || work.failed}</p>}
        </div>
        <div className="columns screen">
          <div>
            <p role="status" className="second">
              {laid && laidInWords(laid)}
            </p>
            {changes.length > 0 && (
              <div className="message attention">
                <p>Since it was laid out: {changes.join(' ')}</p>
                <p className="second">What was printed is out of date. Lay it out again, and print it again.</p>
              </div>
            )}
            {groups.length === 0 && (
              <p className="message">
                Nobody goes up yet. <a href={`/gradings/${g.id}`}>Who goes up?</a>
              </p>
            )}
            {groups.length > 0 && !plan && !work.working && (
              <p className="message">
                {capital(countOf(groups.length, 'group'))} and {countOf(shown, 'minute')} of showing are to be laid out.
              </p>
            )}
            {plan && slack && (
              <DayChart
                groups={groups}
                plan={plan}
                settings={settings}
                panel={panel}
                chosen={chosen}
                onChoose={(id) => setChosen(id === chosen ? null : id)}
                numbers={numbers}
                slack={slack}
                now={isToday ? minuteNow() : null}
                nameOf={person}
              />
            )}
          </div>
          <aside className="stack gap-5">
            {changing && (
              <DaySheet
                value={settings}
                panel={panel}
                done={(s) => {
                  setSettings(s);
                  layOut(s, pinned(pins), begun);
                }}
                leave={() => setChanging(false)}
              />
            )}
            {plan && groups.some((x) => x.id === chosen) && (
              <GroupPanel
                key={chosen}
                group={groups.find((x) => x.id === chosen)!}
                at={plan.groups.find((p) => p.group === chosen)!.at}
                latest={slack!.latest[chosen!]!}
                person={person}
                paired={paired.filter((p) => p.group === chosen)}
                isPinned={pins.includes(chosen!)}
                began={begun[chosen!]}
                onPlace={g.closed ? null : (at) => place(chosen!, at)}
                onBegan={isToday && !g.closed ? () => note(chosen!) : null}
              />
            )}
            {plan && (
              <section>
                <h2>Checks</h2>
                {checks.length === 0 && <p className="second">Nothing stands against it.</p>}
                <ol className="checks">
                  {checks.map((c, i) => (
                    <li key={JSON.stringify(c)} className="line py-2">
                      <span className={`check-number${c.kind === 'alone' ? ' hurts' : ''}`}>{i + 1}</span>
                      <span>{dayCheckInWords(c, { person, group: (id) => groups.find((x) => x.id === id) })}</span>
                    </li>
                  ))}
                </ol>
              </section>
            )}
            {slack && (
              <section>
                <h2>If it runs late</h2>
                <p>{slackInWords(slack)}</p>
                <p className="second">
                  {slack.spare >= 0
                    ? `${capital(countOf(slack.spare, 'minute'))} are spare before ${clockInWords(settings.ends)}.`
                    : `It should end at ${clockInWords(settings.ends)}.`}
                </p>
              </section>
            )}
          </aside>
        </div>
        {plan && <HallSheet view={view} groups={groups} plan={plan} settings={settings} person={person} />}
      </div>
    </IslandRoot>
  );
}

function GroupPanel({
  group,
  at,
  latest,
  person,
  paired,
  isPinned,
  began,
  onPlace,
  onBegan,
}: {
  group: DayGroup;
  at: number;
  latest: number;
  person: (id: string) => string;
  paired: ReturnType<typeof partnersOf>;
  isPinned: boolean;
  began: number | undefined;
  /** Pins it to a time; null: lets it go again. */
  onPlace: ((at: number | null) => void) | null;
  onBegan: (() => void) | null;
}) {
  const [typed, setTyped] = useState(clockInWords(at));
  const read = readClock(typed);
  return (
    <section className="sheet stack" aria-label={group.belt}>
      <h2>
        {clockInWords(at)}, {group.belt}
      </h2>
      <p className="second">
        {countOf(group.minutes, 'minute')}, from the door: {listInWords(group.people.map(person), 40)}. At the latest{' '}
        {clockInWords(latest)}.{began !== undefined && ` Began at ${clockInWords(began)}.`}
      </p>
      <ol>
        {group.tasks.map((t, i) => (
          <li key={t.items.join(' ')} className="line py-1">
            <span className="spread">
              <b>{t.label}</b> <span className="num">{t.minutes} min</span>
            </span>
            <span className="second">{taskInWords(t)}</span>
            {paired
              .filter((p) => p.task === i)
              .flatMap((p) => p.pairs)
              .map((p) => (
                <p key={`${p.a} ${p.b}`}>
                  {person(p.a)} with {person(p.b)}
                  <span className="second">
                    , {RUNGS[p.rung - 1]}
                    {p.standsIn && ', stands in'}
                  </span>
                </p>
              ))}
          </li>
        ))}
      </ol>
      {onPlace && (
        <div className="row top">
          <MuiTextField
            id="group-begins"
            label="Begins"
            value={typed}
            error={read === null}
            helperText={read === null ? 'A time such as 10:30.' : isPinned ? 'Pinned.' : ' '}
            onChange={(e) => setTyped(e.target.value)}
          />
          <Button disabled={read === null} onClick={() => read !== null && onPlace(read)}>
            Pin it there
          </Button>
          {isPinned && <Button onClick={() => onPlace(null)}>Let it go</Button>}
        </div>
      )}
      {onBegan && (
        <Button variant="contained" onClick={onBegan}>
          Began now
        </Button>
      )}
    </section>
  );
}

/** The same on paper: in the order of the clock, with a column to write when each began. */
function HallSheet({
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
