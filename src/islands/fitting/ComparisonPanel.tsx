/** What another method comes to beside the fitting’s own: fetched once one is chosen. */
import '../../words/about';
import { useEffect, useState } from 'react';
import type { MethodSummary } from '../../contract';
import { compareMethods, fitCountOf, type Comparison, type MethodSide, type Problem } from '../../core/fit';
import { useReading, useSay } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { VerdictGlyph } from '../../ui/VerdictMark';
import { sayMethod, sayMethodAbout, sayWith, word } from '../../words';
import { sayOwn } from './TrackRow';
import type { Setting } from './use-setting';
import styles from './set.module.css';

interface ComparisonInput {
  readonly problem: Problem;
  readonly other: MethodSummary;
  readonly remedies: string;
}

/** Two solvings: after the screen has said so. */
function useComparison(asked: ComparisonInput): Comparison | null {
  const [found, setFound] = useState<{ readonly for: string; readonly comparison: Comparison } | null>(null);
  const key = JSON.stringify([asked.other.versionId, asked.remedies, asked.problem.inputs]);
  useEffect(() => {
    const { problem, other, remedies } = asked;
    const timer = setTimeout(() => {
      const comparison = compareMethods(problem.inputs, other.method, JSON.parse(remedies) as never);
      setFound({ for: key, comparison });
    }, 0);
    return () => clearTimeout(timer);
    // What is asked for is in the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return found && found.for === key ? found.comparison : null;
}

function sayFits({ assessment }: MethodSide): string {
  const { fits, all } = fitCountOf(assessment);
  return sayWith('compare.count', { n: fits, all });
}

function Differences({ comparison }: { readonly comparison: Comparison }) {
  const reading = useReading();
  const say = useSay();
  const { one, other, settings, angles, judged } = comparison;
  return (
    <>
      <table className={parts.table}>
        <thead>
          <tr>
            <th scope="col">{word('compare.adjustment')}</th>
            {[one, other].map((side) => (
              <th key={side.method.id} scope="col">
                {sayMethod(side.method)}
                <div className={parts.soft}>{sayFits(side)}</div>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {settings.map(({ kind, one: a, other: b }) => (
            <tr key={kind}>
              <td>{word(`kind.${kind}`)}</td>
              {[a, b].map((o, i) => (
                <td key={i}>
                  <VerdictGlyph verdict={o.verdict} /> {sayOwn(o, o.value, reading)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <ul aria-label={word('compare.words')}>
        {[...settings.map((d) => d.words), ...angles, ...judged].map((m, i) => (
          <li key={i}>{say(m)}</li>
        ))}
      </ul>
    </>
  );
}

interface Props {
  readonly setting: Setting;
  readonly other: MethodSummary;
  /** In use in both, as text. */
  readonly remedies: string;
  readonly disabled: boolean;
  readonly onChoose: (methodVersionId: string) => void;
}

export default function ComparisonPanel({ setting, other, remedies, disabled, onChoose }: Props) {
  const comparison = useComparison({ problem: setting.problem, other, remedies });
  if (!comparison) return <p role="status">{word('compare.computing')}</p>;
  return (
    <>
      <p className={parts.soft}>{sayMethodAbout(other.method)}</p>
      {other.method.cautions?.map((caution) => (
        <p key={caution} className={styles.caution}>
          {word(`caution.method.${caution}`)}
        </p>
      ))}
      {comparison.settings.length === 0 ? (
        <p>{word('compare.same')}</p>
      ) : (
        <Differences comparison={comparison} />
      )}
      <p>
        <button
          type="button"
          className={parts.plainButton}
          disabled={disabled}
          aria-label={`${word('compare.use')}: ${sayMethod(other.method)}`}
          onClick={() => setting.store.set(comparison.other.assessment.settings)}
        >
          {word('compare.use')}
        </button>{' '}
        <button
          type="button"
          className={parts.plainButton}
          disabled={disabled}
          onClick={() => onChoose(other.versionId)}
        >
          {word('compare.choose')}
        </button>
      </p>
    </>
  );
}
