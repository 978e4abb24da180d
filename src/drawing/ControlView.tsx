import { useMemo } from 'react';
import { message } from '../core/message';
import type { SeatModel } from '../core/seat';
import type { Reading } from '../words';
import { controlMarks, type SheetView } from './control-marks';
import { Drawing, type Picture } from './Drawing';
import type { Source } from './follow';

interface Props {
  readonly seat: SeatModel;
  readonly view: SheetView;
  readonly name: string;
  readonly reading: Reading;
  /** The one control that is shown, by its id; absent: all. */
  readonly only?: string;
}

export const CONTROL_FIELD = { width: 460, height: 380 } as const;
const never = () => () => undefined;

/** A seat from the right or from above with its controls numbered. */
export function ControlView({ seat, view, name, reading, only }: Props) {
  const source = useMemo((): Source<Picture> => {
    const picture: Picture = {
      marks: controlMarks(seat, view, CONTROL_FIELD.width, CONTROL_FIELD.height, reading, only),
      alternative: seat.controls.flatMap(({ id, name: control, place }, i) =>
        only === undefined || only === id
          ? [
              message('alt.control', {
                number: { count: i + 1 },
                name: { text: control },
                place: { text: place },
              }),
            ]
          : [],
      ),
    };
    return { get: () => picture, subscribe: never };
  }, [seat, view, reading, only]);
  return (
    <Drawing
      {...CONTROL_FIELD}
      id={`controls-${view}`}
      name={name}
      source={source}
      atRest={source}
      reading={reading}
    />
  );
}
