// @ts-check
// Stands for the built program of this name where the sources are run as they are: a process takes over none of the hooks
// that read TypeScript in the program that starts it.
import { register } from 'tsx/esm/api';

register();
await import('./backupProcess.ts');
