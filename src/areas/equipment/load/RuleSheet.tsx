import { loadRuleInput } from '../../../contracts/load';
import { capital, LADDER_WORK, LADDERS, type LoadRule } from '../../../core';
import { NumberField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';

/** The school’s numbers for work that hardens. */
export function RuleSheet({ rule, done, leave }: { rule: LoadRule; done: () => Promise<void>; leave: () => void }) {
  const sheet = useCommandSheet<'loadRule.set', { rule: LoadRule }>({
    command: 'loadRule.set',
    schema: loadRuleInput,
    start: { rule },
    done,
  });
  return (
    <SheetForm sheet={sheet} title="The school’s rule" saves="Keep this rule" leave={leave}>
      <p className="second">
        As delivered it is what people usually teach; it has no other source. Local rules and your insurer come first.
      </p>
      <NumberField name="rule.fromAge" label="From this age" help="Before it soft targets only." />
      <NumberField name="rule.perWeek" label="Days in any seven" />
      <NumberField name="rule.openDays" label="Days of rest for open skin" />
      <NumberField name="rule.swellingDays" label="Days a swelling has to be gone" />
      <NumberField name="rule.pauseDays" label="After so many days without, half" />
      <NumberField name="rule.snapFrom" label="The snap back from" />
      <NumberField name="rule.snapAfter" label="… after days there without a word" />
      <NumberField name="rule.fineDaysFromSnap" label="Days a step from there on" />
      <NumberField name="rule.singleAfterMonths" label="Months before a single heavy blow" />
      {LADDERS.map((l) => (
        <fieldset key={l} className="stack">
          <legend>{capital(LADDER_WORK[l])}</legend>
          {rule.ladders[l].map((s, i) => (
            <details key={s.name}>
              <summary>
                {s.name}: {s.begin} to {s.most}
              </summary>
              <div className="stack pt-1">
                <TextField name={`rule.ladders.${l}.${i}.name`} label="Surface" />
                <NumberField name={`rule.ladders.${l}.${i}.begin`} label="Begin with" />
                <NumberField name={`rule.ladders.${l}.${i}.step`} label="A step" />
                <NumberField name={`rule.ladders.${l}.${i}.fineDays`} label="Days a step" />
                <NumberField name={`rule.ladders.${l}.${i}.most`} label="No more than" />
              </div>
            </details>
          ))}
        </fieldset>
      ))}
    </SheetForm>
  );
}
