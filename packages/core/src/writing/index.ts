/** Lists read as people write them. Kept apart from the rest of core so that an app loads it only where it is used. */
export * from './listFormula';
export * from './readList';
export * from './readListTypes';
export * from './readingDocument';
export * from './tidyLine';
