import Button from '@mui/material/Button';
import * as v from 'valibot';
import { name } from '../../contracts/fields';
import { standardInput } from '../../contracts/standard';
import { limitsShape } from '../../contracts/stored/syllabus';
import type { EditInput } from '../../contracts/syllabus';
import { capital, RISKS, STEADY, type Syllabus } from '../../core';
import { ListField, NumberField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';
import { asAnswer } from './asAnswer';
import { StandardFields } from './StandardFields';

interface Props {
  syllabus: Syllabus;
  edit: (edits: EditInput[], says: string) => string | null;
}

/** What the school has set for itself: youngest ages, what the hall owns, how long learning takes, its own standards. */
export function LimitsSheet({ syllabus, edit, leave }: Props & { leave: () => void }) {
  const { limits } = syllabus;
  const sheet = useSheet({
    start: { ...limits, owns: limits.owns && [...limits.owns] },
    schema: limitsShape,
    saving: (_draft, read) => asAnswer(edit([{ op: 'limits.set', limits: read }], 'what the school has set')),
    done: leave,
  });
  return (
    <div className="stack">
      <SheetForm sheet={sheet} title="What has the school set?" saves="Save" leave={leave}>
        <h3>Youngest ages</h3>
        <div className="two">
          {RISKS.map((risk) => (
            <NumberField key={risk} name={`ages.${risk}`} label={capital(risk)} empty={null} />
          ))}
        </div>
        <p className="second">Empty: any age. Rules of federation, insurer and local law come first.</p>
        <ListField
          name="owns"
          label="The hall owns"
          none
          help="Between commas, as staff, target, pads. Empty: not said, so nothing is checked."
        />
        <h3>How long learning takes here</h3>
        <div className="two">
          <NumberField name="minutesPerPoint" label="Minutes a new point" />
          <NumberField name="minutesPerCount" label="Minutes a new count" />
        </div>
        <p className="second">Rules of thumb: set them to what your classes show.</p>
      </SheetForm>
      <Standards syllabus={syllabus} edit={edit} />
    </div>
  );
}

/** Standards of the school's own, beside those it began with. */
function Standards({ syllabus, edit }: Props) {
  const sheet = useSheet({
    start: { name: '', standard: STEADY },
    schema: v.object({ name, standard: standardInput }),
    saving: (_draft, own) => asAnswer(edit([{ op: 'standard.put', ...own }], `the standard ${own.name}`), 'name'),
    done: (_own, form) => form.reset(),
  });
  const called = sheet.form.watch('name');
  return (
    <SheetForm sheet={sheet} title="Standards of your own" saves="Keep this standard" disabled={called.trim() === ''}>
      <ul className="plain">
        {syllabus.standards.map((s) => (
          <li key={s.name} className="spread">
            <span>{s.name}</span>
            <Button
              variant="text"
              aria-label={`Remove the standard ${s.name}`}
              onClick={() => edit([{ op: 'standard.remove', name: s.name }], `the standard ${s.name}`)}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <TextField name="name" label="A new one is called" />
      {called.trim() !== '' && <StandardFields name="standard" own={syllabus.standards} sided />}
    </SheetForm>
  );
}
