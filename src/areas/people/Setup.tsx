import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import MuiTextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { setupInput } from '../../contracts/setup';
import { storedSetupDraft, type SetupDraft } from '../../contracts/stored/setupDraft';
import { inWords } from '../../core';
import { TextField } from '../../kit/form/fields';
import { useSheet } from '../../kit/form/useSheet';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { dropFromDevice, keepOnDevice, readFromDevice } from '../../kit/onDevice';
import { newId, post } from '../../kit/send';
import { CUTTINGS } from '../../kit/theme/tokens';
import './Setup.css';

type DraftRank = SetupDraft['ranks'][number];

const KEPT = 'stavewright-setup';
const FIRST = ['White', 'Straw', 'Amber', 'Fern', 'Lake', 'Umber', 'Black'];
const firstRanks = (): DraftRank[] =>
  FIRST.map((name) => ({
    key: name,
    name,
    colour: CUTTINGS.find((c) => c.name === name)!.colour,
    second: null,
    bars: 0,
  }));

/** "What does the school need to begin?": three steps open at once. What is typed is kept on the device until it is done. */
export default function Setup({ zones }: { zones: string[] }) {
  const sheet = useSheet({
    start: { school: '', timeZone: 'Europe/London', head: '', email: '', ranks: firstRanks(), password: '' },
    schema: setupInput,
    make: ({ ranks, ...x }) => ({ ...x, ranks: ranks.map(({ key: _key, ...r }) => r) }),
    saving: (draft) => post('/api/setup', draft),
    done: async ({ email, password }) => {
      const signed = await post('/api/auth/sign-in/email', { email: email.trim().toLowerCase(), password });
      dropFromDevice(KEPT);
      location.assign(signed.ok ? '/syllabus' : '/signin');
    },
  });
  const { form, wrong } = sheet;
  const d = form.watch();
  const { errors, isSubmitting: busy } = form.formState;
  const [at, setAt] = useState(0);
  const [clock, setClock] = useState('');

  useEffect(() => {
    const kept = readFromDevice(KEPT, storedSetupDraft);
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    if (kept) for (const [name, value] of Object.entries(kept)) form.setValue(name as keyof SetupDraft, value);
    else if (zones.includes(zone)) form.setValue('timeZone', zone);
  }, [zones, form]);
  const { password: _password, ...rest } = d;
  const typed = JSON.stringify(rest);
  useEffect(() => {
    const now = JSON.parse(typed) as SetupDraft;
    if (now.school + now.head + now.email !== '') keepOnDevice(KEPT, storedSetupDraft, now);
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the clock of the chosen zone
    setClock(
      new Intl.DateTimeFormat('en-GB', {
        timeZone: now.timeZone,
        hour: '2-digit',
        minute: '2-digit',
        weekday: 'long',
      }).format(new Date()),
    );
  }, [typed]);

  // What was wrong and is mended is no longer said to be wrong.
  const again = { shouldValidate: form.formState.isSubmitted };
  const set = ({ ranks }: { ranks: DraftRank[] }) => form.setValue('ranks', ranks, again);
  const rank = d.ranks[at];
  const setRank = (change: Partial<DraftRank>) =>
    set({ ranks: d.ranks.map((r, i) => (i === at ? { ...r, ...change } : r)) });
  const move = (by: number) => {
    const to = at + by;
    if (to < 0 || to >= d.ranks.length) return;
    const ranks = [...d.ranks];
    [ranks[at], ranks[to]] = [ranks[to]!, ranks[at]!];
    set({ ranks });
    setAt(to);
  };

  return (
    <IslandRoot>
      <FormProvider {...form}>
        <main>
          <form
            className="setup"
            noValidate
            onSubmit={(e) => {
              e.preventDefault();
              void sheet.save();
            }}
          >
            <div className="title">
              <div>
                <h1>What does the school need to begin?</h1>
                <p className="sub">A name, its belts and a head instructor. All of it can be changed later.</p>
              </div>
              <div className="actions">
                <Button variant="contained" type="submit" disabled={busy}>
                  {busy ? 'One moment…' : 'Open the school'}
                </Button>
              </div>
            </div>
            <div role="alert">{wrong !== '' && <p className="message wrong mb-3">{wrong}</p>}</div>
            <div className="three">
              <section className="stack line">
                <div className="spread">
                  <h2>The hall</h2>
                </div>
                <TextField name="school" label="Name of the school" />
                <Autocomplete
                  id="zone"
                  disableClearable
                  options={zones}
                  value={d.timeZone}
                  onChange={(_, timeZone) => form.setValue('timeZone', timeZone, again)}
                  renderInput={(p) => (
                    <MuiTextField
                      {...p}
                      label="Time zone"
                      error={errors.timeZone !== undefined}
                      helperText={
                        errors.timeZone?.message ?? (clock && `There it is ${clock} now. Class times follow this zone.`)
                      }
                    />
                  )}
                />
              </section>
              <section className="sheet stack">
                <div className="spread">
                  <h2>The belts</h2>
                  <span className="second">{inWords(d.ranks.length)}, lowest first</span>
                </div>
                <ol className="belts">
                  {d.ranks.map((r, i) => (
                    <li key={r.key} className={i === at ? 'now' : ''}>
                      <span className="second num">{i + 1}</span>
                      <Belt
                        name={r.name || 'New'}
                        cloth={{ colour: r.colour, second: r.second, stripe: null, bars: r.bars }}
                        width={88}
                        height={22}
                      />
                      {i === at ? (
                        <>
                          <MuiTextField
                            id={`rank-${i}`}
                            aria-label={`Name of belt ${i + 1}`}
                            value={r.name}
                            onChange={(e) => setRank({ name: e.target.value })}
                            error={errors.ranks?.[i]?.name !== undefined}
                            helperText={errors.ranks?.[i]?.name?.message}
                            slotProps={{ htmlInput: { 'aria-label': `Name of belt ${i + 1}` } }}
                          />
                          <Button onClick={() => move(-1)} disabled={i === 0}>
                            up
                          </Button>
                          <Button onClick={() => move(1)} disabled={i === d.ranks.length - 1}>
                            down
                          </Button>
                        </>
                      ) : (
                        <ButtonBase className="name" onClick={() => setAt(i)} aria-label={`Change the ${r.name} belt`}>
                          <b>{r.name || 'no name'}</b>
                        </ButtonBase>
                      )}
                    </li>
                  ))}
                </ol>
                {rank && (
                  <>
                    <h3>Cloth of {rank.name || 'this belt'}</h3>
                    <div className="cuttings" role="group" aria-label="Colour">
                      {CUTTINGS.map((c) => (
                        <ButtonBase
                          key={c.name}
                          aria-pressed={rank.colour === c.colour}
                          onClick={() => setRank({ colour: c.colour })}
                        >
                          <svg width="46" height="34" viewBox="0 0 46 34" aria-hidden="true">
                            <path
                              d="M1 1H45V31L41 33L37 31L33 33L29 31L25 33L21 31L17 33L13 31L9 33L5 31L1 33Z"
                              fill={c.colour}
                              stroke="var(--belt-line)"
                            />
                          </svg>
                          {c.name}
                        </ButtonBase>
                      ))}
                    </div>
                    <div className="row wrap">
                      <Button
                        aria-pressed={rank.second !== null}
                        onClick={() => setRank({ second: rank.second === null ? '#F7F3E8' : null })}
                      >
                        {rank.second === null ? 'Weave in white' : 'One colour again'}
                      </Button>
                      <Button onClick={() => setRank({ bars: (rank.bars + 1) % 4 })}>
                        {rank.bars === 0 ? 'Add bars' : `Bars: ${rank.bars}`}
                      </Button>
                      <Button
                        onClick={() => {
                          set({
                            ranks: [...d.ranks, { key: newId(), name: '', colour: '#F7F3E8', second: null, bars: 0 }],
                          });
                          setAt(d.ranks.length);
                        }}
                      >
                        Add a belt
                      </Button>
                      <Button
                        disabled={d.ranks.length < 2}
                        onClick={() => {
                          set({ ranks: d.ranks.filter((_, i) => i !== at) });
                          setAt(Math.max(0, at - 1));
                        }}
                      >
                        Leave this one out
                      </Button>
                    </div>
                  </>
                )}
              </section>
              <section className="stack line">
                <div className="spread">
                  <h2>The head instructor</h2>
                </div>
                <TextField name="head" label="Your name" autoComplete="name" />
                <TextField name="email" label="Your e-mail" type="email" autoComplete="username" />
                <TextField
                  name="password"
                  label="A password"
                  type="password"
                  autoComplete="new-password"
                  help="At least ten letters; a short sentence is best."
                />
                <p className="sub">Students and other teachers are added inside, one by one or as a list.</p>
                <p className="message">
                  You are in charge of what happens on the floor. Rules of your federation, your insurer and local law
                  about minors, weapons and first aid come first.
                </p>
              </section>
            </div>
          </form>
        </main>
      </FormProvider>
    </IslandRoot>
  );
}
