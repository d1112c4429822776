import { useQueryClient } from '@tanstack/react-query';
import { goTo } from '../ground/navigate';
import { modals } from '../ground/overlays';

/** Closes the dialog one stands in, forgets what lists knew before, and goes on to another screen. */
export function useLeaveModal(): (path: string) => void {
  const queries = useQueryClient();
  return (path) => {
    modals.closeAll();
    void queries.invalidateQueries();
    goTo(path);
  };
}
