import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../ground/api';

export const SHELF = ['shelf'];

/** The procedures of one series, as the shelf shows them; undefined until they are known. */
export function useProceduresOf(seriesId: string) {
  const shelf = useQuery({
    queryKey: [...SHELF, 'of', seriesId],
    queryFn: () => answer(api.shelf.$get({ query: { series: seriesId } })),
  });
  return shelf.data && (shelf.data.series[0]?.procedures ?? []);
}

/** Series whose name or code holds what is searched for; the first of all without. */
export function useSeriesNamed(search: string) {
  const shelf = useQuery({
    queryKey: [...SHELF, 'named', search],
    queryFn: () => answer(api.shelf.$get({ query: search ? { search } : {} })),
    placeholderData: (before) => before,
  });
  return shelf.data?.series ?? [];
}
