/**
 * How far this tab knows the kitchen's news. The server counts what it tells and says the count with every answer and every
 * message, as `start.count`; an answer that was fetched before the stream was open, or while it was broken, may have been
 * overtaken by news that nobody heard. Then everything shown is asked for again, and otherwise nothing is.
 */
interface Position {
  start: string;
  told: number;
}

/** Answers of two starts of the server stand beside each other: something was missed, whatever comes next. */
const MIXED = 'mixed';

function read(text: string): Position | null {
  const [, start, told] = /^(.+)\.(\d+)$/.exec(text) ?? [];
  return start && told ? { start, told: Number(told) } : null;
}

export function createAsOf() {
  /** The oldest answer while nobody listens, the newest news while somebody does. */
  let known: Position | typeof MIXED | null = null;
  let listening = false;
  /** From where on this tab has heard all news; null until it hears. */
  let hearsFrom: Position | null = null;
  let overtaken = (): void => undefined;

  return {
    /** An answer came that was true at this position. */
    answered(text: string | null): void {
      const at = text === null ? null : read(text);
      if (!at) return;
      // It was on its way when this tab began to hear, and what was told in between is in neither.
      if (listening && at.start === hearsFrom?.start && at.told < hearsFrom.told) overtaken();
      if (listening || known === MIXED) return;
      if (known && known.start !== at.start) known = MIXED;
      else if (!known || at.told < known.told) known = at;
    },
    /** A message came at this position, one piece of `news` or the stream's greeting; says whether something was missed. */
    missedBefore(text: string, news: boolean): boolean {
      const at = read(text);
      if (!at) return false;
      const before = known;
      if (!listening) hearsFrom = { ...at, told: at.told - (news ? 1 : 0) };
      listening = true;
      known = at;
      if (!before) return false;
      if (before === MIXED || before.start !== at.start) return true;
      const ahead = at.told - before.told;
      // An answer may have been fetched after this news was told.
      if (ahead < 0) known = before;
      return ahead > (news ? 1 : 0);
    },
    /** What is done about an answer that came too late to be true. */
    onOvertaken(act: () => void): void {
      overtaken = act;
    },
    /** Nobody listens any more. */
    stopped(): void {
      listening = false;
    },
  };
}

/** What this tab knows. */
export const asOf = createAsOf();
