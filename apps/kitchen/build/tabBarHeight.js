import { createContext } from 'react';

/** What the router's own error page asks of tabs that are not there. */
export const BottomTabBarHeightContext = createContext(undefined);
