import { type BatchEvent, type BatchSummary, batchRecord, foldBatch } from '@kettle-scale/core/batch';
import { checkFormula } from '@kettle-scale/core/formula';
import { planBatch } from '@kettle-scale/core/plan';
import { NOW, openTestKitchen } from '../test/kitchen';
import { DEMO_TRUTH, demoFormulas } from '@kettle-scale/simulation';

/** Batches that went wrong on purpose: too much salt, balls cut by eye, a plate that had crept up. */
const wentWrong = (events: readonly BatchEvent[]) =>
  events.some(
    (event) => event.type === 'finished' && /salty|by eye|Black spots|Poured too much/.test(event.note ?? ''),
  );

describe('the demo', () => {
  test.each(demoFormulas().map((formula) => [formula.name, formula] as const))(
    '%s is a formula without warnings whose ball and thickness agree',
    async (_name, formula) => {
      expect(checkFormula(formula).warnings).toEqual([]);
      const kitchen = await openTestKitchen();
      const plan = planBatch({
        formula,
        need: { by: 'pieces', pieces: 40, ballG: formula.product.ballG },
        kitchen: await kitchen.stores.kitchen.get(),
      });
      expect(plan.relaxed.diameterMm).toBeGreaterThan(140);
      expect(plan.relaxed.diameterMm).toBeLessThan(310);
      await kitchen.close();
    },
  );

  test('tells the same story from the same seed, through to the end of every batch', async () => {
    const [one, two] = [await openTestKitchen({ demo: true }), await openTestKitchen({ demo: true })];
    const logOf = async ({ stores }: typeof one) =>
      JSON.parse(await stores.batches.listJson({ limit: 50 })) as BatchSummary[];
    const log = await logOf(one);
    expect(log.length).toBeGreaterThanOrEqual(5);
    expect(await logOf(two)).toEqual(log);
    for (const { id, record } of log) {
      const batch = await one.stores.batches.get(id);
      if (!batch) throw new Error(id);
      expect(batchRecord(batch.plan, foldBatch(batch.plan, batch.events))).toMatchObject(record);
      expect(record.status).toBe('finished');
      expect(record.good ?? 0).toBeGreaterThan((wentWrong(batch.events) ? 0.5 : 0.8) * record.piecesPlanned);
      expect(Math.abs(record.actual.hydration - record.planned.hydration)).toBeLessThan(0.05);
    }
    // What the records teach of each lot agrees with the thirst that the simulator gave it.
    for (const { id, offset } of await one.stores.flourLots.states(NOW.getTime(), 'UTC')) {
      expect(offset.batches).toBeGreaterThan(0);
      expect(Math.abs(offset.meanPoints - (DEMO_TRUTH.thirst[id] ?? 0))).toBeLessThan(2 * offset.sdPoints);
    }
    await Promise.all([one.close(), two.close()]);
  });
});
