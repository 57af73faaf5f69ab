import { say, sayAll } from '../../reader/say';
import { blendFlours, draftFlourG } from '@kettle-scale/core/formula';
import { InputError } from '@kettle-scale/core/message';
import { useState } from 'react';
import { View } from 'react-native';
import { PrimaryAction } from '../../ui/input/actions';
import { FigureField, numberTyped } from '../../ui/input/FigureField';
import { Sheet } from '../../ui/layout/Sheet';
import { FieldError } from '../../ui/input/Field';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading } from '../../ui/type';
import { useEditing } from './editing';

/** Free percentages for every flour, brought to 100 % in the end. */
export function BlendSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { draft, foodOf, replace } = useEditing();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string>();
  const flourG = draftFlourG(draft.lines, foodOf);
  const flours = draft.lines.filter(({ ingredient }) => foodOf(ingredient)?.kind === 'flour');
  const textOf = (id: string, massG: number) =>
    typed[id] ?? String(Number(((massG / flourG) * 100).toFixed(2)));
  const total = flours.reduce((sum, { id, massG }) => sum + (numberTyped(textOf(id, massG)) || 0), 0);
  const close = () => {
    setTyped({});
    setProblem(undefined);
    onClose();
  };
  const blend = () => {
    try {
      const wanted = new Map(
        Object.entries(typed).map(([id, text]) => {
          const percent = numberTyped(text);
          if (!Number.isFinite(percent)) throw InputError.at(id, 'Every share must be a number.');
          return [id, percent / 100];
        }),
      );
      replace((now) => ({ ...now, lines: blendFlours(now.lines, foodOf, wanted) }));
      close();
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setProblem(say(error.problems[0]?.message ?? ''));
    }
  };
  return (
    <Sheet open={open} onClose={close} label="Blend the flours">
      <Heading>Blend the flours</Heading>
      <Body>
        Type the shares you want. Whatever they add up to is brought to 100 %; the flour keeps its weight, and
        locked flours keep theirs.
      </Body>
      <View style={{ gap: SPACE.s }}>
        {flours.map(({ id, ingredient, massG, locked }) => (
          <FigureField
            key={id}
            labelled
            name={`blend-${id}`}
            label={sayAll([foodOf(ingredient)?.name ?? ingredient, locked && 'locked'])}
            unit="%"
            value={textOf(id, massG)}
            disabled={locked}
            onText={(text) => setTyped({ ...typed, [id]: text })}
          />
        ))}
      </View>
      <Figure
        value={say('Together {Number, number}', { Number: Number(total.toFixed(1)) })}
        unit="%"
        size={28}
        tone={Math.abs(total - 100) < 0.05 ? 'sage' : 'ember'}
      />
      {problem ? <FieldError id="blend-error" message={problem} /> : null}
      <PrimaryAction label="Bring to 100 %" onPress={blend} />
    </Sheet>
  );
}
