import { say } from '../../reader/say';
import {
  BOOK_FORMAT,
  BOOK_FORMAT_VERSION,
  type BookEntry,
  type ImportReport,
  type OnTaken,
} from '@kettle-scale/core/document';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { InputError } from '@kettle-scale/core/message';
import type { FileContents } from '@kettle-scale/core/exchange';
import { useRouter } from 'expo-router';
import { useCallback, useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Refused } from '../../api/api';
import { readFile } from '../../workers/readFile';
import { useImportBook } from '../../api/changes';
import { useWriting } from '../../drafts/writing';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { Sheet } from '../../ui/layout/Sheet';
import { FieldError } from '../../ui/input/Field';
import { useColours } from '../../ui/theme';
import { Leader } from '../../ui/layout/Ticket';
import { Body, Heading, Title } from '../../ui/type';

const ACCEPTED =
  '.json,.csv,.tsv,.txt,.jsonld,.html,.htm,application/json,application/ld+json,text/csv,text/plain,text/html';
const MOST_BYTES = 20_000_000;

const styles = StyleSheet.create({
  drop: {
    position: 'absolute',
    top: 0,
    right: 0,
    bottom: 0,
    left: 0,
    borderWidth: 4,
    borderStyle: 'dashed',
    alignItems: 'center',
    justifyContent: 'center',
    zIndex: 5,
    opacity: 0.96,
  },
});

const sentencesOf = (error: unknown): string[] => {
  if (error instanceof InputError || error instanceof Refused) {
    const said = error.problems.map(({ message }) => say(message));
    return said.length > 0 ? said : [error.message];
  }
  return [error instanceof Error ? error.message : String(error)];
};

/** Files dragged over the window. */
function useDrop(onFile: (file: File) => void): boolean {
  const [over, setOver] = useState(false);
  useEffect(() => {
    const hasFile = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;
    const onOver = (event: DragEvent) => {
      if (!hasFile(event)) return;
      event.preventDefault();
      setOver(true);
    };
    const onLeave = (event: DragEvent) => {
      if (event.relatedTarget === null) setOver(false);
    };
    const onDrop = (event: DragEvent) => {
      if (!hasFile(event)) return;
      event.preventDefault();
      setOver(false);
      const file = event.dataTransfer?.files[0];
      if (file) onFile(file);
    };
    window.addEventListener('dragover', onOver);
    window.addEventListener('dragleave', onLeave);
    window.addEventListener('drop', onDrop);
    return () => {
      window.removeEventListener('dragover', onOver);
      window.removeEventListener('dragleave', onLeave);
      window.removeEventListener('drop', onDrop);
    };
  }, [onFile]);
  return over;
}

interface BringInProps {
  entries: readonly BookEntry[];
  foods: readonly Ingredient[];
}

/** Brings a file into the book, chosen or dragged in: whole or not at all. Lists of words go to be read. */
export function BringIn({ entries, foods }: BringInProps) {
  const router = useRouter();
  const colours = useColours();
  const input = useRef<HTMLInputElement>(null);
  const [problems, setProblems] = useState<string[]>([]);
  const [contents, setContents] = useState<FileContents | null>(null);
  const bring = useImportBook();

  const write = useCallback(
    ({ text, name, notes }: FileContents['lists'][number]) => {
      useWriting.getState().begin(notes ? `${text}\n${notes}` : text, name);
      router.push('/write');
    },
    [router],
  );
  const read = useCallback(
    async (file: File) => {
      setProblems([]);
      try {
        if (file.size > MOST_BYTES) throw InputError.at('', 'The file is larger than 20 MB.');
        const found = await readFile(await file.text(), foods);
        const [only] = found.lists;
        if (only && found.lists.length === 1 && found.formulas.length === 0) write(only);
        else setContents(found);
      } catch (error) {
        setProblems(sentencesOf(error));
      }
    },
    [foods, write],
  );
  const onFile = useCallback((file: File) => void read(file), [read]);
  const over = useDrop(onFile);
  const close = useCallback(() => {
    setContents(null);
    bring.reset();
  }, [bring]);

  return (
    <View>
      {problems.length > 0 ? (
        <FieldError
          id="import-error"
          message={say('{problems}{length} Nothing was imported.', {
            problems: { list: problems.slice(0, 3), glue: ' ' },
            length:
              problems.length > 3 ? say(' And {length, number} more.', { length: problems.length - 3 }) : '',
          })}
        />
      ) : null}
      <Action icon="upload" label="Import a file" onPress={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept={ACCEPTED}
        aria-label={say('Formula file')}
        tabIndex={-1}
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
      {over ? (
        <View style={[styles.drop, { backgroundColor: colours.ground, borderColor: colours.ember }]}>
          <Title>Drop the file to import it</Title>
        </View>
      ) : null}
      {contents ? (
        <Found contents={contents} entries={entries} bring={bring} onWrite={write} onClose={close} />
      ) : null}
    </View>
  );
}

interface FoundProps {
  contents: FileContents;
  entries: readonly BookEntry[];
  bring: ReturnType<typeof useImportBook>;
  onWrite: (list: FileContents['lists'][number]) => void;
  onClose: () => void;
}

const WAYS: readonly (readonly [OnTaken, string])[] = [
  ['version', 'a new version'],
  ['copy', 'a copy beside it'],
  ['skip', 'leave mine'],
];

/** What the file holds, and what to do with formulas that are here already. */
function Found({ contents, entries, bring, onWrite, onClose }: FoundProps) {
  const [way, setWay] = useState<OnTaken>('version');
  const here = new Set(entries.map(({ formula }) => formula.id));
  const { formulas, ingredients, archived, lists } = contents;
  const taken = formulas.filter(({ id }) => here.has(id));
  const send = () =>
    bring.mutate({
      book: { format: BOOK_FORMAT, formatVersion: BOOK_FORMAT_VERSION, formulas, ingredients, archived },
      onTaken: way,
    });
  if (bring.data) return <Report report={bring.data} onClose={onClose} />;
  return (
    <Sheet open onClose={onClose} label="What the file holds">
      <Heading>What the file holds</Heading>
      <View>
        {formulas.length > 0 ? <Leader name="Formulas" value={String(formulas.length)} /> : null}
        {taken.length > 0 ? <Leader name="of these here already" value={String(taken.length)} /> : null}
        {ingredients.length > 0 ? (
          <Leader name="Ingredients of its own" value={String(ingredients.length)} />
        ) : null}
        {lists.length > 0 ? <Leader name="Recipes in words" value={String(lists.length)} /> : null}
      </View>
      {taken.length > 0 ? (
        <Choices label="What to do where yours differ" value={way} options={WAYS} onChange={setWay} />
      ) : null}
      {bring.error ? (
        <FieldError
          id="bring-error"
          message={say('{sentencesOf} Nothing was imported.', {
            sentencesOf: sentencesOf(bring.error)[0] ?? '',
          })}
        />
      ) : null}
      {formulas.length > 0 ? (
        <PrimaryAction
          label={say('Import {length, number}', { length: formulas.length })}
          onPress={send}
          disabled={bring.isPending}
        />
      ) : null}
      {lists.map((list) => (
        <Action
          key={list.text}
          label={say('Read “{name}”', { name: list.name || 'the list' })}
          onPress={() => onWrite(list)}
        />
      ))}
    </Sheet>
  );
}

const DONE: readonly (readonly [keyof ImportReport, string])[] = [
  ['added', 'New in the book'],
  ['versions', 'As new versions'],
  ['copies', 'Copies, yours stay'],
  ['unchanged', 'The same as here'],
  ['skipped', 'Skip them'],
  ['ingredientsAdded', 'Ingredients added'],
  ['ingredientsKept', 'Ingredients kept as this kitchen has them'],
];

function Report({ report, onClose }: { report: ImportReport; onClose: () => void }) {
  return (
    <Sheet open onClose={onClose} label="Imported">
      <Heading>Imported</Heading>
      <View role="status">
        {DONE.filter(([part]) => report[part].length > 0).map(([part, words]) => (
          <Leader key={part} name={words} value={String(report[part].length)} />
        ))}
      </View>
      <Body tone="soot">Every change is saved as a version; earlier ones stay in its history.</Body>
    </Sheet>
  );
}
