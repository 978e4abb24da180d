import { useQuery } from '@tanstack/react-query';
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import { sayWith, word } from '../words';
import { api } from './client';
import type { Command } from './commands';
import styles from './command-box.module.css';

const MOST_SHOWN = 12;

const folded = (text: string): string => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');

/** Whether every word typed occurs. */
const matches = (name: string, typed: string): boolean =>
  folded(typed)
    .split(/\s+/)
    .every((part) => folded(name).includes(part));

function usePeople(typed: string): readonly Command[] {
  const found = useQuery({
    queryKey: ['command-people', typed],
    queryFn: async () => (await api.sitters(typed)).items,
    enabled: typed.trim() !== '',
    placeholderData: (before) => before,
  });
  return (typed.trim() === '' ? [] : (found.data ?? [])).map((sitter) => ({
    id: sitter.id,
    name: sayWith('command.person', { name: sitter.name }),
    run: () => {
      window.location.href = `/people/${sitter.id}`;
    },
  }));
}

/** Everything that can be done here and everybody there is, by a few letters of the name. */
export default function CommandBox({
  commands,
  onClose,
}: {
  readonly commands: readonly Command[];
  readonly onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const dialog = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => dialog.current?.showModal(), []);
  const people = usePeople(typed);
  const shown = [...commands.filter((c) => matches(c.name, typed)), ...people].slice(0, MOST_SHOWN);
  const chosen = Math.min(at, shown.length - 1);

  const run = (command: Command | undefined) => {
    if (!command) return;
    onClose();
    command.run();
  };
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step !== undefined) {
      event.preventDefault();
      setAt((chosen + step + shown.length) % Math.max(1, shown.length));
    }
    if (event.key === 'Enter') {
      event.preventDefault();
      run(shown[chosen]);
    }
  };
  return (
    <dialog ref={dialog} className={styles.box} aria-label={word('command.title')} onClose={onClose}>
      <input
        className={styles.input}
        role="combobox"
        aria-expanded
        aria-controls={`${id}-list`}
        aria-activedescendant={shown[chosen] ? `${id}-${chosen}` : undefined}
        aria-label={word('command.title')}
        placeholder={word('command.hint')}
        value={typed}
        autoFocus
        autoComplete="off"
        onChange={(e) => {
          setTyped(e.currentTarget.value);
          setAt(0);
        }}
        onKeyDown={onKey}
      />
      <ul id={`${id}-list`} role="listbox" aria-label={word('command.title')} className={styles.list}>
        {shown.map((command, i) => (
          <li
            key={command.id}
            id={`${id}-${i}`}
            role="option"
            aria-selected={i === chosen}
            onPointerMove={() => setAt(i)}
            onClick={() => run(command)}
          >
            <span>{command.name}</span>
            {command.keys && <kbd>{command.keys}</kbd>}
          </li>
        ))}
      </ul>
      {shown.length === 0 && <p className={styles.none}>{word('command.none')}</p>}
    </dialog>
  );
}
