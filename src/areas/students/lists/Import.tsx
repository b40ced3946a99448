import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Papa from 'papaparse';
import { useEffect, useMemo, useState, type ChangeEvent } from 'react';
import type { RollView } from '../../../contracts/views';
import { checkRollLines, dateInWords, plural, readRollCells } from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { LineNotch } from '../../../kit/marks/small';
import { forgottenAtSignOut } from '../../../kit/offline';
import { newId, send } from '../../../kit/send';
import { decode, decodeAs, WAYS, type Way } from '../../../kit/taking/decode';

// Names and birth dates: not for whoever signs in next.
const KEPT = forgottenAtSignOut.roll;
const LARGEST = 600_000;

/** The first words that have letters beyond plain Latin: they show whether the file was read as it was meant. */
const strangeIn = (text: string): string =>
  [...new Set(text.match(/[\p{L}\p{M}]*[^\p{ASCII}]+[\p{L}\p{M}]*/gu) ?? [])].slice(0, 4).join(', ');

/** "What will this list do?": every line says what will happen before anything happens; the good ones are taken. */
export default function Import({ view, today }: { view: RollView; today: string }) {
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState('');
  const [taken, setTaken] = useState(0);
  const [busy, setBusy] = useState(false);
  /** The file that was taken last, where its letters can be read in several ways. */
  const [file, setFile] = useState<{ bytes: Uint8Array; way: Way; ways: Way[] } | null>(null);
  const [onTheRoll, setOnTheRoll] = useState<{ name: string; born: string | null }[]>(view.students);
  // eslint-disable-next-line react-hooks/set-state-in-effect -- what the device kept is read once, after hydration
  useEffect(() => setText(localStorage.getItem(KEPT) ?? ''), []);
  const type = (t: string) => {
    setText(t);
    setTaken(0);
    setFile(null);
    try {
      if (t === '') localStorage.removeItem(KEPT);
      else localStorage.setItem(KEPT, t);
    } catch {
      // Without room it is only not remembered over a reload.
    }
  };
  const checked = useMemo(() => {
    const rows = Papa.parse<string[]>(text, { skipEmptyLines: false }).data;
    return checkRollLines(readRollCells(rows), { ranks: view.ranks, onTheRoll, today });
  }, [text, view.ranks, onTheRoll, today]);
  const good = checked.filter((c) => c.takes);
  const bad = checked.filter((c) => !c.takes);
  const rankName = new Map(view.ranks.map((r) => [r.id, r.name]));

  const upload = async (e: ChangeEvent<HTMLInputElement>) => {
    const chosen = e.target.files?.[0];
    e.target.value = '';
    if (!chosen) return;
    if (chosen.size > LARGEST)
      return setWrong('This file is too large for a roll. Save it as CSV with the names alone.');
    const bytes = new Uint8Array(await chosen.arrayBuffer());
    const read = decode(bytes);
    if (!read)
      return setWrong('This is not a text file. In your spreadsheet choose “save as CSV”, then take that file.');
    setWrong('');
    type(read.text);
    setFile({ bytes, way: read.way, ways: read.ways });
  };
  const take = async () => {
    setBusy(true);
    setWrong('');
    const students = good.flatMap((g) => (g.takes ? [{ id: newId(), ...g.student }] : []));
    const answer = await send('student.import', { students });
    setBusy(false);
    if (!answer.ok) return setWrong(answer.title);
    setOnTheRoll([...onTheRoll, ...students]);
    const left = new Set(bad.map((b) => b.line));
    const rows = Papa.parse<string[]>(text, { skipEmptyLines: false }).data;
    const kept = rows.filter((_, i) => left.has(i + 1));
    const head = kept.length > 0 && checked[0] && checked[0].line > 1 ? rows.slice(0, 1) : [];
    type(kept.length > 0 ? Papa.unparse([...head, ...kept]) : '');
    setTaken(students.length);
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What will this list do?</h1>
          <p className="sub">
            Name, belt, date of birth, belt since: one student a line. Nothing is changed before you say so.
          </p>
        </div>
        <div className="actions">
          <a className="button" href="/students">
            Back to the roll
          </a>
          <Button variant="contained" disabled={good.length === 0 || busy} onClick={() => void take()}>
            {busy
              ? 'Taking…'
              : good.length === 0
                ? 'Take the good lines'
                : `Take the ${good.length} good ${plural(good.length, 'line')}`}
          </Button>
        </div>
      </div>
      <div role="status">
        {taken > 0 && (
          <p className="message good mb-3">
            {taken} {plural(taken, 'student is', 'students are')} on the roll now.
            {text !== '' && ' The lines that could not be taken are still here.'}
          </p>
        )}
      </div>
      <div role="alert">{wrong !== '' && <p className="message wrong mb-3">{wrong}</p>}</div>
      <div className="import">
        <section className="stack">
          <TextField
            id="list"
            label="The list"
            multiline
            minRows={12}
            maxRows={24}
            value={text}
            onChange={(e) => type(e.target.value)}
            placeholder={'Tomasz Rill, Amber, 4 May 2010, 9 August 2025\nNoor Saltby, Fern, 19 Jan 2004'}
            spellCheck={false}
          />
          <div className="row wrap">
            <Button component="label">
              Choose a CSV file
              <input type="file" accept=".csv,.txt,text/csv,text/plain" hidden onChange={(e) => void upload(e)} />
            </Button>
            {text !== '' && (
              <Button variant="text" onClick={() => type('')}>
                Clear the list
              </Button>
            )}
          </div>
          {file && file.ways.length > 1 && (
            <TextField
              id="letters"
              label="Letters of this file read as"
              select
              value={file.way}
              onChange={(e) => {
                const way = e.target.value as Way;
                type(decodeAs(file.bytes, way));
                setFile({ ...file, way });
              }}
              helperText={`The file does not say how its letters are meant. Look at the names: ${strangeIn(text) || 'they'} should be right.`}
            >
              {file.ways.map((way) => (
                <MenuItem key={way} value={way}>
                  {WAYS[way]}
                </MenuItem>
              ))}
            </TextField>
          )}
          <p className="sub">
            A first line with the words name, belt, born, since may put them in any order. What you paste stays on this
            device until it is taken or you sign out.
          </p>
        </section>
        <section>
          <div className="spread">
            <h2>Line by line</h2>
            <span className="second">
              {checked.length === 0 ? 'nothing yet' : `${good.length} will be taken, ${bad.length} will not`}
            </span>
          </div>
          <ol className="lines">
            {checked.map((c) => (
              <li key={c.line}>
                <LineNotch state={c.takes ? 'good' : 'bad'} />
                <span className="second num">{c.line}</span>
                <span>
                  <b>{c.text.name || '(no name)'}</b>
                  {c.takes ? (
                    <span className="second">
                      {' '}
                      new, {rankName.get(c.student.rankId)} since {dateInWords(c.student.since)}
                      {c.student.born && `, born ${dateInWords(c.student.born)}`}
                      {c.remark !== '' && `; ${c.remark}`}
                    </span>
                  ) : (
                    <span className="attention"> {c.wrong}</span>
                  )}
                </span>
              </li>
            ))}
          </ol>
        </section>
      </div>
      <style>{`
        .import { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr); gap: 24px; align-items: start; }
        .lines li { display: grid; grid-template-columns: 28px 28px minmax(0, 1fr); gap: 8px; align-items: start; border-top: 1px solid var(--rule); padding: 7px 0; overflow-wrap: anywhere; }
        @media (max-width: 899px) { .import { grid-template-columns: minmax(0, 1fr); } }
      `}</style>
    </IslandRoot>
  );
}
