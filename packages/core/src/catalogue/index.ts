export {
  adhesiveBy,
  airBy,
  batteryBy,
  cautionTexts,
  coatingBy,
  estimated,
  joinBy,
  lampBy,
  materialBy,
  methodBy,
  sheetsOf,
  thicknessesOf,
  toolBy,
} from './look-up';
export { adhesiveRef, airRef, batteryRef, coatingRef, danglingRefs, joinRef, lampRef, materialRef, methodRef, toolRef } from './refs';
export type { Adhesive, Battery, Catalogue, Coating, Estimate, Join, Material, Method, Pack, Sheet, Tool } from './schema';
