import { Suspense, lazy, memo, useState, useSyncExternalStore, type ComponentProps } from 'react';
import { PanelBoundary } from '../../ui/PanelBoundary';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import type Panel from './Postures';
import styles from './set.module.css';

const Postures = lazy(() => import('./Postures'));

/** Whether the page has come to life: a server does not wait for what is fetched. */
const useIsLive = (): boolean =>
  useSyncExternalStore(
    () => () => undefined,
    () => true,
    () => false,
  );

/** Further postures: most fittings have none, and fetch nothing for them until they are asked for. */
export const PosturesPart = memo(function PosturesPart(props: ComponentProps<typeof Panel>) {
  const [isWanted, setWanted] = useState(props.postures.length > 0);
  const isLive = useIsLive();
  return (
    <section className={styles.choices} aria-label={word('postures.title')}>
      <h3>
        {word('postures.title')}{' '}
        {!isWanted && (
          <button type="button" className={parts.plainButton} onClick={() => setWanted(true)}>
            {word('postures.open')}
          </button>
        )}
      </h3>
      {isWanted && isLive && (
        <PanelBoundary>
          <Suspense fallback={null}>
            <Postures {...props} />
          </Suspense>
        </PanelBoundary>
      )}
    </section>
  );
});
