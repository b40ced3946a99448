import { ruleShape } from '../../contracts/grading';
import type { EditInput } from '../../contracts/syllabus';
import type { Syllabus } from '../../core';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';
import { RuleFields } from '../../kit/gradingRule/RuleFields';
import { asAnswer } from './asAnswer';
import * as v from 'valibot';

/** How gradings decide by this version: new gradings begin with it, and chances are reckoned by it. */
export function RuleSheet({
  syllabus,
  edit,
  leave,
}: {
  syllabus: Syllabus;
  edit: (edits: EditInput[], says: string) => string | null;
  leave: () => void;
}) {
  const sheet = useSheet({
    start: { grading: { ...syllabus.grading, laths: syllabus.grading.laths.map((l) => ({ ...l })) } },
    schema: v.object({ grading: ruleShape }),
    saving: (_draft, read) => asAnswer(edit([{ op: 'grading.set', grading: read.grading }], 'how gradings decide')),
    done: leave,
  });
  return (
    <SheetForm sheet={sheet} title="How do gradings decide?" saves="Save" leave={leave}>
      <p className="second">
        Common practice stands here until you set your own. Chances on the day follow it; gradings made before keep the
        rule they were made with.
      </p>
      <RuleFields name="grading" />
    </SheetForm>
  );
}
