import { say } from '../../reader/say';
import { StepperField } from './StepperField';

/**
 * A count that was typed: a whole number from 1 to the most there are; null while it is none.
 * @param text as typed
 * @param most there are so many
 */
export function countIn(text: string, most: number): number | null {
  const count = /^\d+$/.test(text.trim()) ? Number(text) : 0;
  return count >= 1 && count <= most ? count : null;
}

interface CountFieldProps {
  name: string;
  /** What is counted, as in "Balls". */
  label: string;
  most: number;
  text: string;
  onText: (text: string) => void;
}

/** How many of those that there are, by tapping or typing. */
export function CountField({ name, label, most, text, onText }: CountFieldProps) {
  const step = (direction: number) =>
    onText(String(Math.min(most, Math.max(1, (Number(text) || 0) + direction))));
  return (
    <StepperField
      name={name}
      label={label}
      size={64}
      text={text}
      onText={onText}
      onStep={step}
      error={
        countIn(text, most) === null
          ? say('{label} must be a whole number from 1 to {most, number}.', { label, most })
          : undefined
      }
    />
  );
}
