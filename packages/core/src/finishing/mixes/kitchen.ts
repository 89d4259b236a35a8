/** Spoons and cups by where they are made, ml. */
export const KITCHENS = {
  metric: { name: 'metric', cupMl: 250, tablespoonMl: 15, teaspoonMl: 5 },
  us: { name: 'US', cupMl: 236.588, tablespoonMl: 14.787, teaspoonMl: 4.929 },
} as const;
export type Kitchen = keyof typeof KITCHENS;

const QUARTERS = ['', '¼', '½', '¾'] as const;

/**
 * A volume in cups, tablespoons and teaspoons, to the nearest quarter teaspoon; from two cups on to the nearest tablespoon.
 * @returns `1 cup 2 tbsp ½ tsp`; `a pinch` under an eighth of a teaspoon
 */
export function kitchenWords(ml: number, kitchen: Kitchen): string {
  const { cupMl, tablespoonMl, teaspoonMl } = KITCHENS[kitchen];
  let [cups, tablespoons, quarters] = [0, 0, 0];
  if (ml >= 2 * cupMl) {
    cups = Math.floor(ml / cupMl);
    tablespoons = Math.round((ml - cups * cupMl) / tablespoonMl);
    if (tablespoons * tablespoonMl >= cupMl) [cups, tablespoons] = [cups + 1, 0];
  } else {
    quarters = Math.round(ml / (teaspoonMl / 4));
    if (quarters === 0) return 'a pinch';
    const perCup = Math.round((cupMl / teaspoonMl) * 4);
    const perTablespoon = Math.round((tablespoonMl / teaspoonMl) * 4);
    cups = Math.floor(quarters / perCup);
    quarters -= cups * perCup;
    tablespoons = Math.floor(quarters / perTablespoon);
    quarters -= tablespoons * perTablespoon;
  }
  const words = [
    cups === 0 ? '' : `${cups} ${cups === 1 ? 'cup' : 'cups'}`,
    tablespoons === 0 ? '' : `${tablespoons} tbsp`,
    quarters === 0 ? '' : `${quarters >= 4 ? Math.floor(quarters / 4) : ''}${QUARTERS[quarters % 4]!} tsp`,
  ];
  return words.filter((word) => word !== '').join(' ');
}
