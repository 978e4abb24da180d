import styles from './drawing.module.css';
import type { Mark } from './marks';

/** Marks painted into the SVG around them. They are laid out anew with every change: their place is their key. */
export function Marks({ marks }: { readonly marks: readonly Mark[] }) {
  return (
    <g>
      {marks.map((mark, i) =>
        mark.type === 'path' ? (
          <path
            key={i}
            d={mark.d}
            className={styles[mark.style]}
            data-part={mark.part}
            data-level={mark.level}
          />
        ) : (
          <text key={i} x={mark.x} y={mark.y} textAnchor={mark.anchor}>
            {mark.spans.map((span, j) => (
              <tspan key={j} className={styles[span.style]}>
                {span.text}
              </tspan>
            ))}
          </text>
        ),
      )}
    </g>
  );
}
