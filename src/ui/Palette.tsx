import { lazy, Suspense, useCallback, useMemo, useState } from 'react';
import { word } from '../words';
import { useCommandList, useCommands, useShortcuts, type Command } from './commands';
import parts from './parts.module.css';

// Neither is needed before somebody asks for it.
const CommandBox = lazy(() => import('./CommandBox'));
const ShortcutSheet = lazy(() => import('./ShortcutSheet'));

/** The command box and the sheet of shortcuts, with the keys that open them. */
export function Palette() {
  const [open, setOpen] = useState<'box' | 'sheet' | null>(null);
  const commands = useCommandList();
  const own = useMemo<readonly Command[]>(
    () => [
      { id: 'box', name: word('command.title'), keys: 'Ctrl+K', run: () => setOpen('box') },
      { id: 'sheet', name: word('keys.title'), keys: '?', run: () => setOpen('sheet') },
    ],
    [],
  );
  useCommands('palette', own);
  useShortcuts();
  const close = useCallback(() => setOpen(null), []);
  return (
    <>
      <button type="button" className={parts.headButton} onClick={() => setOpen('box')} title="Ctrl+K">
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <circle cx="8.5" cy="8.5" r="5.5" fill="none" stroke="currentColor" strokeWidth="2" />
          <path d="M12.5 12.5 18 18" stroke="currentColor" strokeWidth="2.5" />
        </svg>
        <span className={parts.headLabel}>{word('command.open')}</span>
      </button>
      {open && (
        <Suspense fallback={null}>
          {open === 'box' ? (
            <CommandBox commands={commands.filter((c) => c.id !== 'box')} onClose={close} />
          ) : (
            <ShortcutSheet commands={commands} onClose={close} />
          )}
        </Suspense>
      )}
    </>
  );
}
