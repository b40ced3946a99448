import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import {
  capital,
  firstPins,
  fromFound,
  LANDMARKS,
  measure,
  MEASURES,
  nextLandmark,
  scaleByStature,
  THUMB_OFF,
  told,
  VIEWS,
  type Landmark,
  type Pins,
  type Range,
  type View,
} from '../../../core';
import { unitAfter } from '../../../kit/mat/Measuring';
import { Switch } from '../../../kit/Switch';
import { MeasureSheet } from './MeasureSheet';
import { PhotoStage } from './PhotoStage';
import { PinList } from './PinList';
import { useBody } from './useBody';
import { closePicture, openPicture, type Picture } from './picture';

const chosenKey = (pointId: string) => `stavewright-measure-${pointId}`;
const r1 = (n: number) => Math.round(n * 10) / 10;

interface Step {
  pins: Pins;
  at: Landmark;
}

/** A number off a picture that never leaves the device: landmarks are set by thumb, each number with its doubt. */
export default function PhotoMeasure({
  name,
  point,
  range,
  stature: said,
  onTake,
  onClose,
}: {
  name: string;
  point: { id: string; name: string; unit: string | null };
  range: Range;
  /** In centimetres; null: not known. */
  stature: number | null;
  onTake: (value: number) => void;
  onClose: () => void;
}) {
  const fitting = MEASURES.filter((m) => m.unit === point.unit);
  const [key, setKey] = useState(() => {
    const kept = localStorage.getItem(chosenKey(point.id));
    return fitting.find((m) => m.key === kept)?.key ?? fitting[0]?.key ?? '';
  });
  const kind = MEASURES.find((m) => m.key === key);
  const view = kind?.view ?? 'side';
  const [facing, setFacing] = useState<1 | -1>(1);
  const [stature, setStature] = useState(said === null ? '' : String(said));
  const [picture, setPicture] = useState<Picture | null>(null);
  const [pins, setPins] = useState<Pins>({});
  const [at, setAt] = useState<Landmark>('heel front');
  const [before, setBefore] = useState<readonly Step[]>([]);
  const [wrong, setWrong] = useState('');
  const [nobody, setNobody] = useState(false);
  const stage = useRef<SVGSVGElement>(null);
  const drag = useRef<{ x: number; y: number; from: { x: number; y: number } } | null>(null);
  const open = useRef<Picture | null>(null);
  const left = useRef(false);
  useEffect(() => {
    left.current = false;
    return () => {
      left.current = true;
      if (open.current) closePicture(open.current);
    };
  }, []);
  useEffect(() => {
    if (picture) stage.current?.focus();
  }, [picture]);
  const begin = (p: Picture, v: View, f: 1 | -1) => {
    setPins(firstPins(v, p.width, p.height, f));
    setAt(MEASURES.find((m) => m.key === key && m.view === v)?.needs[0] ?? LANDMARKS[v][0]!);
    setBefore([]);
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    const p = await openPicture(file);
    if (!p) return setWrong('This file is no picture that can be opened here. Take another; the look is as it was.');
    // Left while it was read: nothing of it stays.
    if (left.current) return closePicture(p);
    if (open.current) closePicture(open.current);
    open.current = p;
    setWrong('');
    setNobody(false);
    setPicture(p);
    begin(p, view, facing);
  };
  const metres = Number(stature.replace(',', '.')) / 100;
  const tall = metres >= 0.8 && metres <= 2.3 ? metres : null;
  const subject = { stature: tall ?? 1.7, facing };
  const needs = kind?.needs ?? [];
  const readOff = (of: Pins) => {
    const scale = tall === null ? null : scaleByStature(view, of, tall);
    return { scale, numbers: measure(view, of, scale, subject) };
  };
  const { scale, numbers } = picture ? readOff(pins) : { scale: null, numbers: [] };
  const mine = numbers.find((m) => m.kind.key === key);
  const word = mine ? told(mine, range) : 'cannot tell';
  /** What is set next: the guess that widens the number most, what it needs besides, and what gives the scale. */
  const nextOf = (of: Pins): Landmark | null => {
    const found = readOff(of);
    const open = (n: Landmark) => of[n] !== undefined && !of[n].set;
    return (
      nextLandmark(view, of, found.numbers, [{ key, accepted: range }]) ??
      (found.numbers.some((m) => m.kind.key === key) ? null : (needs.find(open) ?? null)) ??
      (kind?.scaled && !found.scale
        ? ((['ankle front', 'knee front', 'hip', 'shoulder'] as const).find(open) ?? null)
        : null)
    );
  };
  const looking = useBody(view === 'above' ? null : picture, (found) => {
    const body = fromFound(view, found);
    setNobody(body === null);
    // What a thumb has set is never moved by a guess.
    if (!body || before.length > 0) return;
    if (view === 'side' && body.facing !== facing) setFacing(body.facing);
    const place = picture ? firstPins(view, picture.width, picture.height, body.facing) : {};
    const guesses = { ...place, ...body.pins };
    setPins(guesses);
    setAt((now) => nextOf(guesses) ?? now);
  });
  const next = picture ? nextOf(pins) : null;
  const keep = () => setBefore((b) => [...b.slice(-100), { pins, at }]);
  const placed = (all: Pins, x: number, y: number): Pins => {
    if (!picture) return all;
    const within = (n: number, most: number) => Math.min(most, Math.max(0, n));
    return {
      ...all,
      [at]: { x: within(x, picture.width), y: within(y, picture.height), sd: picture.height * THUMB_OFF, set: true },
    };
  };
  const put = (x: number, y: number) => setPins((all) => placed(all, x, y));
  const undo = () => {
    const last = before.at(-1);
    if (!last) return;
    setPins(last.pins);
    setAt(last.at);
    setBefore(before.slice(0, -1));
  };
  /** What stands is right: on to what is set next. */
  const on = () => {
    const pin = pins[at];
    if (!pin) return;
    const after = placed(pins, pin.x, pin.y);
    if (!pin.set) {
      keep();
      setPins(after);
    }
    setAt(nextOf(after) ?? LANDMARKS[view].find((n) => needs.includes(n) && !after[n]?.set) ?? at);
  };
  const scaleOnScreen = () => {
    const box = stage.current?.getBoundingClientRect();
    return box && picture && box.width > 0 ? picture.width / box.width : 1;
  };
  const down = (e: PointerEvent) => {
    const pin = pins[at];
    if (!pin) return;
    keep();
    drag.current = { x: e.clientX, y: e.clientY, from: pin };
    e.currentTarget.setPointerCapture(e.pointerId);
  };
  // The pin goes half as far as the thumb, which does not cover it then.
  const moved = (e: PointerEvent) => {
    const d = drag.current;
    if (!d) return;
    const k = scaleOnScreen() / 2;
    put(d.from.x + (e.clientX - d.x) * k, d.from.y + (e.clientY - d.y) * k);
  };
  const keys = (e: KeyboardEvent) => {
    if (
      !picture ||
      (e.target instanceof HTMLElement &&
        e.target.closest('input, [role="combobox"], [role="listbox"], [role="radiogroup"]'))
    )
      return;
    const step = e.shiftKey ? 10 : 1;
    const arrows: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const by = arrows[e.key];
    const pin = pins[at];
    if (by && pin) {
      e.preventDefault();
      keep();
      put(pin.x + by[0], pin.y + by[1]);
    } else if (e.key === 'Enter' && !(e.target instanceof HTMLElement && e.target.closest('button'))) on();
    else if (e.key === 'Backspace') undo();
  };
  const pin = pins[at];
  // No model makes a mark: at least one of what the number rests on was set or confirmed by thumb.
  const touched = needs.some((n) => pins[n]?.set);
  const canTake = mine !== undefined && word !== 'cannot tell' && touched;
  const value = mine ? (point.unit === '°' || point.unit === '%' ? Math.round(mine.value) : r1(mine.value)) : null;
  return (
    <MeasureSheet
      title={`${name}: ${point.name}`}
      sub={
        <>
          Accepted is {range.lo} to {range.hi}
          {unitAfter(point.unit)}. Square to the line, the whole body in the picture.
        </>
      }
      onKeyDown={keys}
      onClose={onClose}
      footer={
        <>
          <p className="quiet">
            <b>Nothing leaves this device.</b> The photo goes when this closes; the number stays.
          </p>
          <Button disabled={before.length === 0} onClick={undo}>
            Undo
          </Button>
          {picture && <Button onClick={on}>{pin?.set ? 'On to the next' : `${capital(at)} is right`}</Button>}
          <Button onClick={onClose}>Leave it</Button>
          <Button
            variant="contained"
            disabled={!canTake}
            onClick={() => {
              if (value !== null) onTake(value);
              onClose();
            }}
          >
            {!canTake
              ? word === 'cannot tell'
                ? 'Cannot tell yet'
                : 'Confirm one first'
              : `Take ${value}${unitAfter(point.unit)} into the look`}
          </Button>
        </>
      }
    >
      {fitting.length === 0 ? (
        <p className="message">
          No number in {point.unit ?? 'this unit'} can be read off a picture yet: measure it by hand.
        </p>
      ) : (
        <div className="row wrap">
          <TextField
            select
            label="What is read"
            value={key}
            onChange={(e) => {
              setKey(e.target.value);
              localStorage.setItem(chosenKey(point.id), e.target.value);
              const v = MEASURES.find((m) => m.key === e.target.value)!.view;
              if (picture && v !== view) begin(picture, v, facing);
              else setAt(MEASURES.find((m) => m.key === e.target.value)!.needs[0]!);
            }}
          >
            {VIEWS.flatMap((v) =>
              fitting
                .filter((m) => m.view === v)
                .map((m) => (
                  <MenuItem key={m.key} value={m.key}>
                    {m.key}, from {v === 'above' ? v : `the ${v}`}
                  </MenuItem>
                )),
            )}
          </TextField>
          {view === 'side' && (
            <Switch
              label="Faces"
              value={facing === 1 ? 'right' : 'left'}
              options={[
                { value: 'left', word: 'faces left' },
                { value: 'right', word: 'faces right' },
              ]}
              onChange={(w) => {
                const f = w === 'right' ? 1 : -1;
                setFacing(f);
                if (picture) begin(picture, view, f);
              }}
              mat
            />
          )}
          {kind?.scaled && (
            <TextField label="Stature in cm" value={stature} onChange={(e) => setStature(e.target.value)} />
          )}
          <Button component="label">
            {picture ? 'Another picture' : 'Take a picture'}
            <input
              hidden
              type="file"
              accept="image/*"
              capture="environment"
              aria-label="Take a picture"
              onChange={(e) => {
                void take(e.target.files?.[0]);
                // The same one once more is heard as well.
                e.target.value = '';
              }}
            />
          </Button>
        </div>
      )}
      <p role="status" className="quiet">
        {looking.at === 'loading'
          ? `What finds a body is fetched, once: ${Math.round(looking.share * 100)} in 100.`
          : looking.at === 'looking'
            ? 'Looking for the body… Begin by thumb if you like.'
            : picture && (looking.at === 'failed' || nobody)
              ? 'Nobody was found in it: set the landmarks by thumb.'
              : ''}
      </p>
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      {picture && (
        <div className="photo-two">
          <PhotoStage
            ref={stage}
            picture={picture}
            view={view}
            pins={pins}
            at={at}
            onDown={down}
            onMove={moved}
            onUp={() => (drag.current = null)}
          />
          <aside>
            <p className="measure-value" aria-live="polite">
              {mine && value !== null ? (
                <>
                  <b className="num">
                    {value}
                    {unitAfter(point.unit)}
                  </b>{' '}
                  ± {point.unit === '°' || point.unit === '%' ? Math.ceil(mine.half) : r1(mine.half)}
                  {unitAfter(point.unit)}: {word}
                </>
              ) : kind?.scaled && tall === null ? (
                'No stature is known: say it, or read an angle.'
              ) : kind?.scaled && !scale ? (
                'Set front ankle, knee, hip and shoulder: they give the scale.'
              ) : (
                'Set the landmarks.'
              )}
            </p>
            {mine && word === 'cannot tell' && (
              <p className="quiet">
                The width lies across an edge{next ? `: set ${next} next` : ': set them once more, or say it by eye'}.
              </p>
            )}
            <PinList
              names={LANDMARKS[view].filter((n) => needs.includes(n) || pins[n]?.set)}
              pins={pins}
              at={at}
              onChoose={setAt}
            />
            {numbers.length > 1 && (
              <details>
                <summary>What else it says</summary>
                <ul>
                  {numbers
                    .filter((m) => m.kind.key !== key && m.kind.needs.every((n) => pins[n]?.set))
                    .map((m) => (
                      <li key={m.kind.key}>
                        {m.kind.key}: {r1(m.value)} ± {r1(m.half)}
                        {unitAfter(m.kind.unit)}
                      </li>
                    ))}
                </ul>
              </details>
            )}
            <p className="quiet">± nine times in ten: thumb, guess, scale, and bodies off the table by a tenth.</p>
          </aside>
        </div>
      )}
    </MeasureSheet>
  );
}
