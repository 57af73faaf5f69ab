import { say } from '../../reader/say';
import { daysBetween, clockText, readClock, dayClock, type Zone } from '@kettle-scale/core/quantity';
import {
  type ServiceRecord,
  type Wave,
  demandFromCsv,
  demandFromIcs,
  learnWaves,
  learnedTotal,
  liveActs,
} from '@kettle-scale/core/shift';
import { useState } from 'react';
import { useServices } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { type ServiceText, type WaveText, orderText } from './serviceForm';

const WEEK = 7;

const textOf = ({ opens, peak, closes, pieces }: Wave): WaveText => ({
  ...{ opens: clockText(opens), peak: clockText(peak), closes: clockText(closes) },
  pieces: String(Math.round(pieces)),
});

/** Waves that are typed well enough to be learned for. */
const wavesOf = (waves: readonly WaveText[]): Wave[] =>
  waves.flatMap((wave) => {
    const [opens, peak, closes] = [readClock(wave.opens), readClock(wave.peak), readClock(wave.closes)];
    const pieces = Number(wave.pieces);
    return opens === null || peak === null || closes === null ? [] : [{ opens, peak, closes, pieces }];
  });

/** When pieces were taken on a past day, told from its own opening: services may begin at another hour. */
function takenOn(
  { service, acts }: ServiceRecord,
  formulaId: string,
  opensNow: number,
  zone: Zone,
): number[] {
  const { toS } = dayClock(service.day, zone);
  return liveActs(acts).flatMap((act) =>
    act.type === 'taken' && act.formulaId === formulaId
      ? Array<number>(act.pieces).fill(toS(Date.parse(act.at)) - service.serviceFrom + opensNow)
      : [],
  );
}

interface FillProps {
  text: ServiceText;
  set: (changes: Partial<ServiceText>) => void;
}

/** Fills the form with what the same weekday had before, or with what a file says. */
export function useFill({ text, set }: FillProps, day: string, names: ReadonlyMap<string, string>) {
  const services = useServices();
  const { zone } = useDays();
  const [problem, setProblem] = useState<string | null>(null);
  const past = (services.data ?? []).filter(
    ({ service, acts }) => service.day < day && daysBetween(service.day, day) % WEEK === 0 && acts.length > 0,
  );
  const learnedOf = ({ formulaId, waves }: ServiceText['breads'][number]) =>
    learnWaves(
      wavesOf(waves),
      past.map((record) => ({
        weeksAgo: daysBetween(record.service.day, day) / WEEK,
        takenAt: takenOn(record, formulaId, readClock(text.serviceFrom) ?? 0, zone),
      })),
    );
  /** What stood in the form before it was filled from history; null while it is not. */
  const [told, setTold] = useState<ServiceText['breads'] | null>(null);
  const learn = (on: boolean) => {
    if (on) {
      setTold(text.breads);
      set({ breads: text.breads.map((bread) => ({ ...bread, waves: learnedOf(bread).map(textOf) })) });
    } else {
      if (told) set({ breads: told });
      setTold(null);
    }
  };
  const learned = (told ?? []).map((bread) => ({
    formulaId: bread.formulaId,
    ...learnedTotal(learnedOf(bread)),
  }));
  const read = (file: string, content: string) => {
    try {
      const demands = file.endsWith('.ics') ? demandFromIcs(content, day) : demandFromCsv(content);
      const idOf = (bread: string) =>
        [...names].find(([id, name]) => id === bread || name.toLowerCase() === bread.toLowerCase())?.[0];
      const unknown = demands.find(({ bread }) => !idOf(bread));
      if (unknown) return setProblem(say('“{bread}” is no formula of the book.', { bread: unknown.bread }));
      setProblem(null);
      setTold(null);
      return set({
        breads: demands.map(({ bread, waves, orders }) => ({
          formulaId: idOf(bread) ?? '',
          orders: orders.map(orderText),
          waves: waves.map(textOf),
        })),
      });
    } catch (error) {
      return setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return { past, learn, isLearned: told !== null, learned, read, problem };
}
