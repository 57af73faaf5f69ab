import { type Reader, type Words, writeWords } from '@kettle-scale/core/message';
import { escapeUTF8 } from 'entities';

/** Text as it may stand in a page. */
export const escape = escapeUTF8;

/** Words as a page says them to its reader. */
export const sayTo =
  (reader: Reader) =>
  (words: Words): string =>
    escape(writeWords(words, reader));

const STYLE = `
  body { margin: 0; padding: 24px; background: #FAF5EA; color: #1D1B18; font: 18px/1.5 system-ui, sans-serif; }
  main { max-width: 34rem; margin: 0 auto; }
  h1 { font-size: 30px; line-height: 1.15; margin: 0 0 16px; }
  h2 { font-size: 21px; margin: 32px 0 8px; }
  ol { padding-left: 1.4em; }
  li { margin: 6px 0; }
  a { color: #7A2E12; }
  label { display: block; font-weight: 600; margin: 20px 0 6px; }
  input { width: 100%; box-sizing: border-box; min-height: 56px; padding: 8px 14px; font: inherit; font-size: 22px;
          border: 2px solid #1D1B18; border-radius: 4px; background: #fff; color: inherit; }
  button, .go { display: block; width: 100%; box-sizing: border-box; min-height: 56px; margin-top: 24px; padding: 14px;
          font: inherit; font-size: 20px; font-weight: 600; text-align: center; text-decoration: none; border: 0;
          border-radius: 4px; background: #1D1B18; color: #FAF5EA; cursor: pointer; }
  .wrong { color: #7B1E3B; font-weight: 600; margin: 8px 0 0; }
  .print { font: 16px/1.6 ui-monospace, monospace; overflow-wrap: anywhere; background: #fff; padding: 12px;
          border: 2px solid #1D1B18; border-radius: 4px; }
`;

/** A page that needs nothing of the app, which is behind the key. */
export const page = (title: Words, body: string, reader: Reader): string => `<!doctype html>
<html lang="${reader.locale}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${sayTo(reader)(title)} · Kettle Scale</title>
<style>${STYLE}</style>
</head>
<body><main>
<h1>${sayTo(reader)(title)}</h1>
${body}
</main></body>
</html>
`;
