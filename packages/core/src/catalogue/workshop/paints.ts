import type { Catalogue } from '../schema';

/** Paints of our own naming. Strong ones count for more in a mix. */
export const paints: Catalogue['paints'] = [
  { id: 'salt-white', name: 'Salt white', hex: '#f2efe6', tintingStrength: 1 },
  { id: 'chalk-cliff', name: 'Chalk cliff', hex: '#dcd6c4', tintingStrength: 1 },
  { id: 'dry-reed', name: 'Dry reed', hex: '#b9a36b', tintingStrength: 1 },
  { id: 'straw-loft', name: 'Straw loft', hex: '#cdaf67', tintingStrength: 1 },
  { id: 'clay-pit', name: 'Clay pit', hex: '#8c6a4a', tintingStrength: 1 },
  { id: 'brick-kiln', name: 'Brick kiln', hex: '#93503a', tintingStrength: 1 },
  { id: 'rust-bloom', name: 'Rust bloom', hex: '#8a4a22', tintingStrength: 1 },
  { id: 'bog-oak', name: 'Bog oak', hex: '#3f3328', tintingStrength: 1 },
  { id: 'moss-bank', name: 'Moss bank', hex: '#5d6b3a', tintingStrength: 1 },
  { id: 'fen-water', name: 'Fen water', hex: '#3e5048', tintingStrength: 1 },
  { id: 'slate-yard', name: 'Slate yard', hex: '#56606a', tintingStrength: 1 },
  { id: 'mist-grey', name: 'Mist grey', hex: '#9aa09e', tintingStrength: 1 },
  { id: 'dusk-blue', name: 'Dusk blue', hex: '#3d5570', tintingStrength: 1 },
  { id: 'kiln-black', name: 'Kiln black', hex: '#1f1d1c', tintingStrength: 1 },
];
