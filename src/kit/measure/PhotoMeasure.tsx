import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useCallback, useEffect, useRef, useState, type KeyboardEvent } from 'react';
import {
  fromFound,
  inUnit,
  MEASURES,
  readingOf,
  readMeasure,
  scaleByLength,
  scaleByStature,
  VIEWS,
  type FoundBody,
  type Side,
} from '../../core';
import { Switch } from '../Switch';
import { firstName } from '../words';
import { MeasureSheet } from './MeasureSheet';
import { PhotoPins } from './PhotoPins';
import { closePicture, openPicture, type Picture } from './picture';
import { keepMeasured } from './keepMeasured';
import { kindOf, type MeasuredPerson, type MeasuredPoint, type Row, type Taken } from './reads';
import { DRAWN_STATURE, drawnPicture } from './standIn';
import { useBody } from './useBody';

const chosenKey = (pointId: string) => `stavewright-measure-${pointId}`;
/** A body so tall, in metres, is believed; a length beside it so long. */
const TALL = { lo: 0.8, hi: 2.3 };
const LONG = { lo: 0.1, hi: 6 };
/** A length as people type it, in metres; null: it is none that can be. */
const metresIn = (text: string, within: { lo: number; hi: number }): number | null => {
  const cm = readMeasure(text, 'cm');
  return cm !== null && cm / 100 >= within.lo && cm / 100 <= within.hi ? cm / 100 : null;
};

/**
 * Numbers off a picture that never leaves the device: landmarks are set by thumb, each number with its doubt, and what is
 * sure goes into the look at once. The point that was opened says the view; others that are read off the same picture come along.
 */
export default function PhotoMeasure({
  who,
  item,
  side,
  point,
  others,
  onTake,
  onClose,
}: {
  who: MeasuredPerson;
  item: string;
  side: Side;
  point: MeasuredPoint;
  others: readonly MeasuredPoint[];
  onTake: (taken: Taken[]) => void;
  onClose: () => void;
}) {
  const fixed = readingOf(point.measuredBy, side);
  const fitting = MEASURES.filter((m) => m.unit === point.unit);
  const [chosen, setChosen] = useState(() => localStorage.getItem(chosenKey(point.id)) ?? '');
  const own =
    kindOf(fixed?.off === 'picture' ? fixed.key : '') ?? fitting.find((m) => m.key === chosen) ?? fitting[0] ?? null;
  const view = own?.view ?? 'side';
  const rows: Row[] =
    own === null
      ? []
      : [
          { point, kind: own },
          ...others.flatMap((o): Row[] => {
            const r = readingOf(o.measuredBy, side);
            const kind = r?.off === 'picture' && r.view === own.view ? kindOf(r.key) : undefined;
            return kind && kind.unit === o.unit && o.id !== point.id ? [{ point: o, kind }] : [];
          }),
        ];
  const [facing, setFacing] = useState<1 | -1>(1);
  const [stature, setStature] = useState(who.stature === null ? '' : String(who.stature));
  const [by, setBy] = useState<'stature' | 'length'>('stature');
  const [length, setLength] = useState('');
  const [picture, setPicture] = useState<Picture | null>(null);
  const [keeps, setKeeps] = useState(false);
  const [wrong, setWrong] = useState('');
  const [nobody, setNobody] = useState(false);
  const [found, setFound] = useState<FoundBody | null>(null);
  const open = useRef<Picture | null>(null);
  const left = useRef(false);
  const taking = useRef(false);
  const touched = useRef(false);
  const onTouch = useCallback(() => {
    touched.current = true;
  }, []);
  const keys = useRef<((e: KeyboardEvent) => void) | null>(null);
  const onKeys = useCallback((does: typeof keys.current) => {
    keys.current = does;
  }, []);
  useEffect(() => {
    left.current = false;
    return () => {
      left.current = true;
      if (open.current) closePicture(open.current);
    };
  }, []);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const p = await openPicture(file);
    if (!p) return setWrong('This file is no picture that can be opened here. Take another; the look is as it was.');
    show(p);
  };
  const show = (p: Picture) => {
    // Left while it was read: nothing of it stays.
    if (left.current) return closePicture(p);
    if (open.current) closePicture(open.current);
    open.current = p;
    touched.current = false;
    setWrong('');
    setNobody(false);
    setFound(null);
    setPicture(p);
  };
  const tall = picture?.drawn ? DRAWN_STATURE : metresIn(stature, TALL);
  const long = metresIn(length, LONG);
  const scale =
    by === 'length' ? (long === null ? null : scaleByLength(long)) : tall === null ? null : scaleByStature(view, tall);
  const subject = { stature: tall ?? 1.7, facing };
  const looking = useBody(view === 'above' ? null : picture, (points) => {
    const body = fromFound(view, points);
    setNobody(body === null);
    // What a thumb has set is never moved by a guess.
    if (!body || touched.current) return;
    if (view === 'side') setFacing(body.facing);
    setFound(body);
  });
  const scaled = rows.some((r) => r.kind.scaled);
  const keeping = keeps && picture !== null && !picture.drawn;
  const took = async (taken: Taken[]) => {
    // Pressed twice it is kept and taken once.
    if (taking.current) return;
    taking.current = true;
    if (keeping && !(await keepMeasured(picture, who.id, item, rows, taken))) {
      taking.current = false;
      return setWrong('This device has no room for the picture. Take the numbers without keeping it.');
    }
    onTake(taken);
    onClose();
  };
  return (
    <MeasureSheet
      title={`${who.name}: ${point.name}`}
      sub={
        <>
          Accepted is {point.range.lo} to {inUnit(point.range.hi, point.unit)}. Square to the line, the whole body in
          the picture.
        </>
      }
      onKeyDown={(e) => keys.current?.(e)}
      onClose={onClose}
      footer={
        !picture && (
          <>
            <p className="quiet">
              <b>Nothing leaves this device.</b> The photo goes when this closes; the numbers stay.
              {who.pictures === false && ` ${firstName(who.name)} has not agreed to keep any.`}
            </p>
            <Button onClick={onClose}>Leave it</Button>
          </>
        )
      }
    >
      {own === null ? (
        <p className="message">
          No number in {point.unit ?? 'this unit'} can be read off a picture yet: measure it by hand.
        </p>
      ) : (
        <div className="row wrap">
          {fixed?.off === 'picture' ? (
            <p className="quiet">
              {own.key}, from {view === 'above' ? view : `the ${view}`}
            </p>
          ) : (
            <TextField
              select
              label="What is read"
              value={own.key}
              onChange={(e) => {
                setChosen(e.target.value);
                localStorage.setItem(chosenKey(point.id), e.target.value);
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
          )}
          {view === 'side' && (
            <Switch
              label="Faces"
              value={facing === 1 ? 'right' : 'left'}
              options={[
                { value: 'left', word: 'faces left' },
                { value: 'right', word: 'faces right' },
              ]}
              onChange={(w) => setFacing(w === 'right' ? 1 : -1)}
              mat
            />
          )}
          {scaled && (
            <>
              <Switch
                label="How long a thing is in it"
                value={by}
                options={[
                  { value: 'stature', word: 'by stature' },
                  { value: 'length', word: 'by a length' },
                ]}
                onChange={setBy}
                mat
              />
              {by === 'stature' ? (
                <TextField
                  className="short"
                  label="Stature in cm"
                  value={stature}
                  onChange={(e) => setStature(e.target.value)}
                />
              ) : (
                <TextField
                  className="short"
                  label="Length in cm"
                  helperText="of a staff beside the feet"
                  value={length}
                  onChange={(e) => setLength(e.target.value)}
                />
              )}
            </>
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
          {picture && !picture.drawn && who.pictures === true && (
            <FormControlLabel
              control={<Checkbox checked={keeps} onChange={(e) => setKeeps(e.target.checked)} />}
              label="Keep the picture on this device"
            />
          )}
          {!picture && view === 'side' && (
            <Button
              onClick={() => {
                setFacing(1);
                setBy('stature');
                drawnPicture().then(show, () => setWrong('This device cannot draw one: take a picture.'));
              }}
            >
              Try it on a drawing
            </Button>
          )}
        </div>
      )}
      <p role="status" className="quiet measure-status">
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
        <PhotoPins
          key={`${picture.url} ${view} ${facing}`}
          picture={picture}
          view={view}
          subject={subject}
          scale={scale}
          byLength={by === 'length' && scaled}
          rows={rows}
          found={found}
          onKeys={onKeys}
          onTouch={onTouch}
          keeping={keeping}
          onTake={(taken) => void took(taken)}
          onClose={onClose}
        />
      )}
    </MeasureSheet>
  );
}
