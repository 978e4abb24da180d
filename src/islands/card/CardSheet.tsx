import type { Card } from '../../core/scene';
import { useReading, useSay } from '../../ui/preferences';
import { VerdictMark } from '../../ui/VerdictMark';
import { sayDate, word } from '../../words';
import styles from './card.module.css';

function Header({ card, draft }: { readonly card: Card; readonly draft: boolean }) {
  const reading = useReading();
  const { header } = card;
  const facts: readonly [string, string][] = [
    ['card.sitter', header.sitter],
    ['card.seat', header.seat],
    ['card.place', header.place ?? word('card.notPlaced')],
    ['card.method', header.method],
    ['card.fitter', header.fitter || '–'],
    ['card.date', sayDate(header.date, reading)],
  ];
  return (
    <header className={styles.header}>
      <h2>
        {word('card.title')} {draft && <span className={styles.draft}>{word('card.draft')}</span>}
      </h2>
      <dl>
        {facts.map(([key, value]) => (
          <div key={key}>
            <dt>{word(key)}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </header>
  );
}

function Rows({ card }: { readonly card: Card }) {
  const say = useSay();
  return (
    <table className={styles.rows}>
      <thead>
        <tr>
          <th scope="col">{word('card.adjustment')}</th>
          <th scope="col">{word('card.setting')}</th>
          <th scope="col">{word('card.control.head')}</th>
        </tr>
      </thead>
      <tbody>
        {card.rows.map((row, i) => (
          <tr key={row.kind}>
            <th scope="row">
              {i + 1}. {word(`kind.${row.kind}`)}
              <VerdictMark verdict={row.verdict} />
            </th>
            <td>
              <strong>{say(row.setting)}</strong>
              {row.check && <div>{say(row.check)}</div>}
            </td>
            <td>
              {row.control ? `${say(row.control)}. ` : '–'}
              {row.movement && `${say(row.movement)}.`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The settings card, the same on screen and on paper. */
export function CardSheet({ card, draft }: { readonly card: Card; readonly draft: boolean }) {
  const say = useSay();
  return (
    <article className={styles.sheet} aria-label={word('card.title')}>
      <Header card={card} draft={draft} />
      {card.refusals.length > 0 && (
        <section className={styles.refused}>
          {card.refused && <p>{word('card.refused')}.</p>}
          {card.refusals.map((m) => (
            <p key={m.key}>{say(m)}</p>
          ))}
        </section>
      )}
      <Rows card={card} />
      <div className={styles.below}>
        <section>
          <h3>{word('card.unreached')}</h3>
          {card.remedies.map((m) => (
            <p key={m.key}>{say(m)}</p>
          ))}
          {card.unreached.map((u) => (
            <p key={u.kind}>
              <strong>{word(`kind.${u.kind}`)}:</strong> {say(u.reason)} {u.remedy && say(u.remedy)}
            </p>
          ))}
          {card.offered.map((m) => (
            <p key={m.key}>
              <strong>{word('card.offered')}:</strong> {say(m)}
            </p>
          ))}
          {card.unmeasured.map((u) => (
            <p key={u.kind}>
              <strong>{word(`kind.${u.kind}`)}:</strong> {say(u.reason)}
            </p>
          ))}
          {card.unreached.length + card.remedies.length + card.unmeasured.length === 0 && (
            <p>{word('card.allReached')}</p>
          )}
          {card.angles.length > 0 && (
            <p>
              <strong>{word('card.angles')}:</strong> {card.angles.map((m) => say(m)).join(' · ')}
            </p>
          )}
        </section>
        <section>
          <h3>{word('card.cautions')}</h3>
          {card.cautions.map((m) => (
            <p key={m.key}>{say(m)}</p>
          ))}
        </section>
      </div>
    </article>
  );
}
