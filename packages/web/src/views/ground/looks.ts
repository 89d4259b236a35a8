/** Ways of looking at the ground. */
export const LOOKS = [
  { id: 'draw', name: 'Draw' },
  { id: 'seams', name: 'Tiles and seams' },
  { id: 'rearrange', name: 'Rearrange' },
  { id: 'play', name: 'Play' },
  { id: 'solid', name: '3D' },
] as const;
export type LookId = (typeof LOOKS)[number]['id'];
