/**
 * The constants of the model that are not composition: engineering assumptions and fits to trade practice.
 * `docs/griddle-model.md` says for each where it comes from and how far it may be off.
 */
export interface ModelConstants {
  /** Contact conductance of a wet and of a dried face in the first contact, W/m²K. */
  wetContact: number;
  dryContact: number;
  /** Later contacts as a share of the first: a flipped face is no longer flat. */
  laterContact: number;
  /** Free convection over the open face, W/m²K. */
  convection: number;
  emissivity: number;
  /** Median and log-spread of the thickness of blister films, m. */
  filmM: number;
  filmSpread: number;
  /** Film to plate, and film to the boiling dough behind it, W/m²K. */
  filmContact: number;
  filmBack: number;
  /** Third and later contacts of films, as a share. */
  filmRecontact: number;
  /** Browning on metal, as a multiple of the published pre-factor. */
  browning: number;
  /** Activation of browning over the gas constant, K. */
  browningK: number;
  /** Permeability to steam that decides the puff, kg/m²sPa. */
  puffPermeability: number;
  /** Water sorption: Oswin constant at 25 °C. */
  sorption: number;
  /** Liquid diffusivity at 60 °C, m²/s. */
  liquidDiffusivity: number;
  /** Rate of gelatinisation, as a multiple of the published one. */
  gelatinisation: number;
}

/**
 * The first set, fitted to sayings of the trade at 190 to 250 °C. Reference bakes on a fine grid were made with it, so
 * the numerics stay checked against it.
 */
export const REFERENCE_MODEL: ModelConstants = {
  wetContact: 350,
  dryContact: 200,
  laterContact: 0.85,
  convection: 8,
  emissivity: 0.9,
  filmM: 0.25e-3,
  filmSpread: 0.5,
  filmContact: 350,
  filmBack: 50,
  filmRecontact: 0.6,
  browning: 14,
  browningK: 8701.5,
  puffPermeability: 4e-6,
  sorption: 0.105,
  liquidDiffusivity: 3e-10,
  gelatinisation: 1,
};

/** Counts the sets: what was learned against another set says nothing about this one. */
export const MODEL_CONSTANTS = 2;

/**
 * The set in use. Browning climbs less steeply with heat (60 kJ/mol, the same rate at 215 °C), contact and still air
 * take less: thin bread and low heat come out as they do on a plate.
 */
export const DEFAULT_MODEL: ModelConstants = {
  ...REFERENCE_MODEL,
  wetContact: 300,
  dryContact: 170,
  convection: 6,
  browning: 0.648,
  browningK: 7201.5,
};

/** What the bread bakes in. */
export interface Air {
  altitudeM: number;
  tempC: number;
  humidity: number;
}

export const DEFAULT_AIR: Air = { altitudeM: 0, tempC: 25, humidity: 0.5 };
