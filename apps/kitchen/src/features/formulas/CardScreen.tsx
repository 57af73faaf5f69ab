import { say, reader } from '../../reader/say';
import { opinionsWords } from '@kettle-scale/core/bake';
import { cardHtml } from '@kettle-scale/core/exchange';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { useMemo } from 'react';
import { useBook, useIngredients } from '../../api/queries';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { PrintScreen, fontRules } from '../../ui/layout/PrintScreen';
import { useUnits } from '../../reader/preferences';
import { useFormulaTimes } from '../../shared/useBakeTimes';
import { UseWhich } from '../../shared/UseWhich';
import { plateName, useOwnSeconds } from '../../shared/useOwnSeconds';
import { Screen } from '../../ui/layout/Screen';

function Card({ formula, foods }: { formula: Formula; foods: readonly Ingredient[] }) {
  const units = useUnits();
  const times = useFormulaTimes(formula, foods);
  const own = useOwnSeconds(times);
  const card = useMemo(
    () =>
      cardHtml(own ? { ...formula, bake: own.bake } : formula, foods, {
        reader: { ...reader(), units },
        fontCss: fontRules(),
        ranges: own?.ranges ?? [],
        opinions: times?.opinions ? opinionsWords(times.opinions, plateName(times)) : null,
      }),
    [formula, foods, units, own, times],
  );
  return (
    <PrintScreen
      eyebrow={say('Version {version, number}', { version: formula.version })}
      title={say('Card: {name}', { name: formula.name })}
      name={say('Card of {name}', { name: formula.name })}
      html={card}
    >
      {times ? <UseWhich times={times} /> : null}
    </PrintScreen>
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
        <Notice title="Formula not found" text="This formula is not in this kitchen." />
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
