/** What a service may say, and in which words. */

/** `race` is of job cards from before sprint and endurance were told apart. */
export const USES = ['plain', 'street', 'sprint', 'race', 'endurance', 'marine', 'pulling'] as const;
export type Use = (typeof USES)[number];

export const USE_WORDS: Record<Use, string> = {
  plain: 'plain rebuild',
  street: 'performance street',
  sprint: 'drag or sprint',
  race: 'oval or drag',
  endurance: 'oval, road race, endurance',
  marine: 'marine, towing',
  pulling: 'pulling',
};

/** Fuels that the heat load knows. */
export const FUELS = ['petrol', 'e85', 'ethanol', 'methanol', 'nitromethane', 'gas', 'diesel', 'twoStroke'] as const;
export type Fuel = (typeof FUELS)[number];

export const FUEL_WORDS: Record<Fuel, string> = {
  petrol: 'petrol',
  e85: 'ethanol blend (E85)',
  ethanol: 'ethanol, neat',
  methanol: 'methanol',
  nitromethane: 'nitromethane in methanol',
  gas: 'gas (propane, methane)',
  diesel: 'diesel',
  twoStroke: 'two-stroke mix',
};

export const BLOWERS = ['turbo', 'supercharger', 'twoStage'] as const;
export type Blower = (typeof BLOWERS)[number];

export const BLOWER_WORDS: Record<Blower, string> = {
  turbo: 'turbo',
  supercharger: 'supercharger',
  twoStage: 'two stages',
};

/** The most that nitrous may add, as a share of the base power. From memory. */
export const MOST_SHARE = 3;
