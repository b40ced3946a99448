/** What the drawing of the weeks says. */
export const CycleKey = () => (
  <ul className="cycle-key" aria-label="What is drawn">
    <li>
      <span className="cell held" /> held
    </li>
    <li>
      <span className="cell planned" /> planned
    </li>
    <li>
      <span className="cell planned moved" /> moved
    </li>
    <li>
      <span className="cell planned">
        <i className="pin" />
      </span>{' '}
      pinned
    </li>
    <li>
      <span className="cell lost" /> lost
    </li>
    <li>
      <svg width="24" height="18" aria-hidden="true">
        <circle cx="4" cy="5" r="2.6" fill="var(--slate)" />
        <path d="M4 5C4 14 20 4 20 12" fill="none" stroke="var(--slate)" strokeWidth="1.5" />
        <path d="M20 16l-3.6 -6h7.2Z" fill="var(--slate)" />
      </svg>
      enough of one opens the other
    </li>
    <li>
      <svg width="26" height="18" aria-hidden="true">
        <path d="M1 10H25" stroke="var(--brass)" strokeWidth="2" strokeDasharray="3 3" />
      </svg>
      apart too long
    </li>
  </ul>
);
