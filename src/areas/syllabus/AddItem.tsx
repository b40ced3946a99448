import { threadShape } from '../../contracts/stored/syllabus';
import type { EditInput } from '../../contracts/syllabus';
import type { SyllabusView } from '../../contracts/views';
import { itemKey, type Item, type Syllabus } from '../../core';
import { ChoiceField, PickField, SwitchField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';
import { newId } from '../../kit/send';
import { asAnswer } from './asAnswer';

/** Puts an item of the library on the way: a technique, a sequence, or a part of one. */
export function AddItem({
  view,
  syllabus,
  edit,
  made,
  leave,
}: {
  view: SyllabusView;
  syllabus: Syllabus;
  edit: (edits: EditInput[], says: string) => string | null;
  made: (threadId: string) => void;
  leave: () => void;
}) {
  const used = new Set(syllabus.threads.map((t) => itemKey(t.item)));
  const options = view.others.filter((o) => !used.has(o.key) || (o.counts > 1 && 'sequence' in o.item));
  const sections = (key: string | null) => options.find((o) => o.key === key)?.sections ?? [];
  /** Of a part the name of its whole. */
  const nameOf = (item: Item) =>
    options.find((o) => o.key === itemKey('sequence' in item ? { sequence: item.sequence, part: null } : item))?.name;
  const items = options.map((o) => ({ id: o.key, name: o.name, group: o.group }));
  const sheet = useSheet({
    start: {
      id: newId(),
      key: null as string | null,
      part: null as string | null,
      introduced: view.ranks[0]?.id ?? null,
      informal: false,
    },
    schema: threadShape,
    make: ({ id, key, part, introduced, informal }) => {
      const chosen = options.find((o) => o.key === key)?.item;
      const of = sections(key);
      const item: Item | undefined =
        chosen && 'sequence' in chosen
          ? { sequence: chosen.sequence, part: of.find((s) => partKey(s) === part) ?? null }
          : chosen;
      return { id, item: item as never, introduced, until: null, informal };
    },
    saving: (_draft, thread) => asAnswer(edit([{ op: 'thread.put', thread }], `${nameOf(thread.item)} put in`)),
    done: ({ id }) => made(id),
  });
  const key = sheet.form.watch('key');
  const parts = sections(key);
  return (
    <SheetForm
      sheet={sheet}
      title="What else is taught?"
      label="Add an item"
      saves="Put it in"
      disabled={key === null}
      leave={leave}
    >
      {options.length === 0 ? (
        <p className="message">
          Everything in the library is on the way. <a href="/techniques/new">Write a technique</a> or{' '}
          <a href="/sequences/new">a sequence</a>.
        </p>
      ) : (
        <>
          <PickField name="key" label="Item" options={items} groupBy />
          {parts.length > 0 && (
            <ChoiceField
              key={key}
              name="part"
              label="Which part"
              none="the whole"
              options={parts.map((s) => ({
                value: partKey(s),
                word: `${s.section ?? ''}, counts ${s.from} to ${s.to}`,
              }))}
            />
          )}
          <ChoiceField
            name="introduced"
            label="Introduced for"
            options={view.ranks.map((r, i) => ({ value: r.id, word: i === 0 ? `beginners, with ${r.name}` : r.name }))}
          />
          <SwitchField
            name="informal"
            label="Formal"
            options={[
              { value: false, word: 'to be tested' },
              { value: true, word: 'informal' },
            ]}
          />
        </>
      )}
    </SheetForm>
  );
}

const partKey = (s: { from: number; to: number }) => `${s.from}-${s.to}`;
