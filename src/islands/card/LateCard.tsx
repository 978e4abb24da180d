import { useEffect, useMemo } from 'react';
import { assess, problemOf, type FitInputs, type Settings } from '../../core/fit';
import { cardOf, type Card, type CardHeader, type PostureSettings } from '../../core/card';
import { word } from '../../words';
import { useJob } from '../shared/use-job';

/** What a card is made from. */
export interface CardSource {
  readonly inputs: FitInputs;
  /** Whole: every adjustment has its position. */
  readonly settings: Settings;
  readonly header: CardHeader;
  readonly postures: readonly PostureSettings[];
}

interface Props {
  readonly source: CardSource;
  readonly onCard: (card: Card) => void;
}

/** Looks for remedies that the server did not wait for, and hands over the card with them. */
export default function LateCard({ source, onCard }: Props) {
  const { inputs, settings, header, postures } = source;
  const input = useMemo(() => ({ inputs, seats: [], inUse: settings.remedies }), [inputs, settings]);
  const { result, isDone } = useJob('remedies', input);
  useEffect(() => {
    if (isDone && result) onCard(cardOf(assess(problemOf(inputs), settings), header, result, postures));
  }, [header, inputs, isDone, onCard, postures, result, settings]);
  return isDone ? null : <p role="status">{word('card.seeking')}</p>;
}
