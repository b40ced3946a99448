import { useEffect } from 'react';
import { IslandRoot } from '../../kit/IslandRoot';
import Look, { fetchAhead } from './Look';
import { useKit } from '../../kit/mat/useKit';
import '../../kit/mat/mat.css';

/** The mat, as soon as the device has what it needs for the evening. */
export default function Evening({ personId, school }: { personId: string; school: string }) {
  const { kit, wrong } = useKit(personId);
  useEffect(fetchAhead, []);
  if (kit) return <Look kit={kit} school={school} />;
  return (
    <IslandRoot scheme="dark">
      <main className="mat waits">
        <p role="status">{wrong === '' ? 'Laying out the evening…' : wrong}</p>
        {wrong !== '' && <a href="/look">Try again</a>}
      </main>
    </IslandRoot>
  );
}
