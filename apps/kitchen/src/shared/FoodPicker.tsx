import { wordsOfFood } from './wordsOfFood';
import { say } from '../reader/say';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Sheet } from '../ui/layout/Sheet';
import { Body, Heading, Label } from '../ui/type';
import { SearchField } from '../ui/input/SearchField';
import { ListRow } from '../ui/layout/ListRow';

interface FoodPickerProps {
  open: boolean;
  title: string;
  foods: readonly Ingredient[];
  onPick: (food: Ingredient) => void;
  onClose: () => void;
}

const MOST_SHOWN = 40;

const matches = (food: Ingredient, words: readonly string[]): boolean => {
  const text = wordsOfFood(food);
  return words.every((word) => text.includes(word));
};

/** Finds an ingredient by any of its names and takes it with one tap. */
export function FoodPicker({ open, title, foods, onPick, onClose }: FoodPickerProps) {
  const [text, setText] = useState('');
  const found = useMemo(() => {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    return foods.filter((food) => !food.hidden && matches(food, words));
  }, [foods, text]);
  const pick = (food: Ingredient) => {
    setText('');
    onPick(food);
  };
  return (
    <Sheet open={open} onClose={onClose} label={title}>
      <Heading>{title}</Heading>
      <SearchField name="food-find" label="Find an ingredient" value={text} onText={setText} />
      <View role="list" aria-label={say('Ingredients')}>
        {found.slice(0, MOST_SHOWN).map((food) => (
          <View key={food.id} role="listitem">
            <ListRow
              title={food.name}
              description={food.rolls === 'no' ? 'does not roll' : undefined}
              to={() => pick(food)}
            />
          </View>
        ))}
      </View>
      {found.length === 0 ? (
        <Body tone="soot">No ingredient goes by that name here. Add it under Ingredients.</Body>
      ) : null}
      {found.length > MOST_SHOWN ? (
        <Label>{say('{length, number} more; type to narrow.', { length: found.length - MOST_SHOWN })}</Label>
      ) : null}
    </Sheet>
  );
}
