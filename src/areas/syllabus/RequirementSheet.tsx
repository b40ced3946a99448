import Button from '@mui/material/Button';
import { requirementShape } from '../../contracts/requirement';
import type { EditInput } from '../../contracts/syllabus';
import type { ItemShown, SyllabusView } from '../../contracts/views';
import { countOf, OPENED_BY, PURPOSES, RUNGS, STAGES, type PlacedRequirement, type Syllabus } from '../../core';
import { ChoiceField, NumberField, SwitchField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';
import { Belt } from '../../kit/marks/Belt';
import { asAnswer } from './asAnswer';
import { Ladder } from './Ladder';
import { StandardFields } from './StandardFields';

const OPENING_UNITS = { 'time in rank': 'Months', hours: 'Hours', age: 'Years' } as const;

/** What a belt asks of an item, open beside the cloth. */
export function RequirementSheet({
  view,
  syllabus,
  item,
  value,
  isNew,
  edit,
  leave,
}: {
  view: SyllabusView;
  syllabus: Syllabus;
  item: ItemShown | undefined;
  value: PlacedRequirement;
  isNew: boolean;
  edit: (edits: EditInput[], says: string) => string | null;
  leave: () => void;
}) {
  const rank = view.ranks.find((x) => x.id === value.rankId);
  const name = item?.name ?? 'Something gone';
  const sheet = useSheet({
    start: { ...value, opens: { kind: value.opens?.kind ?? null, amount: value.opens?.amount ?? Number.NaN } },
    schema: requirementShape,
    make: ({ opens: { kind, amount }, ...rest }) => ({ ...rest, opens: kind === null ? null : { kind, amount } }),
    saving: (_draft, requirement) =>
      asAnswer(edit([{ op: 'requirement.put', requirement }], `what ${rank?.name} asks of ${name}`)),
    done: leave,
  });
  const { conditionId, critical, opens } = sheet.form.watch();
  const sameOnes = syllabus.requirements.filter((x) => x.threadId === value.threadId && x.id !== value.id);
  return (
    <SheetForm
      sheet={sheet}
      title={
        <span className="spread">
          <span>
            {name}, for {rank?.name}
          </span>
          {rank && <Belt name={rank.name} cloth={rank.cloth} width={52} height={15} />}
        </span>
      }
      label={`${name}, for ${rank?.name ?? ''}`}
      saves={isNew ? 'Ask for it' : 'Save'}
      leave={leave}
      more={
        !isNew && (
          <Button
            variant="text"
            onClick={() => {
              if (edit([{ op: 'requirement.remove', id: value.id }], `${name} taken from ${rank?.name}`) === null)
                leave();
            }}
          >
            Take it away
          </Button>
        )
      }
    >
      {item && (
        <p className="second">
          {countOf(item.points, 'point')}
          {item.critical > 0 && `, ${item.critical} critical`}
          {item.counts > 0 && `, ${countOf(item.counts, 'count')}`}.{' '}
          <a
            href={'technique' in item.item ? `/techniques/${item.item.technique}` : `/sequences/${item.item.sequence}`}
          >
            Look at it
          </a>
        </p>
      )}
      <Ladder
        view={view}
        order={syllabus.order}
        value={conditionId}
        others={sameOnes.map((x) => ({ rankId: x.rankId, conditionId: x.conditionId }))}
        ceiling={item?.ceiling ?? null}
        onChange={(to) => sheet.form.setValue('conditionId', to)}
      />
      <StandardFields name="standard" own={syllabus.standards} sided={item?.sided ?? false} />
      <div className="two">
        <ChoiceField name="purpose" label="Purpose" none="any" options={PURPOSES} />
        <ChoiceField name="stage" label="Stage" none="any" options={STAGES} />
      </div>
      <ChoiceField name="rung" label="Contact" none="none" options={RUNGS} />
      <div className="two">
        <ChoiceField name="opens.kind" label="Opens with" none="the belt" options={OPENED_BY} />
        {opens.kind !== null && <NumberField key={opens.kind} name="opens.amount" label={OPENING_UNITS[opens.kind]} />}
      </div>
      <SwitchField
        name="critical"
        label="Critical"
        options={[
          { value: false, word: 'not critical' },
          { value: true, word: 'critical' },
        ]}
      />
      {critical && (
        <p>
          <b>Critical:</b> failing it fails the belt, whatever else is met.
        </p>
      )}
    </SheetForm>
  );
}
