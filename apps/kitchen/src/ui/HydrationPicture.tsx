import { lazily } from './lazily';

/** The picture of the hydration's spread; its chart library comes only when one is drawn. */
export const HydrationPicture = lazily(() => import('./HydrationChart'));
