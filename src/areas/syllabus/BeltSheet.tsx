import type { CommandDraft, CommandName } from '../../contracts/commands';
import { rankInput } from '../../contracts/rank';
import type { SyllabusView } from '../../contracts/views';
import { ChoiceField, NumberField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useCommandSheet } from '../../kit/form/useSheet';
import { Belt } from '../../kit/marks/Belt';
import { newId, type Answer } from '../../kit/send';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';
import { CUTTINGS } from '../../kit/theme/tokens';

/** Sends a command when the draft's own changes are saved. */
export type Does = <N extends CommandName>(name: N, input: CommandDraft<N>) => Promise<Answer>;

const colours = (now: string | null) => [
  ...CUTTINGS.map((c) => ({ value: c.colour, word: c.name })),
  ...(now !== null && !CUTTINGS.some((c) => c.colour === now) ? [{ value: now, word: now }] : []),
];

/** A belt's name and cloth. */
export function BeltSheet({
  value,
  does,
  leave,
  made,
  saved,
}: {
  value: SyllabusView['ranks'][number] | null;
  does: Does;
  leave: () => void;
  made: (id: string) => void;
  saved: () => Promise<void>;
}) {
  const start: CommandDraft<'rank.save'> = value
    ? { id: value.id, name: value.name, cloth: value.cloth }
    : { id: newId(), name: '', cloth: { colour: CUTTINGS[0]!.colour, second: null, stripe: null, bars: 0 } };
  const { save, meeting } = useSideBySide('rank.save', {
    title: `Which ${value?.name ?? ''} belt shall stand?`,
    nameOf: (path) => ({
      where: value?.name ?? 'The belt',
      what: path.at(-1) === 'name' ? 'its name' : `its cloth: ${path.at(-1)}`,
    }),
    done: saved,
  });
  const sheet = useCommandSheet<'rank.save'>({
    command: 'rank.save',
    schema: rankInput,
    start,
    sending: (draft) => (value ? save(start, draft, value.version) : does('rank.save', draft)),
    done: ({ id }) => (value ? saved() : made(id)),
  });
  const { name, cloth } = sheet.form.watch();
  return (
    <SheetForm
      sheet={sheet}
      title={value ? `Name and cloth of ${value.name}` : 'A new belt'}
      saves="Save"
      leave={leave}
    >
      {meeting}
      <Belt name={name || 'New'} cloth={cloth} width={132} height={33} />
      <TextField name="name" label="Name" />
      <ChoiceField name="cloth.colour" label="Colour" options={colours(cloth.colour)} />
      <div className="row">
        <ChoiceField name="cloth.second" label="Second colour" none="none" options={colours(cloth.second)} />
        <ChoiceField name="cloth.stripe" label="Stripe" none="none" options={colours(cloth.stripe)} />
      </div>
      <NumberField name="cloth.bars" label="Bars near the tip" />
      {!value && <p className="sub">It is added above the highest belt; move it down from there.</p>}
    </SheetForm>
  );
}
