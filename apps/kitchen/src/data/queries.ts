import type { BatchRecord, BatchStart, Formula, Kitchen } from '@kettle-scale/core';
import { QueryClient, useMutation, useQuery } from '@tanstack/react-query';
import { Refused, api } from './api';

const MINUTE_MS = 60_000;
/** How often a running batch looks for acts from another phone. */
const RUNNING_POLL_MS = 2000;
const RETRIES = 2;

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: MINUTE_MS,
      retry: (failures, error) => !(error instanceof Refused) && failures < RETRIES,
    },
  },
});

export const keys = {
  ingredients: ['ingredients'],
  kitchen: ['kitchen'],
  flourLots: ['flour-lots'],
  formulas: ['formulas'],
  batches: (status?: BatchRecord['status']) => (status ? ['batches', status] : ['batches']),
  batch: (id: string) => ['batch', id],
} as const;

export const useIngredients = () => useQuery({ queryKey: keys.ingredients, queryFn: api.ingredients });
export const useKitchen = () => useQuery({ queryKey: keys.kitchen, queryFn: api.kitchen });
export const useFlourLots = () => useQuery({ queryKey: keys.flourLots, queryFn: api.flourLots });
export const useFormulas = () => useQuery({ queryKey: keys.formulas, queryFn: api.formulas });

export const useBatches = (status?: BatchRecord['status']) =>
  useQuery({ queryKey: keys.batches(status), queryFn: () => api.batches(status), staleTime: 0 });

export const useBatchQuery = (id: string) =>
  useQuery({
    queryKey: keys.batch(id),
    queryFn: () => api.batch(id),
    staleTime: 0,
    refetchInterval: RUNNING_POLL_MS,
  });

export const useSaveKitchen = () =>
  useMutation({
    mutationFn: (kitchen: Kitchen) => api.saveKitchen(kitchen),
    onSuccess: (kitchen) => queryClient.setQueryData(keys.kitchen, kitchen),
  });

export const useAddFormula = () =>
  useMutation({
    mutationFn: (formula: Formula) => api.addFormula(formula),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: keys.formulas }),
  });

export const useStartBatch = () =>
  useMutation({
    mutationFn: (start: BatchStart) => api.startBatch(start),
    onSuccess: (batch) => {
      queryClient.setQueryData(keys.batch(batch.id), batch);
      void queryClient.invalidateQueries({ queryKey: keys.batches() });
    },
  });

/** Asks for what nearly every screen needs before the first screen is drawn. */
export function prefetchBook(): void {
  void queryClient.prefetchQuery({ queryKey: keys.formulas, queryFn: api.formulas });
  void queryClient.prefetchQuery({ queryKey: keys.ingredients, queryFn: api.ingredients });
}
