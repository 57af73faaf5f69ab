import { PrimaryAction } from '../input/actions';
import { Body, Heading } from '../type';
import { Sheet } from './Sheet';

/** Something that a tap alone must not do. */
export interface Asked {
  title: string;
  text?: string;
  /** What the button does: "Delete mark 5". */
  yes: string;
  onYes: () => void;
}

/** Asks before something is lost; closing it keeps everything as it is. */
export function AskSheet({ asked, onClose }: { asked: Asked | null; onClose: () => void }) {
  return (
    <Sheet open={asked !== null} onClose={onClose} label={asked?.title ?? ''}>
      {asked ? (
        <>
          <Heading>{asked.title}</Heading>
          {asked.text ? <Body>{asked.text}</Body> : null}
          <PrimaryAction
            label={asked.yes}
            onPress={() => {
              asked.onYes();
              onClose();
            }}
          />
        </>
      ) : null}
    </Sheet>
  );
}
