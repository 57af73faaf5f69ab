import { say } from '../../reader/say';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { type DraftLine, draftFlourG, setFraction, setGrams, setLocked } from '@kettle-scale/core/formula';
import { InputError } from '@kettle-scale/core/message';
import { parseQuantity } from '@kettle-scale/core/quantity';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { endGroup } from '../../drafts/drafts';
import { FigureField, numberTyped } from '../../ui/input/FigureField';
import { Icon } from '../../ui/Icon';
import { useColours } from '../../ui/theme';
import { SPACE, TOUCH } from '../../ui/tokens';
import { Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useEditing } from './editing';

const FINE_BELOW_G = 100;
const ML_TAKEN = /ml|cl|dl|\bl\b|cup|tsp|tbsp|spoon/i;

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'flex-start',
    columnGap: SPACE.s,
    borderBottomWidth: 1,
    paddingBottom: SPACE.s,
  },
  name: {
    flexGrow: 1,
    flexBasis: 180,
    minWidth: 0,
    minHeight: TOUCH.other,
    flexDirection: 'row',
    alignItems: 'center',
  },
  words: { flex: 1, minWidth: 0 },
  figures: { flexGrow: 1, flexBasis: 260, flexDirection: 'row', gap: SPACE.s },
  figure: { flex: 1 },
  button: { width: 44, height: TOUCH.other, margin: 0, borderRadius: 0 },
});

interface LineEditorProps {
  line: DraftLine;
  index: number;
  onMore: (line: DraftLine) => void;
  /** Arrow keys on the handle. */
  onStep: (by: 1 | -1) => void;
}

export const handleId = (lineId: string): string => `move-${lineId}`;

/** A share or a weight as it is typed: the draft follows, or the field says what is wrong with it. */
function useLineFigures(line: DraftLine, food: Ingredient | undefined) {
  const { foodOf, replace } = useEditing();
  const format = useFormat();
  const [errors, setErrors] = useState<{ percent?: string; grams?: string }>({});
  const attempt = (field: 'percent' | 'grams', act: () => void) => {
    try {
      act();
      setErrors({});
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setErrors({ [field]: error.problems[0]?.message });
    }
  };
  const typePercent = (text: string) =>
    attempt('percent', () => {
      const percent = numberTyped(text);
      if (!Number.isFinite(percent)) throw InputError.at('percent', 'Percent must be a number.');
      replace(
        (now) => ({ ...now, lines: setFraction(now.lines, foodOf, line.id, percent / 100) }),
        say('percent {id}', { id: line.id }),
      );
    });
  const typeGrams = (text: string) =>
    attempt('grams', () => {
      const read = parseQuantity(text, { defaultUnit: format.units === 'us' ? 'oz' : 'g' });
      if (!read.ok) throw InputError.at('grams', read.message);
      const density = food?.densities?.length === 1 ? food.densities[0]?.typical : undefined;
      if (read.quantity.kind === 'volume' && density === undefined) {
        throw InputError.at(
          'grams',
          say('Give a weight: what a {exec} of it weighs depends on how it is filled.', {
            exec: ML_TAKEN.exec(text)?.[0] ?? 'cup',
          }),
        );
      }
      const massG =
        read.quantity.kind === 'volume' ? read.quantity.amount * (density ?? 1) : read.quantity.amount;
      replace(
        (now) => ({ ...now, lines: setGrams(now.lines, foodOf, line.id, massG) }),
        say('grams {id}', { id: line.id }),
      );
    });
  return { errors, typePercent, typeGrams };
}

interface HandleProps extends Pick<LineEditorProps, 'line' | 'onStep'> {
  name: string;
  sortable: ReturnType<typeof useSortable>;
}

/** What the line is moved by: dragged, or stepped by the arrow keys. */
function Handle({ line, name, sortable, onStep }: HandleProps) {
  const colours = useColours();
  const { attributes, listeners, setActivatorNodeRef } = sortable;
  return (
    <div
      ref={setActivatorNodeRef}
      {...attributes}
      {...listeners}
      id={handleId(line.id)}
      aria-label={say('Move {name}', { name })}
      onKeyDown={(event) => {
        if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
        event.preventDefault();
        onStep(event.key === 'ArrowUp' ? -1 : 1);
      }}
      style={{
        touchAction: 'none',
        cursor: 'grab',
        width: 40,
        height: TOUCH.other,
        display: 'flex',
        alignItems: 'center',
      }}
    >
      <Icon name="drag" colour={colours.soot} />
    </div>
  );
}

/** Its name and how it was measured; lock and more. */
function LineName({ line, name, onMore }: Pick<LineEditorProps, 'line' | 'onMore'> & { name: string }) {
  const { replace } = useEditing();
  const colours = useColours();
  return (
    <>
      <View style={styles.words}>
        <Strong>{name}</Strong>
        {line.measure ? <Label>{line.measure.text}</Label> : line.note ? <Label>{line.note}</Label> : null}
        {line.late ? <Label>goes in late</Label> : null}
      </View>
      <IconButton
        role="switch"
        aria-checked={line.locked}
        accessibilityLabel={say('Lock {name}', { name })}
        icon={line.locked ? 'lock' : 'open'}
        size={22}
        iconColor={line.locked ? colours.ground : colours.soot}
        onPress={() => replace((now) => ({ ...now, lines: setLocked(now.lines, line.id, !line.locked) }))}
        style={[styles.button, line.locked ? { backgroundColor: colours.ink } : null]}
      />
      <IconButton
        accessibilityLabel={say('More for {name}', { name })}
        icon="more"
        size={22}
        iconColor={colours.ink}
        onPress={() => onMore(line)}
        style={styles.button}
      />
    </>
  );
}

/** One ingredient: its share and its grams, either can be typed; lock, drag, and more. */
export function LineEditor({ line, index, onMore, onStep }: LineEditorProps) {
  const { draft, foodOf, problems } = useEditing();
  const colours = useColours();
  const format = useFormat();
  const food = foodOf(line.ingredient);
  const name = food?.name ?? line.ingredient;
  const { errors, typePercent, typeGrams } = useLineFigures(line, food);
  const sortable = useSortable({ id: line.id });
  const { setNodeRef, transform, transition, isDragging } = sortable;
  const flourG = draftFlourG(draft.lines, foodOf);
  const step = line.massG < FINE_BELOW_G ? 0.1 : 1;
  const figure = format.massFigure(line.massG, step);

  return (
    <div
      ref={setNodeRef}
      style={{
        transform: CSS.Translate.toString(transform),
        transition,
        opacity: isDragging ? 0.6 : 1,
        position: 'relative',
        zIndex: isDragging ? 1 : 0,
      }}
    >
      <View
        style={[
          styles.row,
          { borderColor: colours.rule, backgroundColor: isDragging ? colours.ground : 'transparent' },
        ]}
      >
        <View style={styles.name}>
          <Handle {...{ line, name, sortable, onStep }} />
          <LineName {...{ line, name, onMore }} />
        </View>
        <View style={styles.figures}>
          <FigureField
            name={`${line.id}-percent`}
            label={say('{name}, share of flour', { name })}
            unit="%"
            value={flourG > 0 ? String(Number(((line.massG / flourG) * 100).toFixed(2))) : '–'}
            onText={typePercent}
            onDone={endGroup}
            error={errors.percent}
            disabled={line.locked}
            style={styles.figure}
          />
          <FigureField
            name={`${line.id}-grams`}
            label={say('{name}, weight', { name })}
            unit={figure.unit}
            value={line.massG > 0 ? figure.value : ''}
            onText={typeGrams}
            onDone={endGroup}
            error={errors.grams ?? problems.get(`lines[${index}].massG`)}
            disabled={line.locked}
            style={styles.figure}
          />
        </View>
      </View>
    </div>
  );
}
