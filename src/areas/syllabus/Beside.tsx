import type { SyllabusView } from '../../contracts/views';
import { itemKey, type ItemFacts, type PlacedRequirement } from '../../core';
import { AddItem } from './AddItem';
import { BeltSheet, type Does } from './BeltSheet';
import { ConditionsSheet } from './ConditionsSheet';
import { LimitsSheet } from './LimitsSheet';
import { RankSheet } from './RankSheet';
import { RequirementSheet } from './RequirementSheet';
import { ThreadSheet } from './ThreadSheet';
import { RuleSheet } from './RuleSheet';
import type { useDraft } from './useDraft';
import { PublishSheet, VersionsSheet } from './VersionsSheet';

export type Open =
  | { what: 'thread'; id: string }
  | { what: 'requirement'; value: PlacedRequirement; isNew: boolean }
  | { what: 'rank'; id: string }
  | { what: 'add' | 'belt' | 'conditions' | 'limits' | 'grading' | 'versions' | 'publish' }
  | null;

/** The sheet of what is open, beside the way. */
export function Beside({
  open,
  setOpen,
  draft,
  factsOf,
  mayChange,
  sends,
  does,
  onAdded,
}: {
  open: Open;
  setOpen: (open: Open) => void;
  draft: ReturnType<typeof useDraft>;
  factsOf: (key: string) => ItemFacts | undefined;
  mayChange: boolean;
  /** Sends a command once the changes of the draft are saved; `does` says above the way what went wrong. */
  sends: Does;
  does: Does;
  onAdded: (threadId: string) => void;
}) {
  const { view, syllabus, edit } = draft;
  const items = new Map<string, SyllabusView['items'][number]>(view.items.map((i) => [i.key, i]));
  const renewed = async () => void (await draft.renew());
  const leave = () => setOpen(null);
  const thread = open?.what === 'thread' ? syllabus.threads.find((t) => t.id === open.id) : undefined;
  const itemOf = (threadId: string) => {
    const t = syllabus.threads.find((x) => x.id === threadId);
    return t && items.get(itemKey(t.item));
  };
  return (
    <>
      {open?.what === 'requirement' && (
        <RequirementSheet
          key={open.value.id}
          view={view}
          syllabus={syllabus}
          item={itemOf(open.value.threadId)}
          value={syllabus.requirements.find((r) => r.id === open.value.id) ?? open.value}
          isNew={open.isNew}
          edit={mayChange ? edit : () => 'Only the head changes the syllabus.'}
          leave={leave}
        />
      )}
      {thread && (
        <ThreadSheet
          key={thread.id}
          view={view}
          syllabus={syllabus}
          thread={thread}
          item={itemOf(thread.id)}
          factsOf={factsOf}
          mayChange={mayChange}
          edit={edit}
          onTest={(id) =>
            setOpen({ what: 'requirement', value: syllabus.requirements.find((r) => r.id === id)!, isNew: false })
          }
          leave={leave}
        />
      )}
      {open?.what === 'rank' && (
        <RankSheet
          saved={renewed}
          key={open.id}
          view={view}
          syllabus={syllabus}
          rankId={open.id}
          factsOf={factsOf}
          mayChange={mayChange}
          edit={edit}
          does={does}
          leave={leave}
        />
      )}
      {open?.what === 'add' && (
        <AddItem
          view={view}
          syllabus={syllabus}
          edit={edit}
          made={(id) => {
            onAdded(id);
            setOpen({ what: 'thread', id });
            void draft.settled().then(draft.renew);
          }}
          leave={leave}
        />
      )}
      {open?.what === 'belt' && (
        <BeltSheet
          value={null}
          does={sends}
          saved={renewed}
          leave={leave}
          made={(id) => setOpen({ what: 'rank', id })}
        />
      )}
      {open?.what === 'conditions' && (
        <ConditionsSheet view={view} syllabus={syllabus} edit={edit} does={does} saved={renewed} leave={leave} />
      )}
      {open?.what === 'limits' && <LimitsSheet syllabus={syllabus} edit={edit} leave={leave} />}
      {open?.what === 'grading' && <RuleSheet syllabus={syllabus} edit={edit} leave={leave} />}
      {open?.what === 'versions' && <VersionsSheet view={view} version={draft.versionNow} does={does} leave={leave} />}
      {open?.what === 'publish' && <PublishSheet view={view} version={draft.versionNow} does={sends} leave={leave} />}
    </>
  );
}
