import { z } from 'zod';

/** Ids in addresses: long enough for any of ours; what is not there is a 404, not a bad request. */
export const idParams = z.strictObject({ id: z.string().min(1).max(120) });

/** The number of a version in an address. */
export const versionParams = idParams.extend({
  version: z.coerce.number('The version must be a number.').int().min(1).max(100_000),
});
