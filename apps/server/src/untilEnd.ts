/**
 * What is waited for until something ends. Raced against one promise of that end, every answer would be held for as long as
 * that promise lives.
 */
export function openEnd() {
  const waiting = new Set<(why: Error) => void>();
  let ended: Error | null = null;
  return {
    /** It has ended: whoever waits, and whoever will, is told why. */
    end: (why: Error): void => {
      ended ??= why;
      waiting.forEach((fail) => fail(why));
    },

    /** The answer, or why none will come. */
    before: <T>(answer: Promise<T>): Promise<T> =>
      new Promise((resolve, reject) => {
        waiting.add(reject);
        void answer.then(resolve, reject).then(() => waiting.delete(reject));
        if (ended) reject(ended);
      }),
  };
}
