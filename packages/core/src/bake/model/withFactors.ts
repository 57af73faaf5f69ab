import type { Fitted } from '../../kitchen/fittedNames';
import type { ModelConstants } from './model';

/**
 * The model with its parameters multiplied: contact of the mean face and of its blisters apart.
 * @param model the constants
 * @param factors factor by parameter
 * @returns new constants; the given ones stay
 */
export function withFactors(model: ModelConstants, factors: Partial<Record<Fitted, number>>): ModelConstants {
  const { contact = 1, films = 1, browning = 1, convection = 1, puff = 1 } = factors;
  return {
    ...model,
    wetContact: model.wetContact * contact,
    dryContact: model.dryContact * contact,
    filmContact: model.filmContact * films,
    browning: model.browning * browning,
    convection: model.convection * convection,
    puffPermeability: model.puffPermeability * puff,
  };
}
