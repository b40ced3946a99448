/** Two ends of a cord: put forward at the left, the word of whoever goes up at the right; a knot: the head’s exception. */
export function Tied({ yes, knot }: { yes: boolean | null; knot: boolean }) {
  const says = `put forward, ${yes === null ? 'no word yet' : yes ? 'said yes' : 'said no'}${knot ? ', the head agreed' : ''}`;
  return (
    <svg width="60" height="16" viewBox="0 0 60 16" role="img" aria-label={says}>
      <path d="M6 2V14" stroke="var(--ink)" strokeWidth="2.5" />
      <path d="M2 11L10 9M2 8L10 6" stroke="var(--ink)" strokeWidth="1.4" />
      <path d={yes === true ? 'M8 8H52' : 'M8 8H36Q40 8 40 13'} stroke="var(--ink2)" strokeWidth="1.6" fill="none" />
      <path d="M54 2V14" stroke="var(--ink)" strokeWidth="2.5" opacity={yes === false ? 0.35 : 1} />
      {yes === true && <path d="M50 11L58 9M50 8L58 6" stroke="var(--ink)" strokeWidth="1.4" />}
      {yes === false && <path d="M49 3L59 13" stroke="var(--lacquer)" strokeWidth="1.8" />}
      {knot && <ellipse cx="30" cy="8" rx="5" ry="4" fill="var(--ink)" />}
    </svg>
  );
}
