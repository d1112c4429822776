import { useDebouncedValue } from '@mantine/hooks';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';

interface ListPage {
  /** Where the next page begins; null on the last one. */
  readonly next: string | null;
}

/** A list that the server searches and brings a page at a time. */
export function useList<Page extends ListPage>(
  key: readonly unknown[],
  fetchPage: (asked: { search?: string; after?: string }) => Promise<Page>,
  refetchWhile?: (pages: readonly Page[]) => boolean,
) {
  const [search, setSearch] = useState('');
  const [settled] = useDebouncedValue(search.trim(), 250);
  const query = useInfiniteQuery({
    queryKey: [...key, settled],
    queryFn: ({ pageParam }) =>
      fetchPage({ ...(settled && { search: settled }), ...(pageParam && { after: pageParam }) }),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => last.next ?? undefined,
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) => (state.data && refetchWhile?.(state.data.pages) ? 1500 : false),
  });
  return {
    search,
    setSearch,
    /** What is searched for in the pages at hand. */
    searched: settled,
    pages: query.data?.pages ?? [],
    isPending: query.isPending,
    error: query.error,
    /** Brings the next page; undefined on the last one. */
    more: query.hasNextPage ? () => void query.fetchNextPage() : undefined,
    isBringing: query.isFetchingNextPage,
  };
}
