import { say } from '../../reader/say';
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ROOT, Refused } from '../../api/api';
import { useRestore } from '../../api/changes';
import { Action } from '../../ui/input/actions';
import { Check } from '../../ui/input/Choices';
import { FieldError } from '../../ui/input/Field';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Strong } from '../../ui/type';

const WORDS: Record<string, string> = {
  formula: '{n, plural, one {# formula} other {# formulas}}',
  batch: '{n, plural, one {# batch} other {# batches}}',
  'flour-lot': '{n, plural, one {# flour lot} other {# flour lots}}',
  'saved-plan': '{n, plural, one {# saved plan} other {# saved plans}}',
  ingredient: '{n, plural, one {# ingredient of its own} other {# ingredients of its own}}',
  'left out': '{n, plural, one {# line left out} other {# lines left out}}',
};

const counted = (restored: Record<string, number>): string =>
  Object.entries(WORDS)
    .flatMap(([kind, text]) => {
      const n = restored[kind] ?? 0;
      return n > 0 ? [say(text, { n })] : [];
    })
    .join(', ');

const styles = StyleSheet.create({ lines: { gap: SPACE.s } });

/** Why a backup was not restored: its lines one below the other, and the way to have the rest. */
function NotRestored({ why, onInstead }: { why: Error; onInstead: (how: string) => void }) {
  if (!(why instanceof Refused) || why.instead === undefined)
    return <FieldError id="restore-error" message={why.message} />;
  const { instead, problems } = why;
  return (
    <View style={styles.lines}>
      <FieldError
        id="restore-error"
        message={say('{lines, plural, one {# line} other {# lines}} of this backup cannot be restored.', {
          lines: problems.length,
        })}
      />
      {problems.map(({ path, message }, index) => (
        <Body key={`${path} ${index}`}>{say(message)}</Body>
      ))}
      <Action label="Restore without these" onPress={() => onInstead(instead)} />
    </View>
  );
}

/** The whole kitchen as one file, out and back in. */
export function BackupTicket() {
  const restore = useRestore();
  const picker = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const [replace, setReplace] = useState(false);
  const begin = (...more: string[]) =>
    file &&
    restore.mutate(
      { backup: file, how: [...(replace ? ['replace=true'] : []), ...more] },
      {
        onSuccess: () => {
          setFile(null);
          setReplace(false);
        },
      },
    );
  return (
    <Ticket>
      <Heading>Backup of the kitchen</Heading>
      <Body tone="soot">
        Formulas with all their versions, lots, settings, plans and every batch with every act: one file of
        plain text, a line a record.
      </Body>
      <Action
        label="Save a backup"
        icon="download"
        onPress={() => window.location.assign(`${ROOT}/backup`)}
      />
      <Action label="Choose a backup" icon="upload" onPress={() => picker.current?.click()} />
      <input
        ref={picker}
        type="file"
        accept=".jsonl,.gz,application/x-ndjson"
        aria-label={say('Backup file')}
        style={{ display: 'none' }}
        onChange={({ target }) => {
          setFile(target.files?.[0] ?? null);
          restore.reset();
          target.value = '';
        }}
      />
      {file ? (
        <View>
          <Strong>{file.name}</Strong>
          <Check label="Replace everything that is here now" value={replace} onChange={setReplace} />
          {replace ? (
            <Strong tone="plum">
              All formulas, lots and batches of this kitchen will be deleted. Save a backup first.
            </Strong>
          ) : null}
          <Action
            label={restore.isPending ? 'Restoring …' : 'Restore from this file'}
            onPress={() => begin()}
            disabled={restore.isPending}
          />
        </View>
      ) : null}
      {restore.error ? <NotRestored why={restore.error} onInstead={begin} /> : null}
      <View role="status">
        {restore.isSuccess ? (
          <Strong tone="sage">{say('Restored: {counted}.', { counted: counted(restore.data) })}</Strong>
        ) : null}
      </View>
    </Ticket>
  );
}
