import { usePageKeys } from '../../kit/keys';

/** C looks over, M is to mend, L lends: of the thing that is open. */
export function useStoreKeys(k: { check: () => void; mend: () => void; lend: () => void }): void {
  usePageKeys((e) => {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    const does = { c: k.check, m: k.mend, l: k.lend }[e.key.toLowerCase()];
    if (!does) return;
    e.preventDefault();
    does();
  });
}
