import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import type { Series } from '#core/model/series';
import { answer, api } from '../../ground/api';
import { device } from '../../ground/device';
import { tellFault } from '../../ground/notify';
import { keepSeries, openSeriesName, sendSeries } from '../../sync/documents';
import { addLane, hold, sync } from '../../sync/engine';
import { OpenSeries } from '../../sync/open-series';
import { SHELF } from '../shelf/shelf';

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
    queryFn: async () => {
      const loaded = await answer(api.series[':id'].$get({ param: { id } }));
      return { loaded, kept: await device.series.get(id) };
    },
    // Writing procedures changes the series as well: what an earlier visit saw is no version to change.
    gcTime: 0,
  });
  useEffect(() => {
    if (!data) return;
    const { loaded, kept } = data;
    if (open.current?.id === id) return open.current.series.take(loaded);
    const opened = new OpenSeries(
      kept?.base ?? loaded,
      {
        send: sendSeries(id),
        show: setSeries,
        saved: () => void queries.invalidateQueries({ queryKey: SHELF }),
        fail: tellFault,
        keep: keepSeries(id),
      },
      kept?.document,
    );
    open.current = { id, series: opened };
    setSeries(kept?.document ?? loaded.document);
    if (kept) void sync();
  }, [data, id, queries]);
  // Nobody else sends what is open here.
  useEffect(() => hold(openSeriesName(id)), [id]);
  useEffect(() => addLane({ name: 'open series', send: async () => open.current?.series.send() }), []);
  return {
    series: series?.id === id ? series : undefined,
    change: (next) => {
      if (!series) return;
      open.current?.series.change(series, next);
      void sync();
    },
    error,
  };
}
