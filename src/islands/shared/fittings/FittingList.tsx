import type { FittingSummary } from '../../../contract';
import type { Page } from '../../../contract/paging';
import { api } from '../../../ui/client';
import { LoadFault, MoreLine } from '../../../ui/MoreLine';
import { usePages } from '../../../ui/use-pages';
import { FittingTable } from './FittingTable';

/** Fittings, of everybody or of one person, with the way to older ones. */
export function FittingList({
  first,
  sitterId,
}: {
  readonly first: Page<FittingSummary>;
  readonly sitterId?: string;
}) {
  const pages = usePages(['fittings', sitterId], first, (cursor) => api.fittings(cursor, sitterId));
  return (
    <>
      <LoadFault pages={pages} />
      <FittingTable fittings={pages.items} />
      <MoreLine pages={pages} of="fittings" />
    </>
  );
}
