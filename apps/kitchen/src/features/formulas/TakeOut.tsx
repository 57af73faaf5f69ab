import { say } from '../../reader/say';
import { type Formula, formulaSchema, freeId } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { api } from '../../api/api';
import type { BookEntry } from '@kettle-scale/core/document';
import { useArchive, useSaveFormula } from '../../api/changes';
import { ForLead } from '../../shared/ForLead';
import { Action } from '../../ui/input/actions';
import { Sheet } from '../../ui/layout/Sheet';
import { FieldError } from '../../ui/input/Field';
import { Body, Heading } from '../../ui/type';
import { type FileKind, bookFile, download, formulaFile } from './sendOut';

const KINDS: readonly (readonly [FileKind, string])[] = [
  ['json', 'JSON, everything in it'],
  ['csv', 'CSV, for a spreadsheet'],
  ['jsonld', 'Recipe for other programs'],
];

interface MoreProps {
  formula: Formula;
  archived: boolean;
  foods: readonly Ingredient[];
  takenIds: ReadonlySet<string>;
}

/** What is done with a formula now and then: files, the card, a duplicate, putting it away. */
export function More({ formula, archived, foods, takenIds }: MoreProps) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const close = useCallback(() => setOpen(false), []);
  const archive = useArchive();
  const save = useSaveFormula();
  const take = async (kind: FileKind) => {
    const file = await formulaFile(formula, foods, kind);
    close();
    download(formula.id, kind, file);
  };
  const duplicate = () => {
    const id = freeId(`${formula.id}-copy`, takenIds);
    const copy = formulaSchema.parse({
      ...formula,
      id,
      version: 1,
      name: say('{name}, copy', { name: formula.name }).slice(0, 60),
    });
    save.mutate(
      {
        formula: copy,
        reason: say('Copy of {name}, version {version, number}', {
          name: formula.name,
          version: formula.version,
        }),
        after: 0,
      },
      { onSuccess: () => router.replace(`/formulas/${id}`) },
    );
  };
  const error = save.error ?? archive.error;
  return (
    <>
      <Action label="More" onPress={() => setOpen(true)} style={{ flexGrow: 1 }} />
      <Sheet open={open} onClose={close} label={say('More for {name}', { name: formula.name })}>
        <Heading>{formula.name}</Heading>
        <Action
          icon="print"
          label="Print its card"
          onPress={() => router.push(`/formulas/${formula.id}/card`)}
        />
        {KINDS.map(([kind, words]) => (
          <Action key={kind} icon="download" label={words} onPress={() => void take(kind)} />
        ))}
        <ForLead>
          <Action icon="copy" label="Duplicate" onPress={duplicate} disabled={save.isPending} />
          <Action
            icon="archive"
            label={archived ? 'Restore' : 'Archive'}
            onPress={() => archive.mutate({ id: formula.id, archived: !archived }, { onSuccess: close })}
          />
          {archived ? null : (
            <Body tone="soot">An archived formula leaves the list and keeps all its versions.</Body>
          )}
        </ForLead>
        {error ? <FieldError id="more-error" message={error.message} /> : null}
      </Sheet>
    </>
  );
}

/** The whole book as one file. */
export function TakeBook({
  entries,
  foods,
}: {
  entries: readonly BookEntry[];
  foods: readonly Ingredient[];
}) {
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<string>();
  const close = useCallback(() => setOpen(false), []);
  const take = async (kind: FileKind) => {
    try {
      download('formula-book', kind, await bookFile(entries, await api.ownIngredients(), foods, kind));
      close();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <>
      <Action
        icon="download"
        label="Export the book"
        onPress={() => setOpen(true)}
        disabled={entries.length === 0}
      />
      <Sheet open={open} onClose={close} label="Export the book">
        <Heading>{say('The whole book, {length, number} formulas', { length: entries.length })}</Heading>
        {KINDS.map(([kind, words]) => (
          <Action key={kind} icon="download" label={words} onPress={() => void take(kind)} />
        ))}
        {problem ? <FieldError id="take-error" message={problem} /> : null}
      </Sheet>
    </>
  );
}
