export * from './changes';
export * from './diagnose';
export * from './evidence';
export * from './table';
export * from './tests';
