import { Action, PrimaryAction } from '../../ui/input/actions';
import { Sheet } from '../../ui/layout/Sheet';
import { Heading } from '../../ui/type';

/** What is asked before an act that a slip would make dear. */
export interface AskFirst {
  title: string;
  /** Leaves it as it is: the answer of a second slip. */
  no: string;
  yes: string;
}

interface AskFirstSheetProps {
  ask: AskFirst | null;
  onYes: () => void;
  onClose: () => void;
}

/** Asks once more; whoever presses on without reading leaves things as they are. */
export function AskFirstSheet({ ask, onYes, onClose }: AskFirstSheetProps) {
  return (
    <Sheet open={ask !== null} onClose={onClose} label="Confirm">
      {ask ? (
        <>
          <Heading>{ask.title}</Heading>
          <PrimaryAction label={ask.no} onPress={onClose} />
          <Action
            label={ask.yes}
            onPress={() => {
              onClose();
              onYes();
            }}
          />
        </>
      ) : null}
    </Sheet>
  );
}
