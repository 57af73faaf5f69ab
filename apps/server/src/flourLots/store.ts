import type { Zone } from '@kettle-scale/core/quantity';
import {
  type FlourLot,
  type LotState,
  type LotUse,
  lotState,
  kitchenMean,
} from '@kettle-scale/core/flourLot';
import { DataTypes, QueryTypes, type Transaction } from 'sequelize';
import { documentModel } from '../db/documentModel';
import { type Guard, allow } from '../db/guard';
import type { Database } from '../db/openDatabase';

interface UseRow extends LotUse {
  lotId: string;
}

interface MeanRow {
  lotId: string;
  mean: number;
}

/** The flour lots that the kitchen has received. */
export function openFlourLotStore({ sequelize, reading, write }: Database) {
  const rows = documentModel<FlourLot>(sequelize, 'flour_lots', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    ingredientId: { type: DataTypes.TEXT, allowNull: false },
  });

  const list = async (transaction?: Transaction): Promise<FlourLot[]> =>
    (await rows.findAll({ transaction: transaction ?? null }))
      .map((row) => row.document)
      .sort((a, b) => b.receivedOn.localeCompare(a.receivedOn) || a.id.localeCompare(b.id));

  return {
    list,

    /** Every lot with what is left of it and what its batches have taught, the newest first. */
    states: async (nowMs: number, zone: Zone): Promise<LotState[]> => {
      const [lots, uses, means] = await Promise.all([
        list(),
        reading.query<UseRow>(
          `SELECT flourLotId AS lotId, id AS batchId, startedAt, formulaName,
             COALESCE(lotFlourG, 0) AS flourG,
             CASE WHEN status = 'finished' THEN lotPoints END AS points
           FROM batches WHERE flourLotId IS NOT NULL AND status <> 'abandoned' ORDER BY startedAt DESC`,
          { type: QueryTypes.SELECT },
        ),
        reading.query<MeanRow>(
          `SELECT flourLotId AS lotId, AVG(lotPoints) AS mean FROM batches
           WHERE flourLotId IS NOT NULL AND lotPoints IS NOT NULL AND status = 'finished' GROUP BY flourLotId`,
          { type: QueryTypes.SELECT },
        ),
      ]);
      const usesOf = new Map<string, LotUse[]>();
      for (const { lotId, ...use } of uses) {
        const known = usesOf.get(lotId);
        if (known) known.push(use);
        else usesOf.set(lotId, [use]);
      }
      return lots.map((lot) => {
        const others = means.filter(({ lotId }) => lotId !== lot.id);
        return lotState(
          lot,
          usesOf.get(lot.id) ?? [],
          kitchenMean(others.map((other) => other.mean)),
          nowMs,
          zone,
        );
      });
    },
    /** @param guard refuses by throwing; nothing is written between it and the lot */
    put: (document: FlourLot, guard: Guard = allow): Promise<void> =>
      write(async (transaction) => {
        await guard(transaction);
        await rows.upsert({ id: document.id, ingredientId: document.ingredient, document }, { transaction });
      }),
  };
}

export type FlourLotStore = ReturnType<typeof openFlourLotStore>;
