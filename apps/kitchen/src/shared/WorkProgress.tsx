import type { ComponentProps } from 'react';
import { Progress } from '../ui/layout/Progress';
import { useShareDone } from '../workers/useWork';
import type { WorkName } from '../workers/work';

type WorkProgressProps = Omit<ComponentProps<typeof Progress>, 'share'> & { of: WorkName };

/** How far the worker is. */
export const WorkProgress = ({ of, ...props }: WorkProgressProps) => (
  <Progress {...props} share={useShareDone((shares) => shares[of] ?? 0)} />
);
