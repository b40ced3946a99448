/** One piece of a stick by itself: a clean notch, a split, or uncut. The words beside it say the same. */
export function CutMark({ cut }: { cut: 'held' | 'slipped' | 'not seen' }) {
  const d =
    cut === 'held'
      ? 'M1 1H7L11 8.5L15 1H21V14H1Z'
      : cut === 'slipped'
        ? 'M1 1H8L10 6L7.5 8L12 11L11 14H1ZM12 1H21V14H14L14.5 10.5L11 7.5L13.5 5.5Z'
        : 'M1 1H21V14H1Z';
  return (
    <svg className="cut-mark" width="22" height="15" viewBox="0 0 22 15" aria-hidden="true">
      <path d={d} fill="var(--pale-wood)" stroke="var(--wood-line)" strokeWidth="1.1" strokeLinejoin="round" />
      {cut === 'not seen' && <path d="M11 4V11" stroke="var(--wood-line)" strokeWidth="1.1" />}
    </svg>
  );
}
