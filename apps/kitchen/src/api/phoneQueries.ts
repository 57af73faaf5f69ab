import { useMutation, useQuery } from '@tanstack/react-query';
import { api } from './api';
import { AWAY_POLL_MS, keys, queryClient } from './queries';

/** Who asks, in the server's eyes; asked again while there is no answer, or none for a phone without a key. */
export const useAccess = () =>
  useQuery({
    queryKey: keys.access,
    queryFn: api.access,
    refetchInterval: ({ state }) => (state.status === 'error' ? AWAY_POLL_MS : false),
  });

export const usePhones = (asked: boolean) =>
  useQuery({ queryKey: keys.phones, queryFn: api.phones, enabled: asked });

const phonesChanged = () => queryClient.invalidateQueries({ queryKey: keys.phones });
export const usePairingCode = () => useMutation({ mutationFn: api.pairingCode });
export const useChangePhone = () => useMutation({ mutationFn: api.changePhone, onSuccess: phonesChanged });
export const useRemovePhone = () => useMutation({ mutationFn: api.removePhone, onSuccess: phonesChanged });
