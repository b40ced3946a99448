import type { CommandDraft } from '../../contracts/commands';
import { conditionInput } from '../../contracts/condition';
import type { ConditionShown } from '../../contracts/views';
import { CONDITION_GEAR, FREEDOMS } from '../../core';
import { ChoiceField, SwitchField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useEditedSheet } from '../../kit/form/useEditedSheet';
import { newId } from '../../kit/send';

type Draft = CommandDraft<'condition.save'>;

const WORDS = {
  name: 'its name',
  partner: 'whether it takes a partner',
  gear: 'what it takes',
  home: 'whether it can be done at home',
  attacker: 'what the attacker does',
  defender: 'what the defender does',
};
const ownOf = ({ id, name, partner, gear, home, attacker, defender }: ConditionShown): Draft => ({
  id,
  name,
  partner,
  gear,
  home,
  attacker,
  defender,
});

/** One condition: its name, which is the school's own, and what it takes, by which it is judged and offered. */
export function ConditionSheet({
  value,
  done,
  leave,
}: {
  /** Null: a new one. */
  value: (ConditionShown & { version: number }) | null;
  done: () => Promise<void> | void;
  leave: () => void;
}) {
  const start: Draft = value
    ? ownOf(value)
    : {
        id: newId(),
        name: '',
        partner: false,
        gear: null,
        home: true,
        attacker: null,
        defender: null,
      };
  const { sheet, meeting } = useEditedSheet<'condition.save'>({
    command: 'condition.save',
    version: value?.version,
    schema: conditionInput,
    start,
    make: (v) =>
      v.partner
        ? { ...v, home: false, attacker: v.attacker ?? 'set', defender: v.defender ?? 'set' }
        : { ...v, attacker: null, defender: null },
    done,
    title: `Which ${start.name} shall stand?`,
    nameOf: (path) => ({ where: start.name, what: WORDS[path.at(-1) as keyof typeof WORDS] ?? 'what it takes' }),
  });
  const partner = sheet.form.watch('partner');
  return (
    <SheetForm
      sheet={sheet}
      title={value ? value.name : 'Another condition'}
      label="A condition"
      saves="Save it"
      leave={leave}
    >
      {meeting}
      <TextField name="name" label="It is called" placeholder="in knee-deep water" />
      <SwitchField
        name="partner"
        label="With a partner"
        options={[
          { value: false, word: 'alone' },
          { value: true, word: 'with a partner' },
        ]}
      />
      {partner ? (
        <div className="two">
          <ChoiceField name="attacker" label="The attacker is" options={FREEDOMS} />
          <ChoiceField name="defender" label="The defender is" options={FREEDOMS} />
        </div>
      ) : (
        <SwitchField
          name="home"
          label="At home"
          options={[
            { value: true, word: 'can be done at home' },
            { value: false, word: 'in the hall only' },
          ]}
        />
      )}
      <ChoiceField
        name="gear"
        label="It takes"
        none="nothing"
        options={CONDITION_GEAR}
        help="Who holds a pad or a shield belongs to it."
      />
      <p className="second">
        By this a check knows what the hall must own and from what age it may be done; the name is yours.
      </p>
    </SheetForm>
  );
}
