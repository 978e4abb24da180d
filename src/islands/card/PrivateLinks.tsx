import { Button } from '@mantine/core';
import { useState } from 'react';
import type { CardLink, CardLinks, NewCardLink } from '../../contract';
import { call, explain } from '../../ui/client';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayDate, sayWith, word } from '../../words';
import styles from './private-links.module.css';

interface Props {
  readonly fittingId: string;
  readonly links: CardLinks;
  /** The link that was added on this page: only now it can be copied and printed. */
  readonly made: NewCardLink | null;
  readonly onMade: (made: NewCardLink | null) => void;
}

/** The new link in full, to be copied. */
function Made({ made, onCopied }: { readonly made: NewCardLink; readonly onCopied: () => void }) {
  const address = made.url ?? location.origin + made.path;
  return (
    <div className={parts.notice} role="status">
      <p>{word('private.added')}</p>
      <p className={styles.address}>
        <a href={made.path}>{address}</a>
      </p>
      <button
        type="button"
        className={parts.plainButton}
        // A page that is not secure has no clipboard: there the link is selected and copied by hand.
        onClick={() => void navigator.clipboard?.writeText(address).then(onCopied, () => undefined)}
      >
        {word('private.copy')}
      </button>
      {made.url === null && <p>{word('private.noAddress')}</p>}
    </div>
  );
}

interface RowProps {
  readonly link: CardLink;
  readonly busy: boolean;
  readonly onWithdraw: () => void;
}

/** A link, and the way to withdraw it: asked twice, for a code that is printed already leads nowhere then. */
function Row({ link, busy, onWithdraw }: RowProps) {
  const reading = useReading();
  const [isAsked, setAsked] = useState(false);
  const date = sayDate(link.madeAt, reading);
  const button = (label: string, act: () => void) => (
    <button type="button" className={parts.plainButton} disabled={busy} onClick={act}>
      {label}
    </button>
  );
  return (
    <li>
      <span>
        {link.madeBy
          ? sayWith('private.made.by', { date, fitter: link.madeBy })
          : sayWith('private.made', { date })}
      </span>
      {isAsked ? (
        <span className={styles.asked}>
          {word('private.withdraw.sure')} {button(word('private.withdraw'), onWithdraw)}{' '}
          {button(word('private.keep'), () => setAsked(false))}
        </span>
      ) : (
        button(word('private.withdraw'), () => setAsked(true))
      )}
    </li>
  );
}

/** Links that open the sitter’s card on a phone: added, copied, withdrawn. */
export function PrivateLinks({ fittingId, links: first, made, onMade }: Props) {
  const [links, setLinks] = useState(first);
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<{ readonly text: string; readonly isFault: boolean } | null>(null);
  const act = async (work: () => Promise<string | null>) => {
    setBusy(true);
    setSaid(null);
    try {
      const text = await work();
      if (text) setSaid({ text, isFault: false });
    } catch (error) {
      setSaid({ text: explain(error), isFault: true });
    } finally {
      setBusy(false);
    }
  };
  const add = () =>
    act(async () => {
      const link = await call('POST /fittings/{id}/links', { id: fittingId });
      setLinks((before) => ({ ...before, links: [...before.links, link] }));
      onMade(link);
      return null;
    });
  const withdraw = (id: string) =>
    act(async () => {
      setLinks(await call('DELETE /links/{id}', { id }));
      if (made?.id === id) onMade(null);
      return word('private.withdrawn');
    });
  return (
    <section className={styles.links} aria-labelledby="private-links">
      <h2 id="private-links">{word('private.title')}</h2>
      <p className={parts.soft}>{word('private.about')}</p>
      {links.links.length > 0 ? (
        <ul>
          {links.links.map((link) => (
            <Row key={link.id} link={link} busy={busy} onWithdraw={() => void withdraw(link.id)} />
          ))}
        </ul>
      ) : (
        <p>{word(links.isSigned ? 'private.none' : 'private.unsigned')}</p>
      )}
      {made && (
        <Made made={made} onCopied={() => setSaid({ text: word('private.copied'), isFault: false })} />
      )}
      {said && <p role={said.isFault ? 'alert' : 'status'}>{said.text}</p>}
      {links.isSigned && (
        <Button variant="default" loading={busy} onClick={() => void add()}>
          {word('private.add')}
        </Button>
      )}
    </section>
  );
}
