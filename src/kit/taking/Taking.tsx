import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useRef, type ReactNode } from 'react';
import { plural } from '../../core';
import { IslandRoot } from '../IslandRoot';
import { LineNotch } from '../marks/small';
import { LETTERS, type Letters } from './decode';
import { type Source, type TakingBy, useTaking } from './useTaking';
import './taking.css';

/** The first words that have letters beyond plain Latin: they show whether the file was read as it was meant. */
const strangeIn = (text: string): string =>
  [...new Set(text.split(/[\s,;|]/).filter((w) => /\P{ASCII}/u.test(w)))].slice(0, 4).join(', ');

/**
 * "What comes in?": a list is typed, pasted or opened; every line says what will happen before anything happens; the
 * good ones are taken, the others stay to be mended.
 */
export function Taking<T>({
  title,
  sub,
  back,
  source,
  label,
  placeholder,
  accept,
  hint,
  by,
  said,
}: {
  title: string;
  sub: string;
  back: { href: string; word: string };
  source: Source;
  label: string;
  placeholder?: string;
  accept: string;
  hint?: string;
  by: TakingBy<T>;
  /** What is said once so many were taken. */
  said: (taken: number) => ReactNode;
}) {
  const picker = useRef<HTMLInputElement>(null);
  const taking = useTaking(source, by);
  const { good, bad, working } = taking;
  const wrong = source.wrong || by.reading.wrong;
  const type = (text: string) => {
    taking.forget();
    source.setWrong('');
    source.write(text);
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>{title}</h1>
          <p className="sub">{sub} Nothing is changed before you say so.</p>
        </div>
        <div className="actions">
          <a className="button" href={back.href}>
            {back.word}
          </a>
          {working && working.of > 1 && working.done > 0 && <Button onClick={taking.stop}>Stop</Button>}
          <Button
            variant="contained"
            disabled={good.length === 0 || working !== null}
            onClick={() => void taking.take()}
          >
            {working
              ? working.done > 0
                ? `${working.done} of ${working.of}`
                : 'Taking…'
              : good.length === 0
                ? 'Take the good ones'
                : `Take the ${good.length} good ${plural(good.length, 'one')}`}
          </Button>
        </div>
      </div>
      <div role="status">
        {taking.taken > 0 && (
          <p className="message good mb-3">
            {said(taking.taken)}
            {source.source !== '' && ' What could not be taken is still here.'}
          </p>
        )}
      </div>
      <div role="alert">{wrong !== '' && <p className="message wrong mb-3">{wrong}</p>}</div>
      <div className="taking">
        <section className="stack">
          <TextField
            id="list"
            label={label}
            multiline
            minRows={12}
            maxRows={26}
            value={source.source}
            onChange={(e) => type(e.target.value)}
            {...(placeholder ? { placeholder } : {})}
            spellCheck={false}
          />
          <div className="row wrap">
            <Button onClick={() => picker.current?.click()}>Choose a file</Button>
            <input
              ref={picker}
              type="file"
              accept={accept}
              className="hidden"
              tabIndex={-1}
              aria-label="A file to read it from"
              onChange={(e) => {
                const file = e.target.files?.[0];
                e.target.value = '';
                taking.forget();
                if (file) void source.open(file);
              }}
            />
            {source.source !== '' && (
              <Button variant="text" onClick={() => type('')}>
                Clear the list
              </Button>
            )}
          </div>
          {source.opened && source.opened.could.length > 1 && (
            <TextField
              id="letters"
              label="Letters of this file read as"
              select
              value={source.opened.letters}
              onChange={(e) => source.readAs(e.target.value as Letters)}
              helperText={`The file does not say how its letters are meant. Look at the names: ${strangeIn(source.source) || 'they'} should be right.`}
            >
              {source.opened.could.map((l) => (
                <MenuItem key={l} value={l}>
                  {LETTERS[l]}
                </MenuItem>
              ))}
            </TextField>
          )}
          {hint && <p className="sub">{hint}</p>}
        </section>
        <section>
          <div className="spread">
            <h2>Line by line</h2>
            <span className="second">
              {by.reading.lines.length === 0 ? 'nothing yet' : `${good.length} will be taken, ${bad.length} will not`}
            </span>
          </div>
          <ol className="taking-lines">
            {by.reading.lines.map((l, i) => (
              <li key={i}>
                {l.isHere ? <span /> : <LineNotch state={l.takes ? 'good' : 'bad'} />}
                <span className="second num">{l.at ?? i + 1}</span>
                <span>
                  <b>{l.name}</b> <span className={l.takes || l.isHere ? 'second' : 'attention'}>{l.said}</span>
                  {l.more && <p className="second">{l.more}</p>}
                </span>
              </li>
            ))}
          </ol>
        </section>
      </div>
    </IslandRoot>
  );
}
