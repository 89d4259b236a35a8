export type { Adhesive, Catalogue, Estimate, Material, Method, Pack, Sheet, Stuff, Tool } from './schema';
export { adhesiveBy, airBy, cautionTexts, estimated, materialBy, methodBy, sheetsOf, stuffBy, thicknessesOf, toolBy } from './look-up';
