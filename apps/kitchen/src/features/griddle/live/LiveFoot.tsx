import { say } from '../../../reader/say';
import { type LivePiece, isLongPast } from '@kettle-scale/core/bake';
import type { LiveBatch } from '../../../batch/useBatch';
import { AlarmBar } from '../../../ui/alarm/AlarmBar';
import type { useAlarm } from '../../../ui/alarm/useAlarm';
import { ActionRow, PrimaryAction } from '../../../ui/input/actions';
import { UndoneBar } from '../../../shared/UndoneBar';
import { Label } from '../../../ui/type';
import { LOOK_MS, useSampled } from '../../../ui/useSampled';
import { actWords } from './handsWords';
import type { ByItself } from './useByItself';
import type { LiveGriddle } from './useLiveGriddle';
import type { useLiveVoice } from './useLiveVoice';

interface DueBarProps {
  /** The piece that is at its time. */
  piece: LivePiece | undefined;
  alarm: ReturnType<typeof useAlarm>;
}

/** The bell says what is wrong where something is: it stands where the eye goes, and covers no other warning. */
function DueBar({ piece, alarm }: DueBarProps) {
  const past = useSampled((nowMs) => piece !== undefined && isLongPast(piece, nowMs), LOOK_MS);
  if (!piece || !alarm.ringing) return null;
  const about = actWords(piece.next, piece.place);
  return past ? (
    <AlarmBar
      words={say('{place, number}: look underneath', { place: piece.place })}
      about={about}
      onAct={alarm.quiet}
    />
  ) : (
    <AlarmBar words="Now" about={about} onAct={alarm.quiet} />
  );
}

interface LiveFootProps extends Omit<DueBarProps, 'piece'> {
  live: LiveBatch;
  griddle: LiveGriddle;
  byItself: ByItself;
  ear: ReturnType<typeof useLiveVoice>;
  due: LivePiece | undefined;
  primary: { label: string; onPress: () => void } | null;
  early: boolean;
  /** The plate is not ready for its first piece. */
  waiting: boolean;
  /** Nothing is left to bake. */
  ended: boolean;
  onReject: () => void;
}

/** What a hand can do: the next act, what else is usual; while the plate counts by itself, only what went otherwise. */
export function LiveFoot(props: LiveFootProps) {
  const { live, griddle, byItself, ear, due, alarm, primary, early, waiting, ended, onReject } = props;
  if (byItself.active && !ended) return <CountedFoot byItself={byItself} />;
  // Later it is offered under More: at work, each word costs a look.
  const offered = live.state.piecesOff === 0 && griddle.pieces.length === 0;
  return (
    <>
      <UndoneBar />
      <DueBar piece={due} alarm={alarm} />
      {byItself.ready ? <Label>Put the first one on: from then on it counts by itself.</Label> : null}
      {byItself.elsewhere ? <Label>Counted by itself on another phone.</Label> : null}
      <ActionRow
        actions={[
          ...(ear.voice.on ? [{ key: 'quiet', label: 'Quiet', onPress: ear.voice.quiet }] : []),
          ...(ear.listens ? [{ key: 'deaf', label: 'Stop listening', onPress: ear.stop }] : []),
          ...(offered && !waiting && byItself.offer ? [{ key: 'count', ...byItself.offer }] : []),
          ...(offered
            ? []
            : [{ key: 'reject', label: 'Reject', onPress: onReject, disabled: griddle.pieces.length === 0 }]),
          { key: 'undo', label: 'Undo', icon: 'undo', onPress: live.undo, disabled: !live.state.lastAct },
        ]}
      />
      {primary ? <PrimaryAction {...primary} quiet={early} /> : null}
    </>
  );
}

/** A press is about the act that was told just now, else about the one that comes: its place stands on the buttons. */
function CountedFoot({ byItself }: { byItself: ByItself }) {
  const place = useSampled((nowMs) => byItself.about(nowMs)?.place ?? null, LOOK_MS);
  const named = (alone: string, at: string): string => (place === null ? alone : say(at, { place }));
  return (
    <>
      <ActionRow
        actions={[
          { key: 'skip', label: named('Skip', 'Skip {place, number}'), onPress: byItself.skip },
          {
            key: 'torn',
            label: named('Torn', 'Torn {place, number}'),
            onPress: () => byItself.waste('torn'),
          },
          {
            key: 'burnt',
            label: named('Burnt', 'Burnt {place, number}'),
            onPress: () => byItself.waste('burnt'),
          },
          { key: 'stop', label: 'Stop', hint: 'Stop counting by itself', onPress: byItself.stop },
        ]}
      />
      <PrimaryAction quiet label="Late: 3 s more" onPress={byItself.late} />
    </>
  );
}
