import { useInfiniteQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Page } from '../contract/paging';

/**
 * A list that is fetched a page at a time.
 * @param key names the list; another key is another list
 * @param first the page that came with the page of the application; null where it has to be fetched
 */
export function usePages<T>(
  key: readonly unknown[],
  first: Page<T> | null,
  load: (cursor: string | undefined) => Promise<Page<T>>,
) {
  const found = useInfiniteQuery({
    queryKey: key,
    queryFn: ({ pageParam }) => load(pageParam),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => last.next ?? undefined,
    ...(first ? { initialData: { pages: [first], pageParams: [undefined] } } : {}),
    placeholderData: (before) => before,
  });
  const pages = found.data?.pages;
  // The same list as long as nothing of it changes.
  const items = useMemo(() => pages?.flatMap((page) => page.items) ?? [], [pages]);
  return {
    items,
    /** How many there are in all; null before the first answer. */
    total: pages?.at(-1)?.total ?? null,
    hasMore: found.hasNextPage,
    isLoadingMore: found.isFetchingNextPage,
    isError: found.isError,
    more: () => void found.fetchNextPage(),
    retry: () => void found.refetch(),
  };
}

export type Pages<T> = ReturnType<typeof usePages<T>>;
