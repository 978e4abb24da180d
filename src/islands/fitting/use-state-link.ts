import { useCallback, useEffect, useRef, useState } from 'react';
import { completeSettings } from '../../core/fit';
import type { StateLink } from '../../contract/state-link';
import { STATE_LINK_VERSION } from '../../contract/state-link-version';
import type { FittingDetail } from '../../contract';
import { fragmentOf, stateIn } from '../../ui/state-link';
import { t, word } from '../../words';
import type { Setting } from './use-setting';

/** What came of a link, and a link that could not be put on the clipboard. */
export interface LinkNotice {
  readonly text: string;
  readonly address: string | null;
}

function refusal(state: StateLink, fitting: FittingDetail): string | null {
  const isSame =
    state.fitting === fitting.id &&
    state.seat === fitting.seat?.versionId &&
    state.place === (fitting.place?.versionId ?? null);
  if (!isSame) return 'link.other';
  return fitting.state === 'open' ? null : 'link.closed';
}

/** Restores the state in the address as a step that can be undone; and makes such addresses. */
export function useStateLink(fitting: FittingDetail, setting: Setting | null) {
  const [notice, setNotice] = useState<LinkNotice | null>(null);
  const store = setting?.store ?? null;
  const problem = setting?.problem ?? null;

  const follow = useRef<() => Promise<void>>(() => Promise.resolve());
  useEffect(() => {
    follow.current = async () => {
      const state = await stateIn(window.location.hash);
      if (state === null) return;
      const url = new URL(window.location.href);
      url.hash = '';
      window.history.replaceState(null, '', url);
      const why = state === 'unreadable' ? 'link.unreadable' : refusal(state, fitting);
      if (why === null && state !== 'unreadable' && store && problem)
        store.set(completeSettings(problem, state.settings));
      setNotice({ text: t(why ?? 'link.restored'), address: null });
    };
  });
  useEffect(() => {
    const onHash = () => void follow.current();
    onHash();
    window.addEventListener('hashchange', onHash);
    return () => window.removeEventListener('hashchange', onHash);
  }, []);

  const make = useCallback(async () => {
    if (!store || !fitting.seat) return;
    const url = new URL(window.location.href);
    url.hash = await fragmentOf({
      v: STATE_LINK_VERSION,
      fitting: fitting.id,
      seat: fitting.seat.versionId,
      place: fitting.place?.versionId ?? null,
      method: fitting.method.versionId,
      settings: store.get(),
    });
    // It stands there to be copied by hand: a page that is not secure has no clipboard, others may have to ask for it.
    setNotice({ text: word('link.byHand'), address: url.href });
    navigator.clipboard?.writeText(url.href).then(
      () => setNotice({ text: word('link.copied'), address: url.href }),
      () => undefined,
    );
  }, [fitting, store]);

  return { notice, close: useCallback(() => setNotice(null), []), make };
}
