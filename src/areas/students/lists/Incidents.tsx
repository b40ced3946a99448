import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import MuiTextField from '@mui/material/TextField';
import { useState } from 'react';
import { incidentInput } from '../../../contracts/incident';
import type { IncidentsView } from '../../../contracts/views';
import { dateInWords, plural } from '../../../core';
import { CheckField, DateField, PickField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { IslandRoot } from '../../../kit/IslandRoot';
import { ask, newId } from '../../../kit/send';

/** "Who was hurt, and doing what?": all three parties of each incident, summed per drill. */
export default function Incidents({ view: first }: { view: IncidentsView }) {
  const [view, setView] = useState(first);
  const [open, setOpen] = useState(false);
  const [wrong, setWrong] = useState('');
  const done = async () => {
    const fresh = await ask('incidents', {});
    setOpen(false);
    setWrong(fresh.ok ? '' : `It is recorded, but the page could not be read again. ${fresh.title}`);
    if (fresh.ok) setView(fresh.view);
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
      <div role="alert">{wrong !== '' && <p className="message">{wrong}</p>}</div>
      <div className="columns">
        <section>
          <h2>Incidents</h2>
          {view.incidents.length === 0 && <p className="second line pt-1">None is recorded.</p>}
          <ul>
            {view.incidents.map((i) => (
              <li key={i.id} className="line py-2">
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
        <aside className="stack gap-5">
          {open && <Record view={view} done={done} leave={() => setOpen(false)} />}
          <section>
            <h2>By drill</h2>
            {view.sums.length === 0 && <p className="second line pt-1">Nothing to add up.</p>}
            <ul>
              {view.sums.map((s) => (
                <li key={s.doing} className="line spread py-1">
                  <span>{s.doing}</span>
                  <span className="second">
                    <b>{s.n}</b> {plural(s.n, 'time')}
                    {s.heads > 0 && <span className="hurts">, {s.heads} to the head</span>}, last {dateInWords(s.last)}
                  </span>
                </li>
              ))}
            </ul>
            <p className="second line pt-1">
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
  const sheet = useCommandSheet({
    command: 'incident.record',
    schema: incidentInput,
    start: {
      id: newId(),
      day: view.today,
      hurtId: null as string | null,
      causeId: null as string | null,
      chargeId: view.people.find((p) => p.id === view.me)?.id ?? null,
      doing: '',
      what: '',
      done: '',
      head: false,
    },
    make: ({ hurtId, chargeId, doing, ...rest }) => {
      const item = view.items.find((i) => i.name === doing)?.key ?? '';
      return {
        ...rest,
        hurtId: hurtId as string,
        chargeId: chargeId as string,
        techniqueId: item.startsWith('t:') ? item.slice(2) : null,
        sequenceId: item.startsWith('s:') ? item.slice(2) : null,
        doing: item === '' ? doing : '',
      };
    },
    done,
  });
  const { form } = sheet;
  return (
    <SheetForm sheet={sheet} title="What happened?" label="Record an incident" saves="Record it" leave={leave}>
      <DateField name="day" label="Day" />
      <PickField name="hurtId" label="Who was hurt" options={view.people} />
      <PickField name="causeId" label="By whom (leave open: nobody else)" options={view.people} />
      <PickField name="chargeId" label="Who was in charge" options={view.people.filter((p) => p.staff)} />
      <Autocomplete
        id="incident-doing"
        freeSolo
        options={view.items.map((i) => i.name)}
        inputValue={form.watch('doing')}
        onInputChange={(_, doing) => form.setValue('doing', doing)}
        renderInput={(p) => (
          <MuiTextField
            {...p}
            label="Doing what"
            error={form.formState.errors.doing !== undefined}
            helperText={form.formState.errors.doing?.message}
          />
        )}
      />
      <TextField name="what" label="What happened" lines={2} />
      <TextField name="done" label="What was done" lines={2} />
      <CheckField name="head" label="A knock to the head" />
      {form.watch('head') && <p className="message">Off the floor now, medical assessment, not back the same day.</p>}
    </SheetForm>
  );
}
