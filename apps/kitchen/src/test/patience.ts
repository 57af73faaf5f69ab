import { configure } from '@testing-library/react';

/** A lazy part of a screen is compiled when it is first asked for; on a loaded machine that takes seconds. */
configure({ asyncUtilTimeout: 15_000 });

// Names of elements are looked up through computed styles, and jsdom matches every rule of React Native's style sheet
// against every element for one: three quarters of a screen's test. What an element carries itself is enough for a name.
window.getComputedStyle = (element) => (element as HTMLElement).style;

// The test browser has no media queries.
Object.assign(window, { matchMedia: () => ({ matches: false }) });
