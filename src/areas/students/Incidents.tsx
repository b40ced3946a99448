import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { IncidentsView } from '../../contracts/views';
import { useEastern } from '../../kit/fonts/useEastern';
import { IslandRoot } from '../../kit/IslandRoot';
import { ask, newId } from '../../kit/send';
import { Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { dateInWords, plural } from '../../kit/words';

type Person = IncidentsView['people'][number];
type Item = IncidentsView['items'][number];

/** "Who was hurt, and doing what?": all three parties of each incident, summed per drill. */
export default function Incidents({ view: first }: { view: IncidentsView }) {
  const [view, setView] = useState(first);
  useEastern(...view.people.map((p) => p.name));
  const [open, setOpen] = useState(false);
  const done = async () => {
    const fresh = await ask('incidents', {});
    if (fresh) setView(fresh);
    setOpen(false);
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>Who was hurt, and doing what?</h1>
          <p className="sub">
            Pain: stop, and ask a doctor or physiotherapist. A knock to the head: off the floor, medical assessment, not
            back the same day.
          </p>
        </div>
        <div className="actions no-print">
          <Button variant="contained" onClick={() => setOpen(true)}>
            Record an incident
          </Button>
        </div>
      </div>
      <div className="columns">
        <section>
          <h2>Incidents</h2>
          {view.incidents.length === 0 && (
            <p className="second line" style={{ paddingTop: 6 }}>
              None is recorded.
            </p>
          )}
          <ul>
            {view.incidents.map((i) => (
              <li key={i.id} className="line" style={{ padding: '8px 0' }}>
                <p className="spread">
                  <span>
                    <b>{i.hurt}</b> {i.cause ? <>was hurt by {i.cause}</> : 'was hurt, by nobody else'}, {i.doing}
                    {i.head && <b className="hurts"> head</b>}
                  </span>
                  <span className="second">{dateInWords(i.day)}</span>
                </p>
                <p>{i.what}</p>
                <p className="second">
                  {i.done !== '' && `${i.done} `}In charge: {i.charge}.
                </p>
              </li>
            ))}
          </ul>
        </section>
        <aside className="stack" style={{ gap: 20 }}>
          {open && <Record view={view} done={done} leave={() => setOpen(false)} />}
          <section>
            <h2>By drill</h2>
            {view.sums.length === 0 && (
              <p className="second line" style={{ paddingTop: 6 }}>
                Nothing to add up.
              </p>
            )}
            <ul>
              {view.sums.map((s) => (
                <li key={s.doing} className="line spread" style={{ padding: '5px 0' }}>
                  <span>{s.doing}</span>
                  <span className="second">
                    <b>{s.n}</b> {plural(s.n, 'time')}
                    {s.heads > 0 && <span className="hurts">, {s.heads} to the head</span>}, last {dateInWords(s.last)}
                  </span>
                </li>
              ))}
            </ul>
            <p className="second line" style={{ paddingTop: 6 }}>
              A drill that hurts twice wants another look at how it is set up. Rules of federation, insurer and local
              law come first.
            </p>
          </section>
        </aside>
      </div>
    </IslandRoot>
  );
}

function Record({ view, done, leave }: { view: IncidentsView; done: () => Promise<void>; leave: () => void }) {
  const [day, setDay] = useState(dateInWords(view.today));
  const [hurt, setHurt] = useState<Person | null>(null);
  const [cause, setCause] = useState<Person | null>(null);
  const [charge, setCharge] = useState<Person | null>(view.people.find((p) => p.id === view.me) ?? null);
  const [doing, setDoing] = useState<Item | string | null>(null);
  const [what, setWhat] = useState('');
  const [help, setHelp] = useState('');
  const [head, setHead] = useState(false);
  const [missing, setMissing] = useState('');
  const { decide, at, wrong } = useDecision(done);
  const save = () => {
    if (!hurt || !charge) return setMissing(!hurt ? 'Say who was hurt.' : 'Say who was in charge.');
    setMissing('');
    const key = doing !== null && typeof doing !== 'string' ? doing.key : '';
    void decide('incident.record', {
      id: newId(),
      day,
      hurtId: hurt.id,
      causeId: cause?.id ?? null,
      chargeId: charge.id,
      techniqueId: key.startsWith('t:') ? key.slice(2) : null,
      sequenceId: key.startsWith('s:') ? key.slice(2) : null,
      doing: typeof doing === 'string' ? doing : '',
      what,
      done: help,
      head,
    });
  };
  const party = (
    id: string,
    label: string,
    value: Person | null,
    onValue: (p: Person | null) => void,
    path: string,
  ) => ({
    id: `incident-${id}`,
    label,
    value,
    onValue,
    ...at(path),
  });
  return (
    <SheetForm
      title="What happened?"
      label="Record an incident"
      save="Record it"
      wrong={missing || wrong}
      leave={leave}
      onSave={save}
    >
      <Field id="incident-day" label="Day" value={day} onValue={setDay} {...at('day')} />
      <Party {...party('hurt', 'Who was hurt', hurt, setHurt, 'hurtId')} people={view.people} />
      <Party
        {...party('cause', 'By whom (leave open: nobody else)', cause, setCause, 'causeId')}
        people={view.people}
      />
      <Party
        {...party('charge', 'Who was in charge', charge, setCharge, 'chargeId')}
        people={view.people.filter((p) => p.staff)}
      />
      <Autocomplete
        id="incident-doing"
        freeSolo
        options={view.items}
        getOptionKey={(i) => (typeof i === 'string' ? i : i.key)}
        getOptionLabel={(i) => (typeof i === 'string' ? i : i.name)}
        value={doing}
        onChange={(_, v) => setDoing(v)}
        onInputChange={(_, v, why) => why === 'input' && setDoing(v)}
        renderInput={(p) => <TextField {...p} label="Doing what" {...at('doing')} />}
      />
      <Field id="incident-what" label="What happened" lines={2} value={what} onValue={setWhat} {...at('what')} />
      <Field id="incident-done" label="What was done" lines={2} value={help} onValue={setHelp} {...at('done')} />
      <FormControlLabel
        control={<Checkbox checked={head} onChange={(_, v) => setHead(v)} />}
        label="A knock to the head"
      />
      {head && <p className="message">Off the floor now, medical assessment, not back the same day.</p>}
    </SheetForm>
  );
}

/** One of the three parties. */
const Party = ({
  id,
  label,
  value,
  onValue,
  people,
  ...wrong
}: {
  id: string;
  label: string;
  value: Person | null;
  onValue: (p: Person | null) => void;
  people: readonly Person[];
  error: boolean;
  helperText: string | undefined;
}) => (
  <Autocomplete
    id={id}
    options={[...people]}
    getOptionKey={(p) => p.id}
    getOptionLabel={(p) => p.name}
    value={value}
    onChange={(_, p) => onValue(p)}
    renderInput={(p) => <TextField {...p} label={label} {...wrong} />}
  />
);
