import { join } from 'node:path';
import type { BatchEvent } from '@kettle-scale/core/batch';
import { DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { type Need, planBatch } from '@kettle-scale/core/plan';
import { v7 as uuidv7 } from 'uuid';
import { openDatabase } from '../../apps/server/src/db/openDatabase';
import { openRandom, demoFormulas, simulateBatch } from '@kettle-scale/simulation';
import { openStores } from '../../apps/server/src/stores';

const YEAR_MS = 365 * 24 * 3600 * 1000;
/** Pieces of every batch: about two hundred events each. */
const PIECES = 58;
/** Different batches; the rest of the year repeats them. */
const PATTERNS = 40;

/** Lots that the year's batches take their flour from, in turns. */
const LOTS = ['quay-12', 'quay-13', 'quay-14'].map((id) => ({
  id,
  name: id,
  ingredient: 'flour-strong',
  receivedOn: '2026-01-02',
  bagKg: 25,
  bags: 400,
}));

/** Fills a kitchen with a year of batches; patterns are simulated once and repeated under new ids and times. */
export async function makeHistory(folder: string, batches: number): Promise<void> {
  process.stderr.write(`Making a history of ${batches} batches, once …\n`);
  const database = await openDatabase(join(folder, 'kitchen.sqlite'), { upgrade: true });
  const stores = await openStores(database, true);
  const formulas = demoFormulas();
  for (const formula of formulas)
    await stores.formulas.create(formula, 'First version', new Date(0).toISOString());
  for (const lot of LOTS) await stores.flourLots.put(lot);
  const random = openRandom(7);
  const cook = { weighingSdSteps: 0.5, overPour: 0.05, rejects: 0.02 };
  const patterns = Array.from({ length: PATTERNS }, (_, index) => {
    const formula = formulas[index % formulas.length];
    if (!formula) throw new Error('no demo formulas');
    const need: Need = { by: 'pieces', pieces: PIECES, ballG: formula.product.ballG };
    const plan = planBatch({ formula, need, kitchen: DEFAULT_KITCHEN });
    return { formula, need, plan, events: simulateBatch(plan, 0, cook, random, '') };
  });
  const firstMs = Date.now() - YEAR_MS;
  for (let index = 0; index < batches; index += 1) {
    const pattern = patterns[index % PATTERNS];
    if (!pattern) continue;
    const startMs = Math.round(firstMs + (index / batches) * (YEAR_MS - 24 * 3600 * 1000));
    const events = pattern.events.map((event): BatchEvent => {
      const atMs = startMs + Date.parse(event.at);
      return { ...event, id: uuidv7({ msecs: atMs }), at: new Date(atMs).toISOString() };
    });
    const start = {
      id: uuidv7({ msecs: startMs }),
      at: new Date(startMs).toISOString(),
      formulaId: pattern.formula.id,
      formulaVersion: 1,
      need: pattern.need,
      flourLotId: LOTS[index % LOTS.length]?.id,
    };
    await stores.batches.insertWhole(start, pattern.plan, events);
  }
  await database.close();
}
