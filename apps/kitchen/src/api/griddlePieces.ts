import type { LoggedPiece } from '@kettle-scale/core/bake';
import { useQuery } from '@tanstack/react-query';
import { api } from './api';

/** Pieces of a formula that were baked on a read plate and judged, newest batches first. */
export const useLoggedPieces = (formulaId: string) =>
  useQuery<LoggedPiece[]>({
    queryKey: ['facts', 'pieces', formulaId],
    queryFn: () => api.griddlePieces(formulaId),
  });
