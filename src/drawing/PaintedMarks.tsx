import { useRef, useState } from 'react';
import { usePaint, type Source } from './follow';
import type { Mark } from './marks';
import { Painter, markupOf } from './painter';

interface Props<T> {
  readonly source: Source<T>;
  readonly marks: (value: T) => readonly Mark[];
}

/** Marks painted into the SVG around them; they follow their source without React. */
export function PaintedMarks<T>({ source, marks }: Props<T>) {
  const group = useRef<SVGGElement>(null);
  const painter = useRef<Painter>(null);
  const [first] = useState(() => ({ __html: markupOf(marks(source.get())) }));
  usePaint(
    source,
    (value) => value,
    (value) => {
      painter.current ??= new Painter(group.current!);
      painter.current.paint(marks(value));
    },
  );
  return <g ref={group} dangerouslySetInnerHTML={first} />;
}
