import type { Query, QueryKey } from '@tanstack/react-query';
import { queryClient } from '../api/queries';

/** First answers on their way that news has overtaken: they may be of the moment before it. */
const overtaken = new WeakSet<Query>();

/**
 * Has what is held fetched again after news. What is fetched for the first time is not asked for twice at once, or a busy
 * kitchen would never be shown: it is asked for again when its answer is here.
 * @param queryKey of what the news is about; everything when not given
 */
export function renew(queryKey?: QueryKey): void {
  const about = queryKey ? { queryKey } : undefined;
  for (const query of queryClient.getQueryCache().findAll({ ...about, fetchStatus: 'fetching' })) {
    if (query.state.data !== undefined || overtaken.has(query)) continue;
    overtaken.add(query);
    const again = (): void => {
      overtaken.delete(query);
      void queryClient.invalidateQueries({ queryKey: query.queryKey, exact: true });
    };
    // After the answer has become what is held.
    const settled = () => setTimeout(again);
    query.promise?.then(settled, settled);
  }
  void (about ? queryClient.invalidateQueries(about) : queryClient.invalidateQueries());
}
