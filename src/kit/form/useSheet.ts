import { valibotResolver } from '@hookform/resolvers/valibot';
import {
  useForm,
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  type Resolver,
  type UseFormReturn,
} from 'react-hook-form';
import type * as v from 'valibot';
import type { CommandDraft, CommandName, COMMANDS } from '../../contracts/commands';
import { send, type Answer } from '../send';

export interface SheetState<V extends FieldValues> {
  form: UseFormReturn<V>;
  /** Reads the fields, and saves them where nothing is wrong. */
  save: () => Promise<void>;
  /** What came back when it could not be done; empty: nothing. */
  wrong: string;
}

const LOOK = 'Some fields need a look; each says what is wrong.';

/**
 * A form of its fields' names: read by the schema of what it writes before anything is sent, and told field by field what
 * is wrong, by the schema as by the server. `make` turns what stands in the fields into what is written, where the two
 * differ; what is wrong is then looked for under the same names. `saving` writes it; null: it was done.
 */
export function useSheet<V extends FieldValues, S extends v.GenericSchema>({
  start,
  schema,
  make = (values) => values,
  saving,
  done,
}: {
  start: V;
  schema: S;
  make?: (values: V) => v.InferInput<S>;
  saving: (draft: v.InferInput<S>, read: v.InferOutput<S>) => Promise<Answer> | Answer;
  /** When it is saved: with what was sent, the form, should it begin anew, and what was answered. */
  done: (draft: v.InferInput<S>, form: UseFormReturn<V>, answer: unknown) => Promise<void> | void;
}): SheetState<V> {
  const read = valibotResolver(schema as never) as unknown as Resolver<FieldValues>;
  const form = useForm<V>({
    defaultValues: start as DefaultValues<V>,
    // Said when it is saved, and mended as it is typed.
    reValidateMode: 'onChange',
    resolver: (async (values, context, options) => {
      const found = await read(make(values) as FieldValues, context, { ...options, names: [] as never, fields: {} });
      // What was read travels beside what was typed, so that a refusal finds its fields again.
      return Object.keys(found.errors).length > 0 ? found : { errors: {}, values };
    }) as Resolver<V>,
  });
  const { formState, handleSubmit, setError, getValues } = form;
  const save = handleSubmit(
    async (values) => {
      const draft = make(values);
      const found = await read(draft as FieldValues, undefined, { fields: {}, shouldUseNativeValidation: false });
      const answer = await saving(draft, found.values);
      if (answer.ok) return done(draft, form, answer.answer);
      const known = getValues();
      for (const e of answer.errors)
        if (e.path !== '' && has(known, e.path)) setError(e.path as FieldPath<V>, { message: e.message });
      if (!answer.meanwhile) setError('root', { message: answer.title });
    },
    (errors) => {
      setError('root', { message: looseIn(errors, getValues()) ?? LOOK });
    },
  );
  return { form, save, wrong: formState.errors.root?.message ?? '' };
}

/** The same for one command, sent at once. */
export const useCommandSheet = <N extends CommandName, V extends FieldValues = CommandDraft<N>>({
  command,
  schema,
  start,
  make,
  sending = (draft) => send(command, draft),
  done,
}: {
  command: N;
  schema: (typeof COMMANDS)[N]['input'];
  start: V;
  make?: (values: V) => CommandDraft<N>;
  sending?: (draft: CommandDraft<N>) => Promise<Answer>;
  done: (draft: CommandDraft<N>, form: UseFormReturn<V>, answer: unknown) => Promise<void> | void;
}): SheetState<V> =>
  useSheet({
    start,
    schema: schema,
    ...(make ? { make } : {}),
    saving: (draft) => sending(draft),
    done,
  });

const has = (values: unknown, path: string): boolean => {
  let at: unknown = values;
  for (const key of path.split('.')) {
    if (typeof at !== 'object' || at === null || !(key in at)) return false;
    at = (at as Record<string, unknown>)[key];
  }
  return true;
};
const isGroup = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && (!Array.isArray(value) || value.some(isGroup));

/** The first that is wrong of a whole, or of what no field stands for: it is said at the foot, since no field says it. */
function looseIn(errors: object, values: unknown): string | null {
  for (const [name, error] of Object.entries(errors)) {
    if (name === 'root' || name === 'ref' || typeof error !== 'object' || error === null) continue;
    const value = has(values, name) ? (values as Record<string, unknown>)[name] : undefined;
    const { message } = error as { message?: unknown };
    const isOfField = value !== undefined && !isGroup(value);
    if (isOfField) continue;
    if (typeof message === 'string' && message !== '') return message;
    const within = looseIn(error as object, value);
    if (within !== null) return within;
  }
  return null;
}
