import { PICTOGRAMS, PICTOGRAM_FIELD, PICTOGRAM_PEN } from './pictograms';
import styles from './pictogram.module.css';

/** Small pictures of what stands in words beside them. */
export function PictogramRow({ ids }: { readonly ids: readonly string[] }) {
  return (
    <span className={styles.row} aria-hidden>
      {ids.map((id) => {
        const { line, solid } = PICTOGRAMS[id]!;
        return (
          <svg key={id} viewBox={`0 0 ${PICTOGRAM_FIELD} ${PICTOGRAM_FIELD}`} className={styles.pictogram}>
            <path d={line} fill="none" stroke="currentColor" strokeWidth={PICTOGRAM_PEN} />
            {solid && <path d={solid} fill="currentColor" />}
          </svg>
        );
      })}
    </span>
  );
}
