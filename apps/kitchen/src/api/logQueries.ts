import type { BatchSummary } from '@kettle-scale/core/batch';
import type { Carried } from '@kettle-scale/core/plan';
import { useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query';
import { type FindWords, api } from './api';
import { keys, queryClient } from './queries';

const LOG_PAGE = 50;

/** The log as far as it was scrolled, the newest first. */
export const useLog = (find: FindWords) =>
  useInfiniteQuery({
    queryKey: keys.log(find),
    queryFn: ({ pageParam }) =>
      api.findBatches({ ...find, limit: String(LOG_PAGE), ...(pageParam ? { before: pageParam } : {}) }),
    initialPageParam: '',
    getNextPageParam: (page: BatchSummary[]) => (page.length < LOG_PAGE ? undefined : page.at(-1)?.startedAt),
    staleTime: 0,
  });

export const useFacts = (find: FindWords) =>
  useQuery({ queryKey: keys.facts(find), queryFn: () => api.batchFacts(find), staleTime: 0 });

export const useLessons = () => useQuery({ queryKey: keys.lessons, queryFn: api.lessons });

export const useCarried = () => useQuery({ queryKey: keys.carried, queryFn: api.carried });

export const useCarry = () =>
  useMutation({
    mutationFn: (carried: Carried) => api.carry(carried),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: keys.carried }),
  });

export const useDropCarried = () =>
  useMutation({
    mutationFn: (id: string) => api.dropCarried(id),
    onSuccess: (left) => queryClient.setQueryData(keys.carried, left),
  });
