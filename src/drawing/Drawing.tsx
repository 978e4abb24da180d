import { useRef } from 'react';
import type { Message } from '../core/message';
import { say, type Reading } from '../words';
import styles from './drawing.module.css';
import { usePaint, type Source } from './follow';
import { PaintedMarks } from './PaintedMarks';
import type { Mark } from './marks';

/** Something drawn, with the same numbers in words for those who cannot see it. */
export interface Picture {
  readonly marks: readonly Mark[];
  readonly alternative: readonly Message[];
}

interface Props {
  readonly id: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly source: Source<Picture>;
  /** Follows more slowly: the words need not be written anew for every frame of a drag. */
  readonly atRest: Source<Picture>;
  readonly reading: Reading;
}

const marksOf = (picture: Picture) => picture.marks;

/** A drawing on the screen, with what it says in words. */
export function Drawing({ id, name, width, height, source, atRest, reading }: Props) {
  const words = useRef<SVGDescElement>(null);
  const sayAll = ({ alternative }: Picture) => alternative.map((m) => say(m, reading)).join(' ');
  usePaint(
    atRest,
    (picture) => picture,
    (picture) => {
      words.current!.textContent = sayAll(picture);
    },
  );
  return (
    <svg
      className={styles.drawing}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={name}
      aria-describedby={`${id}-words`}
    >
      <desc ref={words} id={`${id}-words`}>
        {sayAll(source.get())}
      </desc>
      <PaintedMarks source={source} marks={marksOf} />
    </svg>
  );
}
