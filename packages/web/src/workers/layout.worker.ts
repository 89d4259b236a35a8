import { expose } from 'comlink';
import { LayoutSlices } from './searches/layout-slices';

/** One of several searches for the same layout, each by a chance of its own. */
const slices = new LayoutSlices();
const helper = { begin: slices.begin.bind(slices), goOn: slices.goOn.bind(slices) };
export type LayoutHelper = typeof helper;
expose(helper);
