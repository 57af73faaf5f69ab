import { daysBetween } from '@kettle-scale/core/quantity';
import {
  type ServiceRecord,
  type Wave,
  clockText,
  demandFromCsv,
  demandFromIcs,
  learnWaves,
  readClock,
} from '@kettle-scale/core/shift';
import { useState } from 'react';
import { useServices } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import type { ServiceText, WaveText } from './serviceForm';

const WEEK = 7;
const S_PER_H = 3600;
const S_PER_MIN = 60;

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
  clock: (ms: number) => string,
) {
  return acts.flatMap((act) => {
    if (act.type !== 'taken' || act.formulaId !== formulaId) return [];
    const [hours = 0, minutes = 0] = clock(Date.parse(act.at)).split(':').map(Number);
    const at = hours * S_PER_H + minutes * S_PER_MIN - service.serviceFrom + opensNow;
    return Array<number>(act.pieces).fill(at);
  });
}

interface FillProps {
  text: ServiceText;
  set: (changes: Partial<ServiceText>) => void;
}

/** Fills the form with what the same weekday had before, or with what a file says. */
export function useFill({ text, set }: FillProps, day: string, names: ReadonlyMap<string, string>) {
  const services = useServices();
  const { clock } = useDays();
  const [problem, setProblem] = useState<string | null>(null);
  const past = (services.data ?? []).filter(
    ({ service, acts }) => service.day < day && daysBetween(service.day, day) % WEEK === 0 && acts.length > 0,
  );
  const learn = () =>
    set({
      breads: text.breads.map((bread) => {
        const days = past.map((record) => ({
          weeksAgo: daysBetween(record.service.day, day) / WEEK,
          takenAt: takenOn(record, bread.formulaId, readClock(text.serviceFrom) ?? 0, clock),
        }));
        return { ...bread, waves: learnWaves(wavesOf(bread.waves), days).map(textOf) };
      }),
    });
  const read = (file: string, content: string) => {
    try {
      const demands = file.endsWith('.ics') ? demandFromIcs(content, day) : demandFromCsv(content);
      const idOf = (bread: string) =>
        [...names].find(([id, name]) => id === bread || name.toLowerCase() === bread.toLowerCase())?.[0];
      const unknown = demands.find(({ bread }) => !idOf(bread));
      if (unknown) return setProblem(`“${unknown.bread}” is no formula of the book.`);
      setProblem(null);
      return set({
        breads: demands.map(({ bread, waves, orders }) => ({
          formulaId: idOf(bread) ?? '',
          orders: orders.length > 0 ? orders : undefined,
          waves: waves.map(textOf),
        })),
      });
    } catch (error) {
      return setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return { past, learn, read, problem };
}
