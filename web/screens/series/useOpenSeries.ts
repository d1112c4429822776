import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { toSent } from '#core/edits/sent';
import type { Series } from '#core/model/series';
import { answer, api } from '../../ground/api';
import { tellFault } from '../../ground/notify';
import { OpenSeries } from '../../state/open-series';
import { SHELF } from '../shelf/ShelfScreen';

/** The series of this id as it is shown, and how to change it. */
export function useOpenSeries(id: string): {
  readonly series: Series | undefined;
  readonly change: (next: Series) => void;
  readonly error: Error | null;
} {
  const queries = useQueryClient();
  const open = useRef<{ readonly id: string; readonly series: OpenSeries }>(undefined);
  const [series, setSeries] = useState<Series>();
  const { data, error } = useQuery({
    queryKey: ['series', id],
    queryFn: () => answer(api.series[':id'].$get({ param: { id } })),
    // Writing procedures changes the series as well: what an earlier visit saw is no version to change.
    gcTime: 0,
  });
  useEffect(() => {
    if (!data) return;
    if (open.current?.id === id) open.current.series.take(data);
    else {
      const opened = new OpenSeries(data, {
        send: (version, edits) =>
          answer(api.series[':id'].$patch({ param: { id }, json: { version, edits: toSent(edits) } })),
        show: setSeries,
        saved: () => void queries.invalidateQueries({ queryKey: SHELF }),
        fail: tellFault,
      });
      open.current = { id, series: opened };
      setSeries(data.document);
    }
  }, [data, id, queries]);
  return {
    series: series?.id === id ? series : undefined,
    change: (next) => series && open.current?.series.change(series, next),
    error,
  };
}
