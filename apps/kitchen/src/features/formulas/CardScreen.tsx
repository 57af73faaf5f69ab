import { type Formula, type Ingredient } from '@kettle-scale/core';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { useBook, useIngredients } from '../../data/queries';
import { PrimaryAction } from '../../ui/actions';
import { Notice, Waiting } from '../../ui/Notice';
import { useUnits } from '../../ui/preferences';
import { Screen } from '../../ui/Screen';

/** The page's own font rules, for the card's document: it has none of its own. */
const fontRules = (): string =>
  [...document.styleSheets]
    .flatMap((sheet) => [...sheet.cssRules])
    .filter((rule) => rule instanceof CSSFontFaceRule)
    .map((rule) => rule.cssText)
    .join('\n');

function Card({ formula, foods }: { formula: Formula; foods: readonly Ingredient[] }) {
  const units = useUnits();
  const frame = useRef<HTMLIFrameElement>(null);
  const card = useQuery({
    queryKey: ['card', formula.id, formula.version, units],
    queryFn: async () => {
      const { cardHtml } = await import('@kettle-scale/core/exchange');
      return cardHtml(formula, foods, { units, fontCss: fontRules() });
    },
  });
  return (
    <Screen
      eyebrow={`Version ${formula.version}`}
      title={`Card: ${formula.name}`}
      fill
      foot={
        <PrimaryAction
          icon="print"
          label="Print it"
          onPress={() => frame.current?.contentWindow?.print()}
          disabled={!card.data}
        />
      }
    >
      {card.data ? (
        <iframe
          ref={frame}
          title={`Card of ${formula.name}`}
          srcDoc={card.data}
          style={{
            flexGrow: 1,
            minHeight: 560,
            width: '100%',
            maxWidth: 620,
            border: '1px solid #24211D',
            background: '#fff',
          }}
        />
      ) : (
        <Waiting what="the card" error={card.error} onRetry={() => void card.refetch()} />
      )}
    </Screen>
  );
}

/** A formula as one clean page to print and hang up. */
export function CardScreen({ id }: { id: string }) {
  const book = useBook();
  const foods = useIngredients();
  const formula = book.data?.find((entry) => entry.formula.id === id)?.formula;
  if (formula && foods.data) return <Card formula={formula} foods={foods.data} />;
  return (
    <Screen title="Card">
      {book.data && foods.data ? (
        <Notice title="Not in the book" text="This formula is not in this kitchen." />
      ) : (
        <Waiting
          what="the card"
          error={book.error ?? foods.error}
          onRetry={() => void Promise.all([book.refetch(), foods.refetch()])}
        />
      )}
    </Screen>
  );
}
