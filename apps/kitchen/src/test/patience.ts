import { configure } from '@testing-library/react';
import * as React from 'react';

/** A lazy part of a screen is compiled when it is first asked for; on a loaded machine that takes seconds. */
configure({ asyncUtilTimeout: 15_000 });

// Names of elements are looked up through computed styles, and jsdom matches every rule of React Native's style sheet
// against every element for one: three quarters of a screen's test. What an element carries itself is enough for a name.
window.getComputedStyle = (element) => (element as HTMLElement).style;

// React for development notes for every element where it was made, for warnings that name no owner otherwise: a fifth of a
// screen's test. It stops after so many a second; here it has always made them.
const { __CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE: counters } = React as unknown as {
  __CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE: object;
};
Object.defineProperty(counters, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set: () => undefined });

// The test browser has no media queries.
Object.assign(window, { matchMedia: () => ({ matches: false }) });
