/** The body in this sitter's own proportions so far, with the two landmarks and the tape. */
import { useMemo } from 'react';
import { isMeasured, type Body, type DimensionId } from '../../core/body';
// By itself: no other page carries bodies to measure on.
import { drawnSizes } from '../../core/scene/measuring-body';
import { measuringView } from '../../core/scene/measuring-view';
import { View, viewPicture } from '../../drawing';
import { still } from '../../drawing/still';
import { useReading } from '../../ui/preferences';
import { sayWith, word } from '../../words';
import type { Told } from '../shared/measures/use-population';

export function Figure({
  dimension,
  body,
  told,
}: {
  readonly dimension: DimensionId;
  readonly body: Body;
  readonly told: Told | null;
}) {
  const reading = useReading();
  const source = useMemo(() => {
    const size = drawnSizes((id) => (isMeasured(body, id) ? body[id]!.value : told?.estimates[id]?.value));
    return still(viewPicture(measuringView(dimension, size), reading));
  }, [dimension, body, told, reading]);
  return (
    <View
      id="measuring"
      name={sayWith('tour.figure', { name: word(`dimension.${dimension}`) })}
      source={source}
      atRest={source}
      reading={reading}
    />
  );
}
