// What takes long, in a process of its own over the kitchen's file: openHelper.ts starts it.
import { setPriority } from 'node:os';
import { expose } from 'comlink';
import { openSql } from '../batches/sql';
import { openReadOnly } from '../db/openDatabase';
import { pipeEndpoint } from './endpoint';
import { openAsideWork } from './work';

const LOW_PRIORITY = 10;
const [, , file] = process.argv;
if (!process.send || file === undefined) throw new Error('this is a helper of the server, not a program');

// As in the server: an error object for every query, whose stack nobody reads.
process.setSourceMapsEnabled(false);
setPriority(LOW_PRIORITY);
// Ctrl+C reaches both; it is the server that ends its helper. When the server is gone, so is the work.
process.on('SIGINT', () => undefined);
process.once('disconnect', () => process.exit());
expose(openAsideWork(openSql(openReadOnly(file))), pipeEndpoint(process));
