import { useState } from 'react';
import { LANGUAGES, schoolInput } from '../../contracts/school';
import type { SchoolView } from '../../contracts/views';
import { COUNT_LANGUAGES, USUAL_WORDING } from '../../core';
import { NumberField, PickField, PickManyField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useCommandSheet } from '../../kit/form/useSheet';
import { HallSheet } from '../../kit/halls/HallSheet';
import { IslandRoot } from '../../kit/IslandRoot';
import { ask } from '../../kit/send';
import { Signing } from './Signing';

/** "How does the school work?": what it sets once for everybody, and the halls it trains in. */
export default function School({ view: first, zones }: { view: SchoolView; zones: readonly string[] }) {
  const [view, setView] = useState(first);
  const [said, setSaid] = useState('');
  const read = async (then: string) => {
    const fresh = await ask('school', {});
    setSaid(fresh.ok ? then : `It is saved, but the page could not be read again. ${fresh.title}`);
    if (fresh.ok) setView(fresh.view);
  };
  const { halls, signs, ...settings } = view;
  const sheet = useCommandSheet<'school.set'>({
    command: 'school.set',
    schema: schoolInput,
    start: settings,
    done: () => read('Saved. It counts from now on.'),
  });
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>How does the school work?</h1>
          <p className="sub">What is set here counts for every teacher and every device.</p>
        </div>
      </div>
      <div className="columns">
        <div>
          <SheetForm sheet={sheet} title="For everybody" saves="Save">
            <TextField name="name" label="Name of the school" />
            <PickField
              name="timeZone"
              label="Time zone"
              help="The day of a class begins and ends by its clock. Days already noted stay as they are."
              options={zones.map((z) => ({ id: z, name: z }))}
            />
            <div className="row top">
              <NumberField name="usualMinutes" label="A class lasts, in minutes" help="Where nobody says otherwise." />
              <NumberField
                name="classDays"
                label="Put right for, in days"
                help="So long after a class its teachers may change who was there; a head instructor may always."
              />
              <NumberField
                name="ofAge"
                label="Of age from"
                help="Below it a guardian agrees to contact as well. Local law and the insurer come first."
              />
            </div>
            <PickManyField
              name="languages"
              label="The hall counts in"
              help="The first is the caller’s own; the others stand above the rest."
              options={LANGUAGES.map((id) => ({ id, name: COUNT_LANGUAGES[id].name }))}
            />
            <h3>Certificates</h3>
            <TextField
              name="certificateHead"
              label="At their head"
              help="In any script. Empty: the name of the school."
            />
            <TextField
              name="certificateWording"
              label="Below the name"
              help={`{name}, {belt}, {day} and {school} are put in. Empty: ${USUAL_WORDING}.`}
            />
            <p role="status">{said}</p>
          </SheetForm>
        </div>
        <aside>
          <HallSheet halls={halls} done={() => read('')} />
          <Signing signs={signs} done={() => read('')} />
        </aside>
      </div>
    </IslandRoot>
  );
}
