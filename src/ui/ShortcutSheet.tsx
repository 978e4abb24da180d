import { useEffect, useRef, useState } from 'react';
import { t, word } from '../words';
import { singleKeysOn, switchSingleKeys, type Command } from './commands';
import styles from './command-box.module.css';
import parts from './parts.module.css';

/** Keys that belong to a field or a track rather than to the page. */
const ELSEWHERE: readonly (readonly [string, string])[] = [
  ['Enter', 'keys.enter'],
  ['← →', 'keys.arrows'],
  ['Page Up/Down', 'keys.page'],
  ['Home/End', 'keys.ends'],
];

/** Every key there is on this page, and a switch for single keys, which can be in the way of speech input. */
export default function ShortcutSheet({
  commands,
  onClose,
}: {
  readonly commands: readonly Command[];
  readonly onClose: () => void;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [single, setSingle] = useState(singleKeysOn);
  useEffect(() => dialog.current?.showModal(), []);
  const rows = [
    ...commands.flatMap((c) => (c.keys ? [[c.keys, c.name] as const] : [])),
    ...ELSEWHERE.map(([keys, name]) => [keys, t(name)] as const),
  ];
  return (
    <dialog ref={dialog} className={styles.box} aria-label={word('keys.title')} onClose={onClose}>
      <div className={styles.head}>
        <h2>{word('keys.title')}</h2>
        <button type="button" className={parts.plainButton} onClick={() => dialog.current?.close()}>
          {word('undo.close')}
        </button>
      </div>
      <table className={parts.table}>
        <tbody>
          {rows.map(([keys, name]) => (
            <tr key={keys}>
              <td>
                <kbd>{keys}</kbd>
              </td>
              <td>{name}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <label className={styles.single}>
        <input
          type="checkbox"
          checked={single}
          onChange={(e) => {
            switchSingleKeys(e.currentTarget.checked);
            setSingle(e.currentTarget.checked);
          }}
        />
        {word('keys.single')}
      </label>
    </dialog>
  );
}
