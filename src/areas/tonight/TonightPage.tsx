import './Tonight.css';
import { IslandRoot } from '../../kit/IslandRoot';
import { useKit } from '../../kit/mat/useKit';
import { Tonight } from './Tonight';

/** The first page of those who teach, as soon as the device has what the evening needs. */
export default function TonightPage({ personId, school }: { personId: string; school: string }) {
  const { kit, wrong } = useKit(personId);
  return (
    <IslandRoot>
      {kit ? (
        <Tonight kit={kit} school={school} />
      ) : (
        <>
          <h1>What shall I watch tonight?</h1>
          <p role="status">{wrong === '' ? 'Laying out the evening…' : wrong}</p>
          {wrong !== '' && <a href="/tonight">Try again</a>}
        </>
      )}
    </IslandRoot>
  );
}
