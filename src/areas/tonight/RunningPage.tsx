import '../../kit/mat/mat.css';
import './Tonight.css';
import { IslandRoot } from '../../kit/IslandRoot';
import { useKit } from '../../kit/mat/useKit';
import { Running } from './Running';
import { planOf } from './planOf';

/** The class as it runs, on whatever device: with what it took along, also without a network. */
export default function RunningPage({ personId }: { personId: string }) {
  const { kit, wrong } = useKit(personId);
  const shown = kit && planOf(kit, kit.today);
  return (
    <IslandRoot scheme="dark">
      <main>
        {kit && shown ? (
          <Running key={shown.id} kit={kit} shown={shown} />
        ) : (
          <div className="running">
            <p role="status">
              {kit ? 'No class is planned for today.' : wrong === '' ? 'Laying out the evening…' : wrong}
            </p>
            {(kit ?? wrong !== '') && (
              <a className="button" href={kit ? '/tonight' : '/tonight/run'}>
                {kit ? 'Plan one' : 'Try again'}
              </a>
            )}
          </div>
        )}
      </main>
    </IslandRoot>
  );
}
