/** The seat as left: calculated, where the walk led, and what stands, side by side. */
import { useDeferredValue, useMemo } from 'react';
import { leftOf, leftSettings, type LeftRow } from '../../core/walk';
import type { WalkState } from '../../contract/walks';
import parts from '../../ui/parts.module.css';
import { WideTable } from '../../ui/WideTable';
import { useReading, useSay } from '../../ui/preferences';
import { sayDate, sayWith, word } from '../../words';
import { useSignOff, type WalkInHand } from './use-walk';
import styles from './walk.module.css';

function Row({ row }: { readonly row: LeftRow }) {
  const say = useSay();
  const { kind, computed, reached, left, why, note } = row;
  const words = (m: LeftRow['left']) => (m ? say(m) : '–');
  return (
    <tr data-differs={why.length > 0 || undefined}>
      <th scope="row">{word(`kind.${kind}`)}</th>
      <td>{words(computed)}</td>
      <td>{words(reached)}</td>
      <td>{left ? say(left) : word('left.notSet')}</td>
      <td>{[...why.map(say), ...(note ? [`“${note}”`] : [])].join('. ')}</td>
    </tr>
  );
}

export function LeftTable({ rows }: { readonly rows: readonly LeftRow[] }) {
  return (
    <WideTable name={word('left.title')}>
      <thead>
        <tr>
          {(['adjustment', 'computed', 'reached', 'left', 'why'] as const).map((head) => (
            <th key={head} scope="col">
              {word(`left.${head}`)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <Row key={row.kind} row={row} />
        ))}
      </tbody>
    </WideTable>
  );
}

/** What was signed off, by whom and when. */
function Signed({ left }: { readonly left: NonNullable<WalkState['left']> }) {
  const reading = useReading();
  const date = sayDate(left.savedAt, reading);
  return (
    <p role="status">
      {left.by ? sayWith('walk.signed.by', { name: left.by, date }) : sayWith('walk.signed', { date })} (
      {sayWith('walk.version', { n: left.version })})
    </p>
  );
}

/** Every adjustment as left. Where a walk comes to its end, its table follows in the next moment: nobody waits for it. */
function useRows({ ground, walk, events }: WalkInHand, isComing: boolean): readonly LeftRow[] {
  const isReady = useDeferredValue(true, !isComing);
  return useMemo(
    () => (isReady ? leftOf(ground.problem, ground.record.base, walk, events) : []),
    [ground, walk, events, isReady],
  );
}

export function Left({
  hand,
  state,
  isComing,
  look,
  onReopen,
}: {
  readonly hand: WalkInHand;
  readonly state: WalkState;
  /** Whether one has just come here from a step: not where the page was opened at the end. */
  readonly isComing: boolean;
  readonly look: () => Promise<void>;
  readonly onReopen: () => void;
}) {
  const { walk, events } = hand;
  const rows = useRows(hand, isComing);
  const sign = useSignOff(state, look);
  const { fitting, left } = state;
  const isSigned = fitting.state === 'left';
  return (
    <section className={styles.left} aria-label={word('left.title')}>
      <h2>{word('left.title')}</h2>
      {rows.every(({ why }) => why.length === 0) && rows.length > 0 && <p>{word('left.allSame')}</p>}
      <LeftTable rows={rows} />
      <p>{word('left.settle')}</p>
      {isSigned && left && <Signed left={left} />}
      {sign.fault && (
        <div className={parts.notice} data-tone="misfit" role="alert">
          {sign.fault}
        </div>
      )}
      {sign.isWaiting && (
        <div className={parts.notice} role="status">
          {word('walk.signOff.waiting')}
        </div>
      )}
      <div className={styles.bar}>
        {isSigned ? (
          <>
            <button type="button" className={styles.side} onClick={onReopen}>
              {word('walk.reopen')}
            </button>
            <a className={styles.done} href={`/fittings/${fitting.id}/card`}>
              {word('walk.card')}
            </a>
          </>
        ) : (
          <button
            type="button"
            className={styles.done}
            disabled={sign.isBusy || fitting.doNotUse}
            onClick={() => sign.sign(leftSettings(walk, events))}
          >
            {word('walk.signOff')}
          </button>
        )}
      </div>
    </section>
  );
}
