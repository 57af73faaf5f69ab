import type { FlourLot } from '@kettle-scale/core/flourLot';
import type { Kitchen } from '@kettle-scale/core/kitchen';

const DAY_MS = 24 * 3600 * 1000;

/** Brackwater Ferry Canteen: a flatbread station on a ferry quay that exists only here. */
export const DEMO_KITCHEN: Kitchen = {
  benchStepG: 5,
  fineStepG: 0.1,
  fineMaxG: 500,
  bowlCapacityG: 12_000,
  bowlMinimumG: 1500,
  bowlLoss: 0.01,
  benchLoss: 0.005,
  measures: 'us',
  currency: 'EUR',
  coldLimitH: 4,
  altitudeM: 3,
  cooks: [
    { id: 'lead-cook', name: 'Lead cook' },
    { id: 'early-cook', name: 'Early cook' },
    { id: 'late-cook', name: 'Late cook' },
  ],
  griddles: [
    {
      ...{ id: 'long-plate', name: 'Long plate', material: 'steel', thicknessMm: 12, shape: 'rectangle' },
      ...{ widthMm: 900, depthMm: 600, heat: 'thermostat', powerW: 11_000 },
      marks: [
        { mark: 3, tempC: 172, source: 'simulated' },
        { mark: 5, tempC: 214, source: 'simulated' },
        { mark: 6, tempC: 239, source: 'simulated' },
      ],
      readings: { columns: 3, rows: 2, tempsC: [224, 233, 227, 229, 238, 231], source: 'simulated' },
    },
    {
      ...{
        id: 'dome',
        name: 'Iron dome',
        material: 'cast iron',
        thicknessMm: 5,
        shape: 'round',
        domed: true,
      },
      ...{ widthMm: 420, depthMm: 420, heat: 'burner', powerW: 5_000 },
      marks: [
        { mark: 2, tempC: 205, source: 'simulated' },
        { mark: 4, tempC: 262, source: 'simulated' },
      ],
    },
  ],
  mixers: [
    {
      id: 'spiral',
      name: 'Spiral',
      by: 'machine',
      minG: 3000,
      maxG: 12_000,
      warmCPerMin: 0.9,
      openingMm: 480,
    },
    {
      id: 'small',
      name: 'Small mixer',
      by: 'machine',
      minG: 800,
      maxG: 3500,
      warmCPerMin: 0.5,
      openingMm: 300,
    },
    { id: 'tub', name: 'Tub, by hand', by: 'hand', minG: 200, maxG: 5000, warmCPerMin: 0, openingMm: 420 },
  ],
};

const lot = (
  id: string,
  name: string,
  daysAgo: number,
  nowMs: number,
  more: Pick<FlourLot, 'bags' | 'bagPrice' | 'moisture' | 'storage'>,
): FlourLot => ({
  id,
  ingredient: 'flour-strong',
  name,
  receivedOn: new Date(nowMs - daysAgo * DAY_MS).toISOString().slice(0, 10),
  bagKg: 25,
  ...more,
});

/** The two lots of strong flour on the shelf, as they stand at `nowMs`. */
export const demoLots = (nowMs: number): FlourLot[] => [
  lot('quay-12', 'Quay mill 12', 19, nowMs, { bags: 3, bagPrice: 21.5, storage: 'open' }),
  lot('quay-13', 'Quay mill 13, new', 2, nowMs, {
    bags: 2,
    bagPrice: 22,
    moisture: 0.138,
    storage: 'closed',
  }),
];
