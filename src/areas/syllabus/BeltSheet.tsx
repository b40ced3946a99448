import type { CommandDraft, CommandName } from '../../contracts/commands';
import { rankInput } from '../../contracts/rank';
import type { SyllabusView } from '../../contracts/views';
import { ChoiceField, NumberField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useEditedSheet } from '../../kit/form/useEditedSheet';
import { Belt } from '../../kit/marks/Belt';
import { newId, type Answer } from '../../kit/send';
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
  const { sheet, meeting } = useEditedSheet<'rank.save'>({
    command: 'rank.save',
    version: value?.version,
    schema: rankInput,
    start,
    done: (id) => (value ? saved() : made(id)),
    sendingNew: (draft) => does('rank.save', draft),
    title: `Which ${value?.name ?? ''} belt shall stand?`,
    nameOf: (path) => ({
      where: value?.name ?? 'The belt',
      what: path.at(-1) === 'name' ? 'its name' : `its cloth: ${path.at(-1)}`,
    }),
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
