/** Questions are asked again and again while a slider is dragged; so many answers are kept. */
const MOST = 64;

/** The answer to a question, worked out the first time that it is asked. */
export function remembered<T>(known: Map<string, T>, question: string, answer: () => T): T {
  if (known.has(question)) return known.get(question) as T;
  if (known.size >= MOST) known.clear();
  const found = answer();
  known.set(question, found);
  return found;
}
