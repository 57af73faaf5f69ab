import type { Ingredient } from '@kettle-scale/core/ingredient';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Sheet } from '../ui/layout/Sheet';
import { useColours } from '../ui/theme';
import { TOUCH } from '../ui/tokens';
import { Body, Heading, Label, Strong } from '../ui/type';
import { WordField } from '../ui/input/WordField';

interface FoodPickerProps {
  open: boolean;
  title: string;
  foods: readonly Ingredient[];
  onPick: (food: Ingredient) => void;
  onClose: () => void;
}

const MOST_SHOWN = 40;

const styles = StyleSheet.create({
  row: { minHeight: TOUCH.other, justifyContent: 'center', borderBottomWidth: 1, paddingVertical: 4 },
});

const matches = (food: Ingredient, words: readonly string[]): boolean => {
  const text = [food.name, food.kind, ...(food.aliases ?? [])].join(' ').toLowerCase();
  return words.every((word) => text.includes(word));
};

/** Finds an ingredient by any of its names and takes it with one tap. */
export function FoodPicker({ open, title, foods, onPick, onClose }: FoodPickerProps) {
  const colours = useColours();
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
      <WordField name="food-find" label="Find an ingredient" value={text} onText={setText} />
      <View role="list" aria-label="Ingredients">
        {found.slice(0, MOST_SHOWN).map((food) => (
          <Pressable
            key={food.id}
            role="button"
            onPress={() => pick(food)}
            style={[styles.row, { borderColor: colours.rule }]}
          >
            <Strong>{food.name}</Strong>
            {food.rolls === 'no' ? <Label>does not roll</Label> : null}
          </Pressable>
        ))}
      </View>
      {found.length === 0 ? (
        <Body tone="soot">No ingredient goes by that name here. Add it under Ingredients.</Body>
      ) : null}
      {found.length > MOST_SHOWN ? (
        <Label>{`${found.length - MOST_SHOWN} more; type to narrow.`}</Label>
      ) : null}
    </Sheet>
  );
}
