import type { SitterDetail } from '../../contract';
import type { FeltMeasured } from '../../contract/walks';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { WideTable } from '../../ui/WideTable';
import { sayDate, sayWith, word } from '../../words';
import { sayMeasure } from '../shared/measures/use-measures';

/** What becomes of it in the next fitting. */
function countsAs({ dimension, takenAt }: FeltMeasured, { body }: SitterDetail): string {
  const measured = body[dimension];
  if (!measured) return word('felt.estimated');
  if ((measured.takenAt ?? '') > takenAt) return word('felt.superseded');
  return word(dimension === 'bodyMass' && measured.basis === 'measured' ? 'felt.weighed' : 'felt.counts');
}

/** What a person felt at seats, beside what was measured; nothing where they never said anything. */
export function Felt({
  sitter,
  felt,
}: {
  readonly sitter: SitterDetail;
  readonly felt: readonly FeltMeasured[];
}) {
  const reading = useReading();
  if (felt.length === 0) return null;
  return (
    <section aria-label={word('felt.title')}>
      <h2>{word('felt.title')}</h2>
      <p className={parts.soft}>{word('felt.about')}</p>
      <WideTable name={word('felt.title')}>
        <thead>
          <tr>
            {(['dimension', 'felt', 'measured', 'when', 'counts'] as const).map((head) => (
              <th key={head} scope="col">
                {word(`felt.head.${head}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {felt.map((row) => {
            const { dimension, value, spread, takenAt, takenBy } = row;
            const measured = sitter.body[dimension];
            return (
              <tr key={dimension}>
                <th scope="row">{word(`dimension.${dimension}`)}</th>
                <td>
                  {sayMeasure(dimension, value, reading)} ± {sayMeasure(dimension, spread, reading)}
                </td>
                <td>{measured ? sayMeasure(dimension, measured.value, reading) : word('felt.unmeasured')}</td>
                <td>
                  {takenBy
                    ? sayWith('felt.by', { date: sayDate(takenAt, reading), fitter: takenBy })
                    : sayDate(takenAt, reading)}
                </td>
                <td>{countsAs(row, sitter)}</td>
              </tr>
            );
          })}
        </tbody>
      </WideTable>
    </section>
  );
}
