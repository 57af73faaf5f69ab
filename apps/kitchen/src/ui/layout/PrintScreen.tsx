import { useRef } from 'react';
import { say } from '../../reader/say';
import { PrimaryAction } from '../input/actions';
import { Screen } from './Screen';

/** The page's own font rules, for a document that has none of its own. */
export const fontRules = (): string =>
  [...document.styleSheets]
    .flatMap((sheet) => [...sheet.cssRules])
    .filter((rule) => rule instanceof CSSFontFaceRule)
    .map((rule) => rule.cssText)
    .join('\n');

interface PrintScreenProps {
  eyebrow: string;
  title: string;
  /** Names the document for screen readers. */
  name: string;
  /** A whole HTML document; null while it is made. */
  html: string | null;
  children?: React.ReactNode;
}

/** A document as it will be printed, and the action that prints it. */
export function PrintScreen({ eyebrow, title, name, html, children }: PrintScreenProps) {
  const frame = useRef<HTMLIFrameElement>(null);
  return (
    <Screen
      eyebrow={eyebrow}
      title={title}
      fill
      foot={
        <PrimaryAction
          icon="print"
          label="Print it"
          onPress={() => frame.current?.contentWindow?.print()}
          disabled={html === null}
        />
      }
    >
      {html === null ? null : (
        <iframe
          ref={frame}
          title={say(name)}
          srcDoc={html}
          style={{
            flexGrow: 1,
            minHeight: 460,
            width: '100%',
            maxWidth: 620,
            border: '1px solid #24211D',
            background: '#fff',
          }}
        />
      )}
      {children}
    </Screen>
  );
}
