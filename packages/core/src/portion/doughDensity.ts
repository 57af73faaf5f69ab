import type { DoughPart } from '../ingredient/doughPart';

/** Densities of food components at 20 °C in g/ml. Source: Choi & Okos 1986; water as used with it here, 0.997. */
const COMPONENT_DENSITY = {
  water: 0.997,
  protein: 1.3299 - 0.0005184 * 20,
  fat: 0.92559 - 0.00041757 * 20,
  carbohydrate: 1.5991 - 0.00031046 * 20,
  ash: 2.4238 - 0.00028063 * 20,
} as const;

const COMPONENTS = Object.keys(COMPONENT_DENSITY) as (keyof typeof COMPONENT_DENSITY)[];

/**
 * Density of a dough in g/ml from what it is made of, less the air in it: (1 − air) / Σ(x_i/ρ_i).
 * Components that a composition table leaves out are spread over the rest.
 * @param parts masses in any one unit
 * @param air share of the dough's volume that is gas, 0 to below 1
 */
export function doughDensity(parts: readonly DoughPart[], air: number): number {
  let mass = 0;
  let volume = 0;
  for (const part of parts) {
    for (const component of COMPONENTS) {
      const componentMass = part.mass * part.food[component];
      mass += componentMass;
      volume += componentMass / COMPONENT_DENSITY[component];
    }
  }
  return ((1 - air) * mass) / volume;
}
