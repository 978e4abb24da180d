import styles from './plain-card.module.css';

/** A QR code as it comes from the server: black squares on a field of so many units. */
export interface PrintedCode {
  readonly size: number;
  readonly path: string;
}

export function CodeMark({ code, caption }: { readonly code: PrintedCode; readonly caption: string }) {
  return (
    <figure className={styles.code}>
      <svg viewBox={`0 0 ${code.size} ${code.size}`} role="img" aria-label={caption}>
        <rect width={code.size} height={code.size} fill="#fff" />
        <path d={code.path} fill="#000" shapeRendering="crispEdges" />
      </svg>
      <figcaption>{caption}</figcaption>
    </figure>
  );
}
