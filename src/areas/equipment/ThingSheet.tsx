import Button from '@mui/material/Button';
import { useState } from 'react';
import { useFieldArray, useWatch } from 'react-hook-form';
import * as v from 'valibot';
import { whole } from '../../contracts/fields';
import { thingShape } from '../../contracts/thing';
import type { StoreView } from '../../contracts/views';
import { capital, FACES, ofNumber, THING_SERVES, THING_SHAPES, type Thing } from '../../core';
import { CheckField, ChoiceField, NumberField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';
import { newId } from '../../kit/send';

const shape = v.object({ ...thingShape.entries, count: whole(0, 300, 'How many there are') });

/** A kind of which nothing is said yet. */
export const EMPTY_THING: Thing = {
  name: '',
  about: '',
  shape: 'other',
  place: '',
  hallId: null,
  serves: null,
  fromAge: null,
  fromRankId: null,
  alone: true,
  people: 1,
  every: 90,
  how: [],
  pieces: [],
  stands: [],
};

/** A kind of equipment whole: how many, where, what for, for whom, how it is looked over. */
export function ThingSheet({
  of,
  view,
  save,
  remove,
  leave,
}: {
  of: Thing;
  view: StoreView;
  /** What went wrong; empty: it is kept. */
  save: (t: Thing) => Promise<string>;
  /** Null: not theirs to take out, or not there yet. */
  remove: (() => void) | null;
  leave: () => void;
}) {
  const [sure, setSure] = useState(false);
  const sheet = useSheet({
    start: {
      ...of,
      hallId: of.hallId ?? '',
      fromRankId: of.fromRankId ?? '',
      serves: of.serves ?? '',
      how: of.how.map((h) => ({ ...h })),
      pieces: of.pieces.map((p) => ({ ...p })),
      stands: of.stands.map((s) => ({ ...s })),
      count: of.pieces.length,
    },
    schema: shape,
    make: (d) => ({
      ...d,
      hallId: d.hallId === '' ? null : d.hallId,
      fromRankId: d.fromRankId === '' ? null : d.fromRankId,
      serves: d.serves === '' ? null : (d.serves as Thing['serves']),
    }),
    saving: async (_draft, { count, ...read }) => {
      const wrong = await save(ofNumber(read, count, view.today, newId));
      return wrong === '' ? { ok: true, answer: {} } : { ok: false, title: wrong, errors: [], status: 0 };
    },
    done: leave,
  });
  const how = useFieldArray({ control: sheet.form.control, name: 'how' });
  const stands = useFieldArray({ control: sheet.form.control, name: 'stands' });
  const hallId = useWatch({ control: sheet.form.control, name: 'hallId' });
  return (
    <SheetForm
      sheet={sheet}
      title={of.name === '' ? 'A thing of the hall' : of.name}
      saves="Keep it"
      leave={leave}
      more={
        remove &&
        (sure ? (
          <Button onClick={remove}>Yes, all of them are gone</Button>
        ) : (
          <Button variant="text" onClick={() => setSure(true)}>
            Take it out of the store
          </Button>
        ))
      }
    >
      <TextField name="name" label="What it is" />
      <TextField name="about" label="Size, timber, how it is used" />
      <div className="two">
        <NumberField name="count" label="How many" />
        <ChoiceField
          name="shape"
          label="Drawn as"
          options={THING_SHAPES.map((value) => ({ value, word: capital(value) }))}
        />
      </div>
      <TextField name="place" label="Its place" help="The rack by the door, the pegs." />
      {view.halls.length > 0 && (
        <ChoiceField
          name="hallId"
          label="Hall"
          options={[{ value: '', word: 'no hall said' }, ...view.halls.map((h) => ({ value: h.id, word: h.name }))]}
        />
      )}
      {hallId !== '' && (
        <>
          {stands.fields.map((f, i) => (
            <div className="two" key={f.id}>
              <NumberField name={`stands.${i}.x`} label={`${i + 1}. Metres from the left wall`} />
              <NumberField name={`stands.${i}.y`} label="Metres from the front wall" />
              <ChoiceField name={`stands.${i}.faces`} label="One works at its" options={FACES} />
              <Button variant="text" onClick={() => stands.remove(i)} aria-label={`Take place ${i + 1} out`}>
                out
              </Button>
            </div>
          ))}
          <Button variant="text" onClick={() => stands.append({ x: 0, y: 0, faces: 'back' })}>
            {stands.fields.length === 0 ? 'Say where it stands' : 'One more place'}
          </Button>
        </>
      )}
      <div className="two">
        <ChoiceField
          name="serves"
          label="Serves"
          help="What conditions and classes take."
          options={[{ value: '', word: 'nothing counted' }, ...THING_SERVES.map((value) => ({ value, word: value }))]}
        />
        <NumberField name="people" label="People at one" help="Holder and kicker: 2." />
        <NumberField name="fromAge" label="From age" empty={null} />
        <ChoiceField
          name="fromRankId"
          label="From belt"
          options={[{ value: '', word: 'every belt' }, ...view.ranks.map((r) => ({ value: r.id, word: r.name }))]}
        />
      </div>
      <CheckField name="alone" label="May be used without a teacher beside" />
      <NumberField name="every" label="Looked over every so many days" empty={null} help="Empty: never." />
      {how.fields.map((f, i) => (
        <div className="two" key={f.id}>
          <TextField name={`how.${i}.by`} label={`${i + 1}. With`} />
          <TextField name={`how.${i}.what`} label="What counts" />
          <Button variant="text" onClick={() => how.remove(i)} aria-label={`Take step ${i + 1} out`}>
            out
          </Button>
        </div>
      ))}
      <Button variant="text" onClick={() => how.append({ by: '', what: '' })}>
        One more step of looking over
      </Button>
    </SheetForm>
  );
}
