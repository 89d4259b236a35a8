export type { Adhesive, Battery, Catalogue, Estimate, Join, Lamp, Material, Method, Pack, Sheet, Stuff, Tool, Yardstick } from './schema';
export {
  adhesiveBy,
  airBy,
  batteryBy,
  cautionTexts,
  estimated,
  joinBy,
  lampBy,
  materialBy,
  methodBy,
  sheetsOf,
  stuffBy,
  thicknessesOf,
  toolBy,
} from './look-up';
