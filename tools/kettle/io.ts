/** What a command reads from and writes to. */
export interface Io {
  /** Writes text as it is. */
  out: (text: string) => void;
  /** Writes a document as JSON. */
  print: (value: unknown) => void;
  /** Writes a result as JSON, its sentences in English and metric. */
  tell: (value: unknown) => void;
  /** Text of a file; “-” is standard input. */
  read: (file: string) => string;
  readJson: (file: string) => unknown;
}
