/**
 * One thread of the engine clears up beside the work. As many as it takes by itself crowd two processors, at the server's own
 * priority whatever that of the process is, for as long as a year of batches takes to clear up.
 */
export const ONE_CLEARS_UP = '--v8-pool-size=1';
