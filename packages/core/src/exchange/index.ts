/** Files in and out. Kept apart from the rest of core so that an app loads it only when a file is handled. */
export * from './card';
export * from './csv';
export * from './readFile';
export * from './readJson';
export * from './recipe';
export * from '../log/labelHtml';
export * from '../log/logRows';
