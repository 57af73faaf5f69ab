/** When a rising quantity passes zero, found between two looks. */
export interface Crossing {
  /** Null before it has passed. */
  at: number | null;
  look: (timeS: number, value: number) => void;
}

export function crossing(): Crossing {
  let beforeS = 0;
  let before = -Infinity;
  const watched: Crossing = {
    at: null,
    look: (timeS, value) => {
      if (watched.at === null && value >= 0) {
        const rise = value - before;
        watched.at = rise > 0 && rise < Infinity ? beforeS - ((timeS - beforeS) * before) / rise : timeS;
      }
      beforeS = timeS;
      before = value;
    },
  };
  return watched;
}
