import { say } from '../../reader/say';
import type { Draft } from '@kettle-scale/core/formula';
import { useState } from 'react';
import type { ViewStyle } from 'react-native';
import { endGroup } from '../../drafts/drafts';
import { FigureField, numberTyped } from '../../ui/input/FigureField';
import { WordField } from '../../ui/input/WordField';
import { useEditing } from './editing';

interface DraftFigureProps {
  label: string;
  /** Path of the field in the formula, where its sentence is found. */
  path: string;
  value: number | undefined;
  unit: string;
  /** Shown units in one stored unit: 100 for percent of a fraction, 1/60 for minutes of seconds. */
  shown?: number;
  decimals?: number;
  set: (draft: Draft, value: number) => void;
  /** Takes the figure away, where it may be left out. */
  clear?: (draft: Draft) => void;
  style?: ViewStyle;
}

const LARGEST_DECIMALS = 9;

/** A figure of the draft. What is no number stays in the field with its sentence, and changes nothing. */
export function DraftFigure({
  label,
  path,
  value,
  unit,
  shown = 1,
  decimals = 1,
  set,
  clear,
  style,
}: DraftFigureProps) {
  const { edit, problems } = useEditing();
  const [bad, setBad] = useState(false);
  return (
    <FigureField
      labelled
      name={path}
      label={label}
      unit={unit}
      value={value === undefined ? '' : String(Number((value * shown).toFixed(decimals)))}
      error={bad ? say('{label} must be a number.', { label }) : problems.get(path)}
      onText={(text) => {
        if (clear && text.trim() === '') {
          setBad(false);
          edit(clear, path);
          return;
        }
        const typed = numberTyped(text);
        setBad(!Number.isFinite(typed));
        if (Number.isFinite(typed))
          edit((draft) => set(draft, Number((typed / shown).toFixed(LARGEST_DECIMALS))), path);
      }}
      onDone={endGroup}
      {...(style ? { style } : {})}
    />
  );
}

interface DraftWordsProps {
  label: string;
  path: string;
  value: string;
  rows?: number;
  placeholder?: string;
  set: (draft: Draft, text: string) => void;
}

export function DraftWords({ label, path, value, rows, placeholder, set }: DraftWordsProps) {
  const { edit, problems } = useEditing();
  return (
    <WordField
      name={path}
      label={label}
      value={value}
      error={problems.get(path)}
      onText={(text) => edit((draft) => set(draft, text), path)}
      onDone={endGroup}
      {...(rows ? { rows } : {})}
      {...(placeholder ? { placeholder } : {})}
    />
  );
}
