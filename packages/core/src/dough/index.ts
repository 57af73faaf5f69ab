export * from './ballWarmUp';
export * from './cooling';
export * from './feel';
export * from './flourMoisture';
export * from './heatBalance';
export * from './lotOffset';
export * from './springBack';
