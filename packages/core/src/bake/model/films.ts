import { BROWN_LIGHTNESS, browningOf, browningRate, CHAR_LIGHTNESS } from './browning';
import { type Column, weighted } from './column';
import { WATER_HEAT_J_KGK } from './constants';
import type { FaceMeets } from './faces';
import { BOILING_RATE_1_S } from './heatStep';
import { SORPTION_POWER, SORPTION_SLOPE_1_K, waterActivity } from './sorption';
import { ROW, placeOf, tabled } from './tables';

/** Quantiles of film thickness that are followed, and their normal scores. */
const QUANTILES = [0.1, 0.3, 0.5, 0.7, 0.9] as const;
const SCORES = [-1.2816, -0.5244, 0, 0.5244, 1.2816] as const;
export const MEDIAN_FILM = 2;

/** Share of a face that lies on blisters, in percent. */
const BLISTER_COVER = 45;
/** A skin this far gelatinised holds steam. */
const SET_SKIN = 0.35;
/** On the open face: the middle's vapour pressure has swollen the air nuclei, and the skin is this warm. */
const BUBBLE_PRESSURE = 0.75;
const BUBBLE_SKIN_C = 70;
/** Off the plate a film takes water back to this. */
const REWETTED = 0.1;
const LEAST_START = 0.15;
/** Conductivity of a film, with the third of it that heat passes, W/mK. */
const FILM_CONDUCTIVITY = 0.6;
const LONGEST_SUBSTEP_S = 0.2501;
const PASSES = 4;
/** Newton converges quadratically: the next pass would change a hundredth of it. */
const CONVERGED_C = 0.1;
const MOST_BOILED = 0.6;
const DRIEST = 1e-3;

/** The blister films of one face, from thin to thick. */
export interface Films {
  /** Seconds into the bake when blisters formed; null before. */
  sinceS: number | null;
  /** How far the two conditions of a blister were from being met at the last step. */
  pressed: number;
  warm: number;
  readonly thicknessM: Float64Array;
  readonly tempC: Float64Array;
  readonly water: Float64Array;
  readonly boiling: Float64Array;
  /** Of the side that touches the heat. */
  readonly surfaceC: Float64Array;
  readonly browning: Float64Array;
  readonly rate: Float64Array;
}

export function openFilms({ model, dough, tempC }: Column): Films {
  const start = tempC[0]!;
  const each = (value: number) => new Float64Array(QUANTILES.length).fill(value);
  return {
    sinceS: null,
    pressed: -1,
    warm: -1,
    thicknessM: Float64Array.from(SCORES, (score) => model.filmM * Math.exp(model.filmSpread * score)),
    tempC: each(start),
    water: each(dough.waterPerDry),
    boiling: each(0),
    surfaceC: each(start),
    browning: each(0),
    rate: each(0),
  };
}

export const copyFilms = (films: Films): Films => ({
  ...films,
  tempC: films.tempC.slice(),
  water: films.water.slice(),
  boiling: films.boiling.slice(),
  surfaceC: films.surfaceC.slice(),
  browning: films.browning.slice(),
  rate: films.rate.slice(),
});

/**
 * Whether blisters form in this step: over heat on a set skin with boiling below it, on the open face over a boiling
 * middle. Returns when, found between the two steps, or null.
 */
function blistersAt(
  column: Column,
  films: Films,
  face: 0 | 1,
  hot: boolean,
  skinC: number,
  timeS: number,
  stepS: number,
): number | null {
  const { cells, vapourPa, pressurePa, boilingC } = column;
  // Vapour pressures are those of the start of the step.
  const pressed = hot
    ? 1 - weighted(column.raw, column.skinWeights[face]) - SET_SKIN
    : (0.5 * (vapourPa[(cells - 1) >> 1]! + vapourPa[cells >> 1]!)) / pressurePa - BUBBLE_PRESSURE;
  const warm = skinC - (hot ? boilingC - 1 : BUBBLE_SKIN_C);
  const pressedAt = timeS - (hot ? 0 : stepS) - stepS * pastZero(films.pressed, pressed);
  const warmAt = timeS - stepS * pastZero(films.warm, warm);
  films.pressed = pressed;
  films.warm = warm;
  if (pressed < 0 || warm < 0) return null;
  const at = Math.max(pressedAt, warmAt);
  return at > 0 ? at : timeS;
}

/** Share of a step that has passed since a line from `before` to `now` crossed zero; boundless when it was met before. */
const pastZero = (before: number, now: number): number => (before < 0 ? now / (now - before) : Infinity);

/** One implicit step of a film that dries and heats against `sourceC`. */
function dryFilm(
  column: Column,
  films: Films,
  film: number,
  stepS: number,
  contact: number,
  sourceC: number,
): void {
  const { dough, model, boilingC, pressurePa, perSorption, steamJKg } = column;
  const thickness = films.thicknessM[film]!;
  const through = 1 / (1 / contact + thickness / FILM_CONDUCTIVITY);
  const back = model.filmBack;
  const hottest = Math.max(boilingC, (through * sourceC + back * boilingC) / (through + back));
  const substeps = Math.ceil(stepS / LONGEST_SUBSTEP_S);
  const s = stepS / substeps;
  const mass = dough.dryKgM3 * thickness;
  let now = films.tempC[film]!;
  for (let substep = 0; substep < substeps; substep += 1) {
    const before = films.tempC[film]!;
    const water = films.water[film]!;
    const storage = (mass * (dough.dryHeatJKgK + WATER_HEAT_J_KGK * water)) / s;
    const most = (MOST_BOILED * water * mass) / s;
    let boils = films.boiling[film]!;
    now = before;
    for (let pass = 0; pass < PASSES; pass += 1) {
      const left = water - (s * boils) / mass;
      const x = left < DRIEST ? DRIEST : left;
      const place = placeOf(now);
      const activity = waterActivity(x, perSorption, tabled(place, ROW.warmth));
      const excess = (activity * tabled(place, ROW.saturation)) / pressurePa;
      const latent = steamJKg - WATER_HEAT_J_KGK * now;
      let base = 0;
      let perC = 0;
      if (excess > 1 || boils > 0) {
        const rate = BOILING_RATE_1_S * mass * excess;
        const drying = SORPTION_POWER * (1 - activity);
        const perWater = (rate * drying) / x;
        const damping = 1 / (1 + (s * perWater) / mass);
        base = (BOILING_RATE_1_S * mass * (excess - 1) + (perWater * s * boils) / mass) * damping;
        perC = rate * (tabled(place, ROW.slope) + SORPTION_SLOPE_1_K * drying) * damping;
      }
      const solved =
        (storage * before + through * sourceC + back * boilingC - latent * (base - perC * now)) /
        (storage + through + back + latent * perC);
      boils = base + perC * (solved - now);
      boils = boils < 0 ? 0 : boils > most ? most : boils;
      const next = solved > hottest ? hottest : solved;
      const change = next - now;
      now = next;
      if (change < CONVERGED_C && change > -CONVERGED_C) break;
    }
    films.boiling[film] = boils;
    films.water[film] = Math.max(DRIEST, water - (s * boils) / mass);
    films.tempC[film] = now;
  }
  films.surfaceC[film] = sourceC - (through * (sourceC - now)) / contact;
}

function coolFilms(films: Films, boilingC: number): void {
  for (let film = 0; film < QUANTILES.length; film += 1) {
    if (films.tempC[film]! > boilingC) films.tempC[film] = boilingC;
    if (films.water[film]! < REWETTED) films.water[film] = REWETTED;
    films.boiling[film] = 0;
    films.rate[film] = 0;
  }
}

/** Advances the films of one face by a step that ends at `timeS`. */
export function advanceFilms(
  column: Column,
  films: Films,
  face: 0 | 1,
  meets: FaceMeets,
  plateC: number,
  timeS: number,
  stepS: number,
): void {
  const fire = meets.kind === 'gas' ? meets.fire : null;
  const hot = meets.kind === 'plate' || fire !== null;
  let driesS = stepS;
  if (films.sinceS === null) {
    const { skinWeights, boilingC } = column;
    const skinC = weighted(column.tempC, skinWeights[face]);
    films.sinceS = blistersAt(column, films, face, hot, skinC, timeS, stepS);
    if (films.sinceS === null) return;
    films.tempC.fill(Math.min(skinC, boilingC));
    films.water.fill(Math.max(weighted(column.water, skinWeights[face]), LEAST_START));
    driesS = Math.min(stepS, timeS - films.sinceS);
  }
  if (!hot) return coolFilms(films, column.boilingC);
  if (driesS <= 0) return;
  const contact =
    meets.kind === 'plate' ? column.model.filmContact * meets.filmContact : (fire?.conductance ?? 0);
  const sourceC = fire ? fire.tempC : plateC;
  for (let film = 0; film < QUANTILES.length; film += 1) {
    dryFilm(column, films, film, driesS, contact, sourceC);
    const activity = waterActivity(
      films.water[film]!,
      column.perSorption,
      tabled(placeOf(films.tempC[film]!), ROW.warmth),
    );
    const rate = browningRate(column.model, films.surfaceC[film]!, activity);
    films.browning[film]! += (driesS * (films.rate[film]! + rate)) / 2;
    films.rate[film] = rate;
  }
}

const LEAST_BROWNING = 1e-9;
/** Thin films lead; near zero the order can invert. */
const LEAST_LEAD = 1e-6;
const BETWEEN_QUANTILES = 0.2;

const levels = new Float64Array(QUANTILES.length);

/** Share of films at or past a browning: straight lines of ln B between quantiles, drawn on at the ends. */
function shareOfFilms(films: Films, browning: number): number {
  if (films.sinceS === null) return 0;
  const last = QUANTILES.length - 1;
  const target = Math.log(browning);
  for (let i = 0; i <= last; i += 1) {
    const level = Math.log(Math.max(films.browning[i]!, LEAST_BROWNING));
    levels[i] = i === 0 ? level : Math.min(level, levels[i - 1]! - LEAST_LEAD);
  }
  if (target >= levels[0]!) {
    const slope = (levels[0]! - levels[1]!) / BETWEEN_QUANTILES;
    return Math.max(0, QUANTILES[0] - (target - levels[0]!) / slope);
  }
  for (let i = 0; i < last; i += 1) {
    const high = levels[i]!;
    const low = levels[i + 1]!;
    if (target >= low) return QUANTILES[i]! + (BETWEEN_QUANTILES * (high - target)) / (high - low);
  }
  const slope = (levels[last - 1]! - levels[last]!) / BETWEEN_QUANTILES;
  return Math.min(1, QUANTILES[4] + (levels[last]! - target) / slope);
}

const BROWN = browningOf(BROWN_LIGHTNESS);
const CHARRED = browningOf(CHAR_LIGHTNESS);

/** Percent of a face that is brown spots, and that is charred. */
export const coverOf = (films: Films): number => BLISTER_COVER * shareOfFilms(films, BROWN);
export const charOf = (films: Films): number => BLISTER_COVER * shareOfFilms(films, CHARRED);

const LN_BROWN = Math.log(BROWN);
const LN_CHARRED = Math.log(CHARRED);
const LAST_FILM = QUANTILES.length - 1;

/** ln B of the films at a quantile, by the same straight lines. */
function levelAt(films: Films, share: number): number {
  const place = (share - QUANTILES[0]) / BETWEEN_QUANTILES;
  const low = Math.max(0, Math.min(LAST_FILM - 1, Math.floor(place)));
  const level = Math.log(Math.max(films.browning[low]!, LEAST_BROWNING));
  const next = Math.log(Math.max(films.browning[low + 1]!, LEAST_BROWNING));
  return level + (place - low) * (Math.min(next, level - LEAST_LEAD) - level);
}

/** How far a face is past a cover, or a char, of so many percent: from below zero up to it, smoothly; for crossings. */
export const pastCover = (films: Films, percent: number): number =>
  percent <= 0 ? 0 : films.sinceS === null ? -Infinity : levelAt(films, percent / BLISTER_COVER) - LN_BROWN;
export const pastChar = (films: Films, percent: number): number =>
  films.sinceS === null ? -Infinity : levelAt(films, percent / BLISTER_COVER) - LN_CHARRED;
