import { KINDS_OF_BREAD, type KindOfBread } from '@kettle-scale/core/formula';
import { Choices } from '../ui/input/Choices';

interface KindChoiceProps {
  kind: KindOfBread;
  /** Nobody has said it: its figures let one guess. */
  guessed: boolean;
  onChange: (kind: KindOfBread) => void;
}

/** The kind of bread, by which water, rests, words and standard are judged; a tap changes it. */
export const KindChoice = ({ kind, guessed, onChange }: KindChoiceProps) => (
  <Choices
    label={guessed ? 'Kind of bread, by its figures' : 'Kind of bread'}
    value={kind}
    options={KINDS_OF_BREAD.map((one) => [one, one] as const)}
    onChange={onChange}
  />
);
