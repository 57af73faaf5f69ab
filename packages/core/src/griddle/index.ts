export * from './bake';
export * from './baking';
export * from './composition';
export * from './model';
export * from './outcome';
export * from './plate';
export * from './referenceCases';
export * from './stages';
