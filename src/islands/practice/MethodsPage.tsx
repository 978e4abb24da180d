import type { MethodSummary, Unreadable } from '../../contract';
import { orderIdOf } from '../../core/method';
import { Frame } from '../../ui/Frame';
import { UnreadableNote } from '../../ui/UnreadableNote';
import type { PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayMethod, sayMethodAbout, sayWith, word } from '../../words';
import { PracticeNav } from './PracticeNav';
import styles from './practice.module.css';

function MethodLine({ summary: { method, isOwn, version } }: { readonly summary: MethodSummary }) {
  return (
    <tr>
      <td>
        <a href={`/practice/methods/${method.id}`}>{sayMethod(method)}</a>
        <div className={parts.soft}>
          {isOwn ? sayWith('methods.own', { n: version }) : word('methods.shipped')}
        </div>
      </td>
      <td>{sayMethodAbout(method)}</td>
      <td>{word(`order.${orderIdOf(method.order) ?? 'own'}`)}</td>
    </tr>
  );
}

export default function MethodsPage({
  page,
  methods,
  unreadable,
}: {
  readonly page: PageProps;
  readonly methods: readonly MethodSummary[];
  readonly unreadable: readonly Unreadable[];
}) {
  return (
    <Frame page={page} area="practice">
      <UnreadableNote records={unreadable} />
      <PracticeNav page="methods" />
      <div className={parts.head}>
        <h1>{word('methods.title')}</h1>
      </div>
      <p className={styles.about}>{word('methods.about')}</p>
      <table className={parts.table}>
        <thead>
          <tr>
            {(['name', 'summary', 'order'] as const).map((head) => (
              <th key={head} scope="col">
                {word(`methods.${head}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {methods.map((summary) => (
            <MethodLine key={summary.method.id} summary={summary} />
          ))}
        </tbody>
      </table>
    </Frame>
  );
}
