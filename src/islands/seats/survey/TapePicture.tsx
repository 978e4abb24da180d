import { useMemo } from 'react';
import { surveyView } from '../../../core/scene';
import { placeholderSeat } from '../../../core/seat';
import { View, viewPicture, type Picture, type Source } from '../../../drawing';
import { useReading } from '../../../ui/preferences';
import { sayWith, t } from '../../../words';
import type { SeatEditor } from '../use-seat-editor';
import type { SurveyStep } from './survey';
import styles from './survey.module.css';

const never = () => () => undefined;

/** Where the tape goes. */
export function TapePicture({ editor, step }: { readonly editor: SeatEditor; readonly step: SurveyStep }) {
  const reading = useReading();
  const seat = editor.seat ?? placeholderSeat(editor.text.seatClass);
  const source = useMemo((): Source<Picture> => {
    const picture = viewPicture(surveyView(seat, step.place), reading);
    return { get: () => picture, subscribe: never };
  }, [seat, step.place, reading]);
  return (
    <div className={styles.picture}>
      <View
        key={`${step.id}${JSON.stringify(seat.adjustments)}`}
        id="survey"
        name={sayWith('survey.picture', { name: t(`survey.${step.id}`) })}
        source={source}
        atRest={source}
        reading={reading}
      />
    </div>
  );
}
