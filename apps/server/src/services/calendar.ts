import { dayClock } from '@kettle-scale/core/quantity';
import { type CalendarAct, planIcs } from '@kettle-scale/core/shift';
import type { RequestHandler } from 'express';
import type { Stores } from '../stores';

/** Days of service that a calendar holds. */
const CALENDAR_DAYS = 31;

/** The planned batches of the last and the coming days as a calendar, to be opened once or followed. */
export const calendarHandler =
  (
    { services, formulas, kitchen }: Pick<Stores, 'services' | 'formulas' | 'kitchen'>,
    now: () => Date,
  ): RequestHandler =>
  async (_request, response) => {
    const { timeZone = 'UTC' } = await kitchen.get();
    const names = new Map((await formulas.list()).map(({ id, name }) => [id, name]));
    const acts = (await services.list(CALENDAR_DAYS)).flatMap(({ service }): CalendarAct[] => {
      const { toMs } = dayClock(service.day, timeZone);
      return (service.plan?.batches ?? []).flatMap(({ id, formulaId, n, start, bakeAt }) => {
        const bread = `${n} ${names.get(formulaId) ?? formulaId}`;
        return [
          { id: `${id}-weigh@kettle-scale`, words: `Weigh ${bread}`, fromMs: toMs(start), toMs: toMs(start) },
          { id: `${id}-bake@kettle-scale`, words: `Bake ${bread}`, fromMs: toMs(bakeAt), toMs: toMs(bakeAt) },
        ];
      });
    });
    response
      .type('text/calendar; charset=utf-8')
      .set('Content-Disposition', 'attachment; filename="kettle-scale-service.ics"')
      .send(planIcs('Kettle Scale', acts, now().getTime()));
  };
