import { sayWith, word } from '../words';
import parts from './parts.module.css';
import { useReading } from './preferences';
import type { Pages } from './use-pages';

/** How much of a list is shown, and the way to the rest: nothing ends without a word. */
export function MoreLine({
  pages,
  of,
}: {
  readonly pages: Pages<unknown>;
  readonly of: 'people' | 'fittings' | 'seats';
}) {
  const { locale } = useReading();
  const { items, total, hasMore, isLoadingMore, more } = pages;
  if (total === null || items.length === 0) return null;
  const said = (n: number) => n.toLocaleString(locale);
  return (
    <p className={parts.moreLine}>
      <span role="status">
        {hasMore
          ? sayWith(`list.shown.${of}`, { n: said(items.length), all: said(total) })
          : sayWith(`list.all.${of}`, { all: said(total) })}
      </span>
      {hasMore && (
        <button type="button" className={parts.plainButton} disabled={isLoadingMore} onClick={more}>
          {word('list.more')}
        </button>
      )}
    </p>
  );
}

/** That a list could not be fetched, and the way to try again. */
export function LoadFault({ pages }: { readonly pages: Pages<unknown> }) {
  if (!pages.isError) return null;
  return (
    <div className={parts.notice} data-tone="misfit" role="alert">
      {word('fault.load')}
      <button type="button" className={parts.plainButton} onClick={pages.retry}>
        {word('fault.retry')}
      </button>
    </div>
  );
}
