import { Suspense, lazy, memo, useState, type ComponentProps } from 'react';
import { PanelBoundary } from '../../ui/PanelBoundary';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import type Panel from './Postures';
import styles from './set.module.css';

const Postures = lazy(() => import('./Postures'));

/** Further postures: most fittings have none, and fetch nothing for them until they are asked for. */
export const PosturesPart = memo(function PosturesPart(props: ComponentProps<typeof Panel>) {
  const [isOpen, setOpen] = useState(props.postures.length > 0);
  return (
    <section className={styles.choices} aria-label={word('postures.title')}>
      <h3>
        {word('postures.title')}{' '}
        {!isOpen && (
          <button type="button" className={parts.plainButton} onClick={() => setOpen(true)}>
            {word('postures.open')}
          </button>
        )}
      </h3>
      {isOpen && (
        <PanelBoundary>
          <Suspense fallback={null}>
            <Postures {...props} />
          </Suspense>
        </PanelBoundary>
      )}
    </section>
  );
});
