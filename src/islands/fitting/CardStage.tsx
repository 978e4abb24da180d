import { Button } from '@mantine/core';
import { useEffect, useMemo } from 'react';
import type { Remedies } from '../../core/fit';
import { cardHeader, cardOf } from '../../core/card';
import { usePart } from '../../drawing';
import { call } from '../../ui/client';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayMethod, word } from '../../words';
import { CardSheet } from '../shared/card/CardSheet';
import type { FittingState } from './use-fitting';
import type { Setting } from './use-setting';
import styles from './fitting.module.css';

interface Props {
  readonly state: FittingState;
  readonly setting: Setting;
  readonly remedies: Remedies | null;
  readonly onHandOver: () => void;
}

const SOON_MS = 1000;

/** The card as it will be signed off, and the act of signing off. */
export default function CardStage({ state, setting, remedies, onHandOver }: Props) {
  const { fitting, busy } = state;
  const { live } = setting;
  const { length } = useReading();
  const assessment = usePart(live, (a) => a);
  const card = useMemo(
    () =>
      cardOf(
        assessment,
        cardHeader(assessment.problem, {
          sitter: fitting.sitter.name,
          fitter: fitting.fitter?.name ?? '',
          date: fitting.date,
          piece: fitting.piece,
          method: sayMethod(assessment.problem.inputs.method),
        }),
        remedies,
        fitting.postures,
      ),
    [assessment, fitting, remedies],
  );
  // Whoever prints it next does not wait for what could be changed.
  useEffect(() => {
    const timer = setTimeout(() => {
      call('GET /fittings/{id}/card', { id: fitting.id }).catch(() => undefined);
    }, SOON_MS);
    return () => clearTimeout(timer);
  }, [fitting.id, fitting.version]);
  const isOpen = fitting.state === 'open';
  const isStopped = fitting.piece?.doNotUse === true;
  return (
    <div className={styles.cardStage}>
      <CardSheet card={card} draft={isOpen} />
      <aside className={styles.cardActs}>
        {isOpen && (
          <>
            <Button disabled={busy || assessment.refused || isStopped} onClick={onHandOver}>
              {word('cardStage.handOver')}
            </Button>
            <p className={parts.soft}>
              {word(
                assessment.refused
                  ? 'cardStage.refused'
                  : isStopped
                    ? 'card.doNotUse'
                    : 'cardStage.handOver.hint',
              )}
            </p>
          </>
        )}
        <a href={`/fittings/${fitting.id}/card`}>{word('cardStage.open')}</a>
        <a href={`/api/v1/fittings/${fitting.id}/card.pdf?units=${length}`}>{word('card.pdf')}</a>
        <a href={`/api/v1/fittings/${fitting.id}/drawings.pdf?units=${length}`}>{word('card.drawings')}</a>
        <a href={`/api/v1/fittings/${fitting.id}/card?units=${length}`}>{word('card.json')}</a>
      </aside>
    </div>
  );
}
