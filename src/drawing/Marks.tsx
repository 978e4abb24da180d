import { memo } from 'react';
import styles from './drawing.module.css';
import type { Mark, PathMark, TextMark } from './marks';

const Path = memo(function Path({ d, style, part }: Omit<PathMark, 'type'>) {
  return <path d={d} className={styles[style]} data-part={part} />;
});

const sayText = ({ x, y, anchor, spans }: TextMark): string =>
  `${x.toFixed(1)} ${y.toFixed(1)} ${anchor} ${spans.map((s) => `${s.style}:${s.text}`).join('|')}`;

const Text = memo(
  function Text({ mark: { x, y, anchor, spans } }: { readonly mark: TextMark }) {
    return (
      <text x={x.toFixed(1)} y={y.toFixed(1)} textAnchor={anchor}>
        {spans.map((span, i) => (
          <tspan key={i} className={styles[span.style]}>
            {span.text}
          </tspan>
        ))}
      </text>
    );
  },
  (before, after) => sayText(before.mark) === sayText(after.mark),
);

/** Marks painted into the SVG around them, by their place in the list; those that stay the same are left alone. */
export function Marks({ marks }: { readonly marks: readonly Mark[] }) {
  return (
    <g>
      {marks.map((mark, i) =>
        mark.type === 'path' ? (
          <Path key={i} d={mark.d} style={mark.style} {...(mark.part ? { part: mark.part } : {})} />
        ) : (
          <Text key={i} mark={mark} />
        ),
      )}
    </g>
  );
}
