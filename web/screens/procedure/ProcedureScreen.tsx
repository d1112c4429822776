import { Center } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Outlet, useOutletContext, useParams } from 'react-router';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { usePerson } from '../../frame/SignedIn';
import { answer, api } from '../../ground/api';
import { mayWrite } from '../../ground/session';
import { beginAutosave, leftSeries, useAutosave, watchEdits } from '../../sync/autosave';

const fetchProcedure = (id: string) => answer(api.procedures[':id'].$get({ param: { id } }));

/** A procedure as the server gives it, with its releases. */
type Opened = Awaited<ReturnType<typeof fetchProcedure>>;

/** Holds a procedure open for the screens that write it, so that going from one to the other loses no history. */
export function ProcedureScreen() {
  const { id = '' } = useParams();
  const writes = mayWrite(usePerson());
  const query = useQuery({
    queryKey: ['procedure', id],
    queryFn: async () => ({ left: await leftSeries(), opened: await fetchProcedure(id) }),
    // While it is open, this tab's own draft is the truth; conflicts come back from saving.
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
  const openId = useAutosave((state) => state.procedureId);

  useEffect(() => {
    if (!query.data) return;
    void beginAutosave(query.data.opened, query.data.left);
    return () => useAutosave.setState({ procedureId: null });
  }, [query.data]);
  useEffect(() => (writes ? watchEdits(id) : undefined), [writes, id]);

  if (query.error) return <FaultNotice error={query.error} />;
  if (!query.data || openId !== id) {
    return (
      <Center mih="60vh">
        <Loading />
      </Center>
    );
  }
  return <Outlet context={query.data.opened satisfies Opened} />;
}

/** The procedure as it was opened. */
export function useOpened(): Opened {
  return useOutletContext<Opened>();
}
