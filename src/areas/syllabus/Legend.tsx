import { Tab } from './small';
import './shared.css';

export function Legend() {
  const sign = (d: string, className: string, eye = false) => (
    <svg width="34" height="16" viewBox="0 0 34 16" aria-hidden="true" className="thread-sign">
      <path d={d} className={className} />
      {eye && <circle cx="8" cy="8" r="3.6" className="eye" />}
    </svg>
  );
  const wraps = [-3.9, 0, 3.9].map((o) => `M${17 + o - 1.1} 13.6L${17 + o + 1.1} 2.4`).join('');
  return (
    <>
      <span>{sign('M15 8H34', 'stitch', true)} introduced</span>
      <span>{sign('M1 8H34', 'stitch')} trained</span>
      <span>
        <svg width="34" height="16" viewBox="0 0 34 16" aria-hidden="true" className="thread-sign">
          <path d="M0 8H34" className="laid" />
          <path d={wraps} className="wrap" />
        </svg>{' '}
        tested
      </span>
      <span>{sign('M0 8H34', 'laid')} kept</span>
      <span>{sign('M0 8H14C20 8 23 6 28 2M14 8C22 8 24 9 31 8.5M14 8C20 8.5 22 12 27 14.5', 'fray')} let go</span>
      <span>
        <Tab /> changed since it was published
      </span>
    </>
  );
}
