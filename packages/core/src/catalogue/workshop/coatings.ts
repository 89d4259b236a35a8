import type { Catalogue } from '../schema';
import { paintCoats } from './paint-coats';
import { pastes } from './pastes';
import { plantings } from './plantings';
import { waters } from './waters';

/** Everything that goes on a surface: general trade knowledge, rounded; prices invented. */
export const coatings: Catalogue['coatings'] = [...pastes, ...paintCoats, ...plantings, ...waters];
