import type { SettingRow } from '../../../contract/records';
import parts from '../../../ui/parts.module.css';
import styles from './settings.module.css';
import { sayInUnit, sayWith, word, type Reading } from '../../../words';

interface Props {
  readonly settings: readonly SettingRow[];
  readonly reading: Reading;
}

/** Settings without a sitter: each by its value and its place in the travel. */
export const SettingRows = ({ settings, reading }: Props) => (
  <table className={`${parts.table} ${styles.rows}`}>
    <tbody>
      {settings.map(({ adjustment, position, of, value, unit }) => (
        <tr key={adjustment}>
          <th scope="row">{word(`kind.${adjustment}`)}</th>
          <td>
            {sayWith('remains.position', {
              value: sayInUnit(value, unit, reading),
              n: position + 1,
              all: of,
            })}
          </td>
        </tr>
      ))}
    </tbody>
  </table>
);
