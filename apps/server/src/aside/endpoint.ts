import type { Serializable } from 'node:child_process';
import type { Endpoint } from 'comlink';
import nodeEndpoint from 'comlink/dist/umd/node-adapter';

type Heard = (message: unknown) => void;

/** One end of the pipe between a process and the one that it started: `process`, or the child. */
interface PipeEnd {
  send?: ((message: Serializable, sent: () => void) => boolean) | undefined;
  on: (type: 'message', heard: Heard) => unknown;
  off: (type: 'message', heard: Heard) => unknown;
}

/** What comlink talks through. What is said into a pipe that is closed is lost; whoever waits hears of the end itself. */
export function pipeEndpoint(end: PipeEnd): Endpoint {
  return nodeEndpoint({
    postMessage: (message) => void end.send?.(message, () => undefined),
    // The adapter hands over plain functions, whatever its types allow.
    on: (_, heard) => void end.on('message', heard as Heard),
    off: (_, heard) => void end.off('message', heard as Heard),
  });
}
