import { clockText, daysBetween, readClock } from '@kettle-scale/core/quantity';
import type { ServiceDay, ServiceRecord } from '@kettle-scale/core/shift';
import type { useTextForm } from '../../ui/input/useTextForm';
import { numberTyped } from '../../ui/input/FigureField';

/** A wave as it is typed. */
export interface WaveText {
  opens: string;
  peak: string;
  closes: string;
  pieces: string;
}

/** An order as it is typed: so many pieces at a time. */
export interface OrderText {
  at: string;
  pieces: string;
}

/** The form of a service, as its parts share it. */
export type ServiceForm = ReturnType<typeof useTextForm<ServiceText, ServiceDay>>;

/** A service as it is typed. */
export interface ServiceText {
  name: string;
  opens: string;
  serviceFrom: string;
  serviceTo: string;
  ends: string;
  cooks: ServiceDay['cooks'];
  breads: { formulaId: string; waves: WaveText[]; orders: OrderText[] }[];
  sureness: string;
  leftAtClose: ServiceDay['leftAtClose'];
}

const CLOCK_FIELDS = ['opens', 'serviceFrom', 'serviceTo', 'ends'] as const;
export type ClockField = (typeof CLOCK_FIELDS)[number];

const waveText = ({
  opens,
  peak,
  closes,
  pieces,
}: ServiceDay['breads'][number]['waves'][number]): WaveText => ({
  ...{ opens: clockText(opens), peak: clockText(peak), closes: clockText(closes) },
  pieces: String(Math.round(pieces)),
});

type Order = NonNullable<ServiceDay['breads'][number]['orders']>[number];
export const orderText = ({ at, pieces }: Order): OrderText => ({
  at: clockText(at),
  pieces: String(pieces),
});

/** A day's service as its form shows it. */
export const serviceText = (service: ServiceDay): ServiceText => ({
  name: service.name,
  ...{ opens: clockText(service.opens), serviceFrom: clockText(service.serviceFrom) },
  ...{ serviceTo: clockText(service.serviceTo), ends: clockText(service.ends) },
  cooks: service.cooks,
  breads: service.breads.map(({ formulaId, waves, orders = [] }) => ({
    formulaId,
    waves: waves.map(waveText),
    orders: orders.map(orderText),
  })),
  sureness: String(service.sureness),
  leftAtClose: service.leftAtClose,
});

const clockOr = (text: string): number => readClock(text) ?? NaN;

/** The service that a form says; what the form does not show stays as it was kept. */
export const readService =
  (kept: ServiceDay) =>
  (text: ServiceText): unknown => ({
    ...kept,
    name: text.name.trim(),
    ...Object.fromEntries(CLOCK_FIELDS.map((field) => [field, clockOr(text[field])])),
    cooks: text.cooks,
    breads: text.breads.map(({ formulaId, waves, orders }) => ({
      ...kept.breads.find((bread) => bread.formulaId === formulaId),
      formulaId,
      orders:
        orders.length > 0
          ? orders.map(({ at, pieces }) => ({ at: clockOr(at), pieces: numberTyped(pieces) }))
          : undefined,
      waves: waves.map(({ opens, peak, closes, pieces }) => ({
        ...{ opens: clockOr(opens), peak: clockOr(peak), closes: clockOr(closes) },
        pieces: numberTyped(pieces),
      })),
    })),
    sureness: Number(text.sureness),
    leftAtClose: text.leftAtClose,
  });

/** The sentence at a field: a clock that is none says how one is written. */
export const clockProblem = (text: string, problem: string | undefined): string | undefined =>
  problem && readClock(text) === null ? 'A time is written like 11:45.' : problem;

const H = 3600;

/** What a service starts from where nobody has said anything. */
const blankService = (day: string, formulaIds: readonly string[]): ServiceDay => ({
  ...{ format: 'kettle-scale/service-day', formatVersion: 1, day, name: 'Lunch' },
  ...{ opens: 8 * H, serviceFrom: 11 * H, serviceTo: 14 * H, ends: 14.5 * H },
  cooks: [{ id: 'cook', name: 'Cook', can: ['weigh', 'load', 'knead', 'divide', 'roll', 'bake'] }],
  breads: formulaIds.slice(0, 1).map((formulaId) => ({
    formulaId,
    waves: [{ opens: 11 * H, peak: 12.5 * H, closes: 14 * H, pieces: 40 }],
  })),
  ...{ sureness: 0.85, leftAtClose: 'thrown out' },
});

const WEEK = 7;

/** What a day without a service starts from: the newest of the same weekday, else the newest at all, without its plan. */
export function nextService(
  day: string,
  formulaIds: readonly string[],
  past: readonly ServiceRecord[],
): ServiceDay {
  const before = past.filter(
    ({ service }) =>
      service.day < day && service.breads.every(({ formulaId }) => formulaIds.includes(formulaId)),
  );
  const like = before.find(({ service }) => daysBetween(service.day, day) % WEEK === 0) ?? before[0];
  if (!like) return blankService(day, formulaIds);
  const { plan: _, ...told } = like.service;
  return { ...told, day };
}
