/** Whole pieces of a weight in a mass of dough ready to ball. */
export const wholePieces = (massG: number, ballG: number): number => Math.floor(massG / ballG + 1e-9);
