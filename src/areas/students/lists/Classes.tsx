import Button from '@mui/material/Button';
import { useState } from 'react';
import { classInput } from '../../../contracts/class';
import type { ClassesView } from '../../../contracts/views';
import { dateInWords, itemKey, plural, type Item } from '../../../core';
import { DateField, NumberField, PickManyField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { IslandRoot } from '../../../kit/IslandRoot';
import { ask, newId } from '../../../kit/send';
import { StrikeSheet } from '../../../kit/strike/Strike';

type ClassShown = ClassesView['classes'][number];
type Open = { what: 'class'; value: ClassShown | null } | { what: 'strike'; value: ClassShown } | null;

/** "What was taught, and who came?": the classes of the last months; a forgotten one is written in. */
export default function Classes({ view: first }: { view: ClassesView }) {
  const [view, setView] = useState(first);
  const [open, setOpen] = useState<Open>(null);
  const [wrong, setWrong] = useState('');
  const done = async () => {
    const fresh = await ask('classes', {});
    setOpen(null);
    setWrong(fresh.ok ? '' : `It is saved, but the page could not be read again. ${fresh.title}`);
    if (fresh.ok) setView(fresh.view);
  };
  const leave = () => setOpen(null);
  const nameOf = new Map(view.people.map((p) => [p.id, p.name]));
  const itemName = new Map(view.items.map((i) => [i.id, i.name]));
  const said = (c: ClassShown) => `Class of ${dateInWords(c.day)}`;
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What was taught, and who came?</h1>
          <p className="sub">Hours and classes of the gates are counted from these.</p>
        </div>
        <div className="actions no-print">
          <Button variant="contained" onClick={() => setOpen({ what: 'class', value: null })}>
            Write in a class
          </Button>
        </div>
      </div>
      <div role="alert">{wrong !== '' && <p className="message">{wrong}</p>}</div>
      <div className="columns">
        <section>
          {view.putRight.length > 0 && <PutRightOfMine all={view.putRight} />}
          <h2>Classes</h2>
          {view.classes.length === 0 && (
            <p className="second line pt-1">
              None yet. At the mat the first is noted with <a href="/look">who is on the line</a>.
            </p>
          )}
          <ul>
            {view.classes.map((c) => (
              <li key={c.id} className="line py-2">
                <p className="spread">
                  <span>
                    <b>{dateInWords(c.day)}</b>{' '}
                    <span className="second">
                      {c.opened === null ? 'written in' : `opened at ${timeOf(c.opened, view.timeZone)}`}
                      {c.by !== '' && ` by ${c.by}`}
                    </span>
                  </span>
                  <span className="second num">
                    {c.minutes} minutes, {c.present.length} {plural(c.present.length, 'student')}
                  </span>
                </p>
                {c.taught.length > 0 && (
                  <p>
                    {c.taught
                      .map((t) => itemName.get(wholeKey(t)) ?? '')
                      .filter(Boolean)
                      .join(', ')}
                  </p>
                )}
                <p className="second">
                  {c.present.map((id) => nameOf.get(id) ?? '').join(', ')}{' '}
                  {c.mends && (
                    <span className="no-print">
                      <Button
                        variant="text"
                        aria-label={`Put right: ${said(c)}`}
                        onClick={() => setOpen({ what: 'class', value: c })}
                      >
                        put right
                      </Button>{' '}
                      <Button
                        variant="text"
                        aria-label={`Strike: ${said(c)}`}
                        onClick={() => setOpen({ what: 'strike', value: c })}
                      >
                        strike
                      </Button>
                    </span>
                  )}
                </p>
              </li>
            ))}
          </ul>
        </section>
        <aside className="stack gap-5">
          {open?.what === 'class' && (
            <ClassSheet key={open.value?.id ?? 'new'} view={view} value={open.value} done={done} leave={leave} />
          )}
          {open?.what === 'strike' && (
            <StrikeSheet
              key={open.value.id}
              studentId={null}
              thing={{ kind: 'class', id: open.value.id, says: said(open.value) }}
              done={done}
              leave={leave}
            />
          )}
        </aside>
      </div>
    </IslandRoot>
  );
}

/** What others changed of one's own looks: nobody's record is mended behind their back. */
const PutRightOfMine = ({ all }: { all: ClassesView['putRight'] }) => (
  <>
    <h2>Looks of yours that were put right</h2>
    <ul className="mb-3">
      {all.map((p) => (
        <li key={p.id} className="line py-2">
          <p>
            <a href={`/students/${p.studentId}`}>{p.student}</a>: <del>{p.says}</del>
          </p>
          <p className="second">
            “{p.reason}” {p.by}, {dateInWords(p.day)}
          </p>
        </li>
      ))}
    </ul>
  </>
);

const timeOf = (at: string, timeZone: string) =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', timeZone });

/** Whoever was shown a part was shown of the whole; what is chosen from are wholes. */
const wholeKey = (item: Item): string => ('technique' in item ? itemKey(item) : `s:${item.sequence}`);

function ClassSheet({
  view,
  value,
  done,
  leave,
}: {
  view: ClassesView;
  value: ClassShown | null;
  done: () => Promise<void>;
  leave: () => void;
}) {
  const itemOf = new Map(view.items.map((i) => [i.id, i.item]));
  // A part stays the part it was.
  for (const t of value?.taught ?? []) itemOf.set(wholeKey(t), t);
  const sheet = useCommandSheet({
    command: 'class.record',
    schema: classInput,
    start: {
      id: value?.id ?? newId(),
      day: value?.day ?? view.today,
      minutes: value?.minutes ?? null,
      present: value?.present ?? [],
      taught: (value?.taught ?? []).map(wholeKey),
    },
    make: ({ taught, ...c }) => ({
      ...c,
      taught: taught.flatMap((key) => (itemOf.has(key) ? [itemOf.get(key)!] : [])),
    }),
    done,
  });
  return (
    <SheetForm
      sheet={sheet}
      title={value ? `Class of ${dateInWords(value.day)}` : 'Which class was forgotten?'}
      label="A class"
      saves={value ? 'Put it right' : 'Write it in'}
      leave={leave}
    >
      {value === null && <DateField name="day" label="Day" />}
      <NumberField name="minutes" label="Minutes" empty={null} help="Left open: ninety." />
      <PickManyField name="present" label="Who came" options={view.people} />
      <PickManyField name="taught" label="What was taught" options={view.items} />
      <p className="second">
        Looks of that day can still be taken at the mat; those who were away find it on their list.
      </p>
    </SheetForm>
  );
}
