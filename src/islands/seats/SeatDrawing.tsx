/** The seat as it is typed, to scale, with its parts to tap. */
import { useMemo } from 'react';
import { partPoints, seatFrontView, seatPlanView, seatSideView } from '../../core/scene';
import { SEAT_PART_IDS, type SeatModel, type SeatPart } from '../../core/seat';
import { View, viewPicture, viewSpot, type Picture, type Source } from '../../drawing';
import { useReading } from '../../ui/preferences';
import { word } from '../../words';
import styles from './seat-form.module.css';
import pages from './seats.module.css';

const never = () => () => undefined;
const still = (picture: Picture): Source<Picture> => ({ get: () => picture, subscribe: never });

/** Parts whose names stand behind the backrest, clear of the seat. */
const BEHIND: readonly SeatPart[] = ['back', 'lumbar', 'head'];

const asPercent = (fraction: number): string =>
  `${Math.round(Math.min(0.96, Math.max(0.04, fraction)) * 1000) / 10}%`;

/** Where the name of a part stands: it leads away from its point, and never out of the drawing. */
const placeOf = (side: 'left' | 'right', left: number, top: number) => {
  const [across, rest] = [asPercent(left), asPercent(1 - left)];
  return side === 'left'
    ? { right: rest, maxWidth: across, top: asPercent(top) }
    : { left: across, maxWidth: rest, top: asPercent(top) };
};

export function SeatDrawing({
  seat,
  open,
  has,
  onPart,
}: {
  readonly seat: SeatModel;
  readonly open: SeatPart;
  /** Parts of which something is described. */
  readonly has: readonly SeatPart[];
  readonly onPart: (part: SeatPart) => void;
}) {
  const reading = useReading();
  const side = useMemo(() => seatSideView(seat), [seat]);
  const points = useMemo(() => partPoints(seat), [seat]);
  const picture = still(viewPicture(side, reading));
  return (
    <div className={styles.drawing}>
      <View
        id="seat-side"
        name={word('seatForm.drawing')}
        source={picture}
        atRest={picture}
        reading={reading}
      />
      <div role="group" aria-label={word('seatForm.point')}>
        {SEAT_PART_IDS.map((part) => {
          const { left, top } = viewSpot(side, points[part]);
          const leads = BEHIND.includes(part) ? 'left' : 'right';
          return (
            <button
              key={part}
              type="button"
              className={styles.spot}
              style={placeOf(leads, left, top)}
              aria-pressed={open === part}
              data-has={has.includes(part) || undefined}
              onClick={() => onPart(part)}
            >
              {word(`seatForm.part.${part}`)}
            </button>
          );
        })}
      </div>
    </div>
  );
}

/** Side, front and plan of a seat, on its own page. */
export function SeatPictures({ seat }: { readonly seat: SeatModel }) {
  const reading = useReading();
  const scenes = useMemo(
    () =>
      [
        ['seat-side', 'seatForm.drawing', seatSideView(seat)],
        ['seat-front', 'seatForm.front', seatFrontView(seat)],
        ['seat-plan', 'seatForm.plan', seatPlanView(seat)],
      ] as const,
    [seat],
  );
  return (
    <div className={pages.pictures}>
      {scenes.map(([id, key, scene]) => {
        const picture = still(viewPicture(scene, reading));
        return <View key={id} id={id} name={word(key)} source={picture} atRest={picture} reading={reading} />;
      })}
    </div>
  );
}

/** Front and plan, without anything to tap. */
export function SeatViews({ seat }: { readonly seat: SeatModel }) {
  const reading = useReading();
  const [front, plan] = useMemo(() => [seatFrontView(seat), seatPlanView(seat)], [seat]);
  return (
    <div className={styles.views}>
      {(
        [
          ['seat-front', 'seatForm.front', front],
          ['seat-plan', 'seatForm.plan', plan],
        ] as const
      ).map(([id, key, scene]) => {
        const picture = still(viewPicture(scene, reading));
        return <View key={id} id={id} name={word(key)} source={picture} atRest={picture} reading={reading} />;
      })}
    </div>
  );
}
