import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import {
  capital,
  firstPins,
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
import './PhotoMeasure.css';
import { closePicture, openPicture, type Picture } from './picture';

/** Lines between landmarks, so that one sees which is which. */
const BONES: Record<View, readonly (readonly [Landmark, Landmark])[]> = {
  side: [
    ['heel front', 'toe front'],
    ['heel rear', 'toe rear'],
    ['ankle front', 'knee front'],
    ['ankle rear', 'knee rear'],
    ['knee front', 'hip'],
    ['knee rear', 'hip'],
    ['hip', 'shoulder'],
    ['shoulder', 'elbow left'],
    ['elbow left', 'wrist left'],
    ['shoulder', 'elbow right'],
    ['elbow right', 'wrist right'],
    ['shoulder', 'ear'],
  ],
  front: [
    ['ankle left', 'hip left'],
    ['ankle right', 'hip right'],
    ['hip left', 'hip right'],
    ['hip left', 'shoulder left'],
    ['hip right', 'shoulder right'],
    ['shoulder left', 'elbow left'],
    ['shoulder right', 'elbow right'],
  ],
  above: [
    ['heel left', 'toe left'],
    ['heel right', 'toe right'],
  ],
};
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
  const stage = useRef<SVGSVGElement>(null);
  const drag = useRef<{ x: number; y: number; from: { x: number; y: number } } | null>(null);
  const open = useRef<Picture | null>(null);
  useEffect(
    () => () => {
      if (open.current) closePicture(open.current);
    },
    [],
  );
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
    if (open.current) closePicture(open.current);
    open.current = p;
    setWrong('');
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
    e.stopPropagation();
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
  const corner = picture && pin ? { right: pin.x < picture.width / 2, bottom: pin.y < picture.height / 2 } : null;
  const glass = picture ? picture.height * 0.14 : 0;
  const value = mine ? (point.unit === '°' || point.unit === '%' ? Math.round(mine.value) : r1(mine.value)) : null;
  return (
    <Dialog
      fullScreen
      open
      // On all of it: no key may reach the card beneath.
      onKeyDown={keys}
      onClose={onClose}
      aria-labelledby="photo-head"
      slotProps={{ paper: { className: 'photo-measure' } }}
    >
      <div className="photo-all">
        <header>
          <h1 id="photo-head">
            {name}: {point.name}
          </h1>
          <p className="quiet">
            Accepted is {range.lo} to {range.hi}
            {unitAfter(point.unit)}. Square to the line, the whole body in the picture.
          </p>
        </header>
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
        <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
        {picture && (
          <div className="photo-two">
            <svg
              ref={stage}
              className="photo-stage"
              viewBox={`0 0 ${picture.width} ${picture.height}`}
              tabIndex={0}
              role="application"
              aria-label={`The picture. ${at}: arrows move it, Enter goes on, Backspace undoes.`}
              onPointerDown={down}
              onPointerMove={moved}
              onPointerUp={() => (drag.current = null)}
              onPointerCancel={() => (drag.current = null)}
            >
              <image href={picture.url} width={picture.width} height={picture.height} />
              {BONES[view].map(([a, b]) =>
                pins[a] && pins[b] ? (
                  <path
                    key={`${a} ${b}`}
                    d={`M${r1(pins[a].x)} ${r1(pins[a].y)}L${r1(pins[b].x)} ${r1(pins[b].y)}`}
                    stroke="#fff"
                    strokeWidth={picture.height / 260}
                    strokeDasharray={pins[a].set && pins[b].set ? undefined : `${picture.height / 120}`}
                    opacity={pins[a].set || pins[b].set ? 0.9 : 0.35}
                  />
                ) : null,
              )}
              {LANDMARKS[view].map((n) => {
                const p = pins[n];
                if (!p) return null;
                const r = picture.height / 90;
                return (
                  <circle
                    key={n}
                    cx={r1(p.x)}
                    cy={r1(p.y)}
                    r={p.set ? r : r * 1.6}
                    fill={n === at ? 'var(--pine)' : p.set ? '#fff' : 'none'}
                    stroke={n === at ? '#fff' : p.set ? '#14181B' : '#fff'}
                    strokeWidth={picture.height / 320}
                    strokeDasharray={p.set ? undefined : `${picture.height / 160}`}
                  />
                );
              })}
              {pin && corner && (
                <g
                  transform={`translate(${corner.right ? picture.width - glass - 8 : glass + 8} ${corner.bottom ? picture.height - glass - 8 : glass + 8})`}
                >
                  <clipPath id="photo-glass">
                    <circle r={glass} />
                  </clipPath>
                  <circle r={glass} fill="#14181B" />
                  <g clipPath="url(#photo-glass)">
                    <image
                      href={picture.url}
                      width={picture.width}
                      height={picture.height}
                      transform={`scale(3) translate(${-pin.x} ${-pin.y})`}
                    />
                  </g>
                  <path
                    d={`M${-glass} 0H${-glass / 8}M${glass / 8} 0H${glass}M0 ${-glass}V${-glass / 8}M0 ${glass / 8}V${glass}`}
                    stroke="#fff"
                    strokeWidth={picture.height / 400}
                  />
                  <circle r={glass} fill="none" stroke="var(--wood)" strokeWidth={picture.height / 100} />
                </g>
              )}
            </svg>
            <aside>
              <p className="photo-value" aria-live="polite">
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
              <ol className="photo-pins">
                {LANDMARKS[view]
                  .filter((n) => needs.includes(n) || pins[n]?.set)
                  .map((n) => (
                    <li key={n}>
                      <Button aria-pressed={n === at} className={n === at ? 'on' : ''} onClick={() => setAt(n)}>
                        {capital(n)}{' '}
                        <span className="quiet num">
                          {pins[n]?.set ? `${Math.round(pins[n].x)}, ${Math.round(pins[n].y)}` : 'a guess'}
                        </span>
                      </Button>
                    </li>
                  ))}
              </ol>
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
        <footer>
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
            disabled={value === null || word === 'cannot tell'}
            onClick={() => {
              if (value !== null) onTake(value);
              onClose();
            }}
          >
            {value === null || word === 'cannot tell'
              ? 'Cannot tell yet'
              : `Take ${value}${unitAfter(point.unit)} into the look`}
          </Button>
        </footer>
      </div>
    </Dialog>
  );
}
