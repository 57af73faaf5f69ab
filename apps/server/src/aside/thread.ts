// What takes long, in a thread of its own over the kitchen's file: openThread.ts starts it.
import { setPriority } from 'node:os';
import { parentPort, workerData } from 'node:worker_threads';
import { expose } from 'comlink';
import nodeEndpoint from 'comlink/dist/umd/node-adapter';
import { openSql } from '../batches/sql';
import { openReadOnly } from '../db/openDatabase';
import { openAsideWork } from './work';

const LOW_PRIORITY = 10;

// There a priority belongs to a thread; elsewhere it would slow down the whole server.
if (process.platform === 'linux') setPriority(LOW_PRIORITY);
if (!parentPort) throw new Error('this is a thread, not a program');
expose(openAsideWork(openSql(openReadOnly(String(workerData)))), nodeEndpoint(parentPort));
