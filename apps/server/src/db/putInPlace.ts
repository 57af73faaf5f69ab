import { closeSync, fsyncSync, openSync, renameSync } from 'node:fs';
import { dirname } from 'node:path';

function syncToDisk(path: string): void {
  const opened = openSync(path, 'r');
  try {
    fsyncSync(opened);
  } finally {
    closeSync(opened);
  }
}

/**
 * Puts a file that was made beside its place there: after a power cut there is the old one, or none, or the whole new one.
 * @param making the file as it was made, closed
 * @param place its name from now on, in the same folder
 */
export function putInPlace(making: string, place: string): void {
  syncToDisk(making);
  renameSync(making, place);
  // The move itself reaches the disk with the folder.
  syncToDisk(dirname(place));
}
