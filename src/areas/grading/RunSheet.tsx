import Button from '@mui/material/Button';
import { useMemo, useRef, useState } from 'react';
import type { DayKept } from '../../contracts/runSheet';
import type { RunSheetView } from '../../contracts/views';
import {
  broken,
  capital,
  checksOf,
  clockInWords,
  countOf,
  dateInWords,
  dayChangesInWords,
  dayCheckInWords,
  groupsOf,
  jobsOf,
  laidInWords,
  partnersOf,
  planOf,
  slackInWords,
  slackOf,
  type DaySettings,
  type Laid,
  type Starts,
} from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { send } from '../../kit/send';
import { useHydrated } from '../../kit/useHydrated';
import { DayChart } from './DayChart';
import { DayGroupPanel } from './DayGroupPanel';
import { DaySheet } from './DaySheet';
import { HallSheet } from './HallSheet';
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
  // What is pinned or has begun stands where it is, whatever that costs: then it is said.
  const over = plan ? broken(jobsOf(groups, settings, examiners, { pins: starts! }), starts!) : null;
  const checks = plan ? checksOf(groups, plan, paired, settings, examiners, over) : [];
  const slack = plan ? slackOf(plan, settings) : null;
  // The clock of the device is known once the page has woken up.
  const isToday = useHydrated() && g.day === view.today;
  const minuteNow = () => {
    const d = new Date();
    return d.getHours() * 60 + d.getMinutes();
  };

  // Said to be laid out only when it would be there after a reload.
  const [keeping, setKeeping] = useState(false);
  const keep = async (day: Partial<DayKept>) => {
    setKeeping(true);
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
    setKeeping(false);
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
    // Kept before it is laid out again: the minute is not noted twice.
    void keep({ begun: next }).then(() => layOut(settings, pinned(pins), next, now));
  };
  const numbers = new Map<string, number[]>();
  checks.forEach((c, i) => {
    if (c.kind !== 'late' && c.kind !== 'over') numbers.set(c.group, [...(numbers.get(c.group) ?? []), i + 1]);
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
              {laid && (keeping ? 'Keeping it…' : laidInWords(laid))}
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
              <DayGroupPanel
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
                      <span className={`check-number${c.kind === 'alone' || c.kind === 'over' ? ' hurts' : ''}`}>
                        {i + 1}
                      </span>
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
