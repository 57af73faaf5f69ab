/** What can be learned from a kitchen's own pieces, with the spread of ln p that is believed before any was seen. */
export const FITTED = {
  contact: { name: 'Contact with the plate', priorSd: 0.5 },
  films: { name: 'Contact of the blisters', priorSd: 0.3 },
  browning: { name: 'Speed of browning', priorSd: 0.5 },
  convection: { name: 'Draught over the bread', priorSd: 0.4 },
  puff: { name: 'Steam it takes to puff', priorSd: 0.5 },
} as const;
export type Fitted = keyof typeof FITTED;
